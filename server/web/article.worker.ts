// In a thread of its own: finding the main text of a page, which takes long for a page that is meant to take long.
import { Readability } from '@mozilla/readability'
import { parseHTML } from 'linkedom'
import type { ArticleFound } from '@fernbrake/core/contract'
import { cutText, webAddress } from '@fernbrake/core/fields'
import { readArticle, type HtmlNode } from '@fernbrake/core/formats'
import { serveThread } from '../threads/threads.ts'

export interface ArticleWish {
  html: string
  address: string
}

type Page = ReturnType<typeof parseHTML>['document']

function read({ html, address }: ArticleWish): ArticleFound | null {
  const document = documentOf(html)
  const said = document.querySelector('base')?.getAttribute('href')
  const base = (said && webAddress(said, address)) || address
  const licence = licenceOf(document, base)
  const title = wordsIn(document.querySelector('title')?.textContent)
  const main = mainTextOf(document)
  // Whoever looked for the main text has changed the document.
  const all = () => documentOf(html).body as unknown as HtmlNode
  const article = readArticle(main?.content ?? all(), base)
  if (article.pieces.length === 0) return null
  const site = wordsIn(main?.siteName) || new URL(address).host
  return {
    title: wordsIn(main?.title) || title,
    maker: wordsIn(main?.byline),
    site,
    licence,
    address,
    ...article,
  }
}

/**
 * A page need not write out where its head and body begin (HTML, 13.1.2.4); the parser has to be told, or it takes the body
 * for empty.
 */
function documentOf(html: string): Page {
  const isWhole = /<html[\s>]/i.test(html) && /<head[\s>]/i.test(html) && /<body[\s>]/i.test(html)
  if (isWhole) return parseHTML(html).document
  const inside = html.replace(/<!doctype[^>]*>|<\/?(?:html|head|body)(?=[\s>])[^>]*>/gi, '')
  return parseHTML(`<html><head></head><body>${inside}</body></html>`).document
}

/** The library keeps what is most likely the text; null where it finds none. It changes the document. */
function mainTextOf(document: Page) {
  try {
    // Typed for a browser's documents; this one does as well.
    const reading = new Readability<HtmlNode>(document as never, {
      serializer: (node) => node as unknown as HtmlNode,
      charThreshold: 200,
    })
    return reading.parse()
  } catch {
    // A page that it cannot read is read as it stands.
    return null
  }
}

function licenceOf(document: Page, base: string): string {
  const link = document.querySelector('a[rel~="license"], link[rel~="license"]')
  if (!link) return ''
  return wordsIn(link.textContent) || webAddress(link.getAttribute('href') ?? '', base) || ''
}

const wordsIn = (words: string | null | undefined): string =>
  cutText((words ?? '').replace(/\s+/g, ' ').trim(), 200)

serveThread<ArticleWish, ArticleFound | null>((wish) => Promise.resolve(read(wish)))
