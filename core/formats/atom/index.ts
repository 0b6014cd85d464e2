// Atom (RFC 4287) as archives answer a search with it: licences (RFC 4946), previews (RFC 6903), kinds of things (the DCMI
// Type Vocabulary in dc:type), and how many were found (OpenSearch 1.1). And OpenSearch's templates for asking.
import { XMLParser } from 'fast-xml-parser'
import { cleanText, cutText, webAddress } from '../../fields/index.ts'

/** Longer feeds are not read, in characters. */
export const LONGEST_FEED = 2_000_000
/** So many things of one feed are read. */
export const MOST_IN_FEED = 100

export type ThingKind = 'film' | 'picture' | 'sound' | 'document'

/** A thing that a feed tells of. Texts are cleaned, addresses are whole. */
export interface FeedThing {
  kind: ThingKind
  title: string
  maker: string
  summary: string
  /** What the archive says of how it may be used; '' where it says nothing. */
  licence: string
  /** Where the licence can be read; '' where it says nothing. */
  licenceAddress: string
  /** The page of the thing; null where it has none. */
  page: string | null
  /** The file itself; null where it only can be seen on its page. */
  file: string | null
  /** A small picture of it; null where there is none. */
  preview: string | null
}

export interface Feed {
  title: string
  /** What the archive has a person begin with; null where it does not say. */
  home: string | null
  /** So many were found; as many as are read where it does not say. */
  total: number
  things: FeedThing[]
}

type Node = Record<string, unknown>

const LISTS = new Set(['entry', 'link', 'author', 'category', 'dc:creator'])
/** Made where it is needed, so that whoever reads no feed does not load it. */
const createParser = () =>
  new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    parseAttributeValue: false,
    isArray: (name) => LISTS.has(name),
  })

/**
 * Reads a feed that was found at `address`; null where it is none. A document type is refused, and with it every entity
 * that it could bring; a thing without a kind, a title, or somewhere to be found is passed over.
 */
export function readAtom(xml: string, address: string): Feed | null {
  if (xml.length > LONGEST_FEED || /<!doctype/i.test(xml)) return null
  const feed = nodeOf(parsed(xml)?.feed)
  if (!feed) return null
  const base = (words: unknown) => (typeof words === 'string' ? webAddress(words, address) : null)
  const entries = listOf(feed.entry).slice(0, MOST_IN_FEED)
  const things = entries.flatMap((entry) => thingOf(entry, base) ?? [])
  const said = Number(textOf(feed['opensearch:totalResults'] ?? feed.totalResults) || Number.NaN)
  const total = Number.isInteger(said) && said >= things.length ? said : things.length
  return { title: short(feed.title, 200), home: linkOf(feed, 'alternate', base), total, things }
}

function parsed(xml: string): Node | null {
  try {
    return nodeOf(createParser().parse(xml))
  } catch {
    return null
  }
}

const nodeOf = (value: unknown): Node | null =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Node) : null

const listOf = (value: unknown): Node[] =>
  Array.isArray(value) ? value.map(nodeOf).filter((one) => one !== null) : []

/** The words of an element, with or without attributes of its own. */
function textOf(value: unknown): string {
  if (typeof value === 'string') return value
  return textOf(nodeOf(value)?.['#text'] ?? '')
}

/** Words that may have come as HTML, on one line. */
function short(value: unknown, most: number): string {
  const isHtml = /html/.test(String(nodeOf(value)?.['@type'] ?? ''))
  const words = isHtml ? textOf(value).replace(/<[^>]*>/g, ' ') : textOf(value)
  return cutText(cleanText(words).replace(/\s+/g, ' ').trim(), most)
}

type Whole = (words: unknown) => string | null

function linkOf(node: Node, rel: string, whole: Whole): string | null {
  const link = listOf(node.link).find((one) => (one['@rel'] ?? 'alternate') === rel)
  return link ? whole(link['@href']) : null
}

function thingOf(entry: Node, whole: Whole): FeedThing | null {
  const enclosure = listOf(entry.link).find((one) => one['@rel'] === 'enclosure')
  const kind = kindOf(textOf(entry['dc:type']), String(enclosure?.['@type'] ?? ''))
  const title = short(entry.title, 200)
  const file = whole(enclosure?.['@href'])
  const page = linkOf(entry, 'alternate', whole)
  if (!kind || title === '' || (file === null && page === null)) return null
  const makers = listOf(entry.author).map((author) => short(author.name, 200))
  const creators = Array.isArray(entry['dc:creator']) ? entry['dc:creator'] : []
  const named = [...makers, ...creators.map((one) => short(one, 200))].filter(Boolean)
  return {
    kind,
    title,
    maker: cutText([...new Set(named)].join(', '), 300),
    summary: short(entry.summary ?? entry.content, 1000),
    licence: short(entry.rights ?? entry['dc:rights'], 200),
    licenceAddress: linkOf(entry, 'license', whole) ?? '',
    page,
    file,
    preview: linkOf(entry, 'preview', whole),
  }
}

/** What it is by the vocabulary, or by the type of its file; null where neither says. */
function kindOf(term: string, mime: string): ThingKind | null {
  const word = term.trim().split(/[/:#]/).at(-1)!.toLowerCase()
  if (word === 'movingimage') return 'film'
  if (word === 'stillimage' || word === 'image') return 'picture'
  if (word === 'sound') return 'sound'
  if (word === 'text') return 'document'
  if (/^video\//i.test(mime) || /mpegurl/i.test(mime)) return 'film'
  if (/^image\//i.test(mime)) return 'picture'
  if (/^audio\//i.test(mime)) return 'sound'
  return /^application\/(pdf|vnd\.)/i.test(mime) ? 'document' : null
}

/**
 * The address by which a search for these words is asked, after an OpenSearch template; null where the template has no
 * place for words, or asks for something that we do not know.
 */
export function searchAddress(template: string, words: string): string | null {
  if (!/\{searchTerms\??\}/.test(template)) return null
  const known = new Map([
    ['searchTerms', words],
    ['count', String(MOST_IN_FEED)],
    ['startIndex', '1'],
    ['startPage', '1'],
    ['inputEncoding', 'UTF-8'],
    ['outputEncoding', 'UTF-8'],
  ])
  let isWhole = true
  const filled = template.replace(/\{([^{}?]+)(\?)?\}/g, (_place, name: string, optional) => {
    if (!known.has(name) && !optional) isWhole = false
    return encodeURIComponent(known.get(name) ?? '')
  })
  return isWhole ? filled : null
}
