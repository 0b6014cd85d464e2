// What stand-ins of other sites have in common: a loopback port of their own, their pages, and how they answer a search.
import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import express, { type Express } from 'express'

export interface StandIn {
  origin: string
  close(): Promise<void>
}

/** Opens one on a loopback port, 0 for any that is free. Rejects where the port is taken. */
export async function openOn(
  port: number,
  mount: (app: Express, origin: string) => void,
): Promise<StandIn> {
  const app = express().disable('x-powered-by')
  const server = createServer(app).listen(port, '127.0.0.1')
  await once(server, 'listening')
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  mount(app, origin)
  const close = async () => {
    server.closeAllConnections()
    await new Promise((done) => server.close(done))
  }
  return { origin, close }
}

/** The folder of all data begins with a dot, and a checkout may lie anywhere. */
export const WHEREVER = { dotfiles: 'allow' } as const

/** Makes a thing once, however many ask for it; what went wrong is tried again. */
export function onceEach() {
  const made = new Map<string, Promise<string>>()
  return (key: string, make: () => Promise<string>) => {
    const known = made.get(key) ?? make()
    made.set(key, known)
    known.catch(() => made.delete(key))
    return known
  }
}

/** The things in whose description every word that is looked for stands; all of them for none. */
export function holding<T>(
  things: readonly T[],
  words: string,
  said: (thing: T) => string[],
): readonly T[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  return things.filter((thing) => {
    const text = said(thing).join(' ').toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
}

/** The words somebody looks for, as they stand in an address. */
export const wordsOf = ({ words }: Record<string, unknown>): string =>
  typeof words === 'string' ? words.trim().slice(0, 200) : ''

const MARKS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
/** Words as they stand in HTML or XML. */
export const shown = (words: string): string => words.replace(/[&<>"]/g, (mark) => MARKS[mark]!)

/** A page with the style sheet of its site. */
export const pageOf = (title: string, style: string, head: string, body: string): string =>
  `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>${shown(title)}</title>
    <link rel="stylesheet" href="${style}" />
    ${head}
  </head>
  <body>${body}</body>
</html>
`

export interface Entry {
  id: string
  title: string
  maker: string
  words: string
  licence: string
  licenceAddress: string
  /** A term of the DCMI Type Vocabulary. */
  type: 'MovingImage' | 'StillImage' | 'Sound'
  page: string
  preview: string | null
  file: { address: string; mime: string } | null
}

/** What a search finds, as an Atom feed; see core/formats/atom. */
export function feedOf(title: string, origin: string, entries: readonly Entry[]): string {
  const link = (rel: string, href: string | null, more = '') =>
    href ? `<link rel="${rel}" href="${shown(href)}"${more} />` : ''
  const told = entries.map(
    (entry) => `<entry>
    <id>${origin}/${entry.id}</id>
    <title>${shown(entry.title)}</title>
    <author><name>${shown(entry.maker)}</name></author>
    <summary>${shown(entry.words)}</summary>
    <rights>${shown(entry.licence)}</rights>
    <dc:type>${entry.type}</dc:type>
    ${link('license', entry.licenceAddress)}
    ${link('alternate', entry.page)}
    ${link('preview', entry.preview)}
    ${entry.file ? link('enclosure', entry.file.address, ` type="${entry.file.mime}"`) : ''}
  </entry>`,
  )
  return `<?xml version="1.0" encoding="utf-8"?>
<feed xmlns="http://www.w3.org/2005/Atom" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:opensearch="http://a9.com/-/spec/opensearch/1.1/">
  <title>${shown(title)}</title>
  <id>${origin}/</id>
  <link rel="alternate" href="${origin}/" />
  <opensearch:totalResults>${entries.length}</opensearch:totalResults>
  ${told.join('\n  ')}
</feed>
`
}
