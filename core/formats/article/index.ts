// An article, as it is copied out of a word processor or a page of the web (HTML), read into pieces for a page of a lesson.
// Only what is known is taken: words with marks and links, headings, lists, tables, pictures. Nothing of it stays markup.
import {
  cleanText,
  cutText,
  isBlank,
  webAddress,
  type Block,
  type RichDocument,
  type Run,
} from '../../fields/index.ts'
import { isListLine, itemsOf, itemsOfLine, type Item } from './lists.ts'
import {
  allIn,
  attributeOf,
  childrenOf,
  isElement,
  isSilent,
  nameOf,
  TEXT,
  type HtmlNode,
} from './nodes.ts'
import {
  inPortions,
  joined,
  mannerIn,
  PLAIN,
  portionsOf,
  runOf,
  runsIn,
  type Manner,
  type Whole,
} from './runs.ts'
import { isForData, tableOf } from './tables.ts'

export type { HtmlNode } from './nodes.ts'

export type ArticlePiece =
  | { piece: 'heading'; words: string; level: 2 | 3 }
  | { piece: 'text'; text: RichDocument }
  | { piece: 'picture'; address: string; alternative: string; caption: string }

export interface Article {
  pieces: ArticlePiece[]
  /** Pictures that lie where nobody else gets to them, such as on the writer's own disk. */
  lost: number
  /** Whether there was more than is taken. */
  isCut: boolean
}

/** So many pieces are taken of one article. */
export const MOST_PIECES = 300
const MOST_ROWS = 60
const MOST_ITEMS = 100
/** So long one text may become as it is stored, in characters; see core/fields. */
const LONGEST_TEXT = 50_000
/** Pictures that pages hold in themselves are taken up to this length. */
const LONGEST_HELD = 14_000_000

interface Reading {
  whole: Whole
  pieces: ArticlePiece[]
  lost: number
  /** The lines of the paragraph that is being read. */
  lines: Run[][]
  /** The list that is being read: a word processor writes one as paragraphs one after the other. */
  items: Item[]
}

/** `base` is where the document was found; null for what was copied, whose addresses are whole. */
export function readArticle(root: HtmlNode, base: string | null): Article {
  const whole: Whole = (words) => webAddress(words, base ?? 'about:blank')
  const reading: Reading = { whole, pieces: [], lost: 0, lines: [[]], items: [] }
  read(reading, root, PLAIN)
  flush(reading)
  const { pieces, lost } = reading
  return { pieces: pieces.slice(0, MOST_PIECES), lost, isCut: pieces.length > MOST_PIECES }
}

/** Plain words as an article: an empty line parts paragraphs. */
export function readPlainArticle(words: string): Article {
  const pieces = cleanText(words)
    .split(/\n\s*\n/)
    .flatMap((part) => textsOf(part.split('\n').map((line) => [runOf(line, PLAIN) ?? []].flat())))
  return { pieces: pieces.slice(0, MOST_PIECES), lost: 0, isCut: pieces.length > MOST_PIECES }
}

/** Lines as a text, or as several where they are very long. */
function textsOf(lines: readonly Run[][]): ArticlePiece[] {
  const paragraphs = lines
    .flatMap((line) => portionsOf(joined(line)))
    .map((runs) => ({ block: 'paragraph' as const, runs }))
  return asStored(paragraphs, 200).map((blocks) => ({ piece: 'text' as const, text: { blocks } }))
}

/** Portions that one text can hold as it is stored. */
const asStored = <T>(all: readonly T[], most: number): T[][] =>
  inPortions(all, most, { longest: LONGEST_TEXT, lengthOf: (one) => JSON.stringify(one).length })

function put(reading: Reading, block: Block): void {
  reading.pieces.push({ piece: 'text', text: { blocks: [block] } })
}
function flushItems(reading: Reading): void {
  const [first] = reading.items
  if (!first) return
  for (const some of asStored(reading.items, MOST_ITEMS))
    put(reading, { block: 'list', ordered: first.ordered, items: some.map(({ runs }) => runs) })
  reading.items = []
}
function flush(reading: Reading): void {
  flushItems(reading)
  for (const one of textsOf(reading.lines))
    if (one.piece !== 'text' || !isBlank(one.text)) reading.pieces.push(one)
  reading.lines = [[]]
}
function putItems(reading: Reading, items: readonly Item[]): void {
  for (const item of items) {
    if (reading.items[0] && reading.items[0].ordered !== item.ordered) flushItems(reading)
    reading.items.push(item)
  }
}

const wordsOf = (node: HtmlNode, whole: Whole): string =>
  joined(runsIn(node, whole))
    .map((run) => ('tex' in run ? run.tex : run.text))
    .join('')

/** Elements that begin a line of their own. */
const LINES = new Set(
  (
    'p div section article main header footer aside blockquote address center ' +
    'dl dt dd pre hr details summary body html table tbody thead tfoot tr td th caption'
  ).split(' '),
)
const HEADING = /^h([1-6])$/
const [DOCUMENT, FRAGMENT] = [9, 11]

function read(reading: Reading, node: HtmlNode, around: Manner): void {
  if (node.nodeType === TEXT) {
    const run = runOf(node.textContent ?? '', around)
    if (run) reading.lines.at(-1)!.push(run)
    return
  }
  const isRoot = node.nodeType === DOCUMENT || node.nodeType === FRAGMENT
  if (!isRoot && isSilent(node)) return
  const name = nameOf(node)
  if (name === 'br') return void reading.lines.push([])
  if (isListLine(node)) return readListLine(reading, node)
  if (readWhole(reading, node, name)) return
  const isLine = LINES.has(name)
  if (isLine) flush(reading)
  const manner = isElement(node) ? mannerIn(node, around, reading.whole) : around
  for (const child of childrenOf(node)) read(reading, child, manner)
  if (isLine) flush(reading)
}

function readListLine(reading: Reading, line: HtmlNode): void {
  if (reading.lines.some((runs) => joined(runs).length > 0)) flush(reading)
  reading.lines = [[]]
  putItems(reading, itemsOfLine(line, reading.whole))
  readPictures(reading, line)
}

/** Reads what has a form of its own; false where it is words among others. */
function readWhole(reading: Reading, node: HtmlNode, name: string): boolean {
  const { whole } = reading
  const heading = HEADING.exec(name)
  if (heading) {
    flush(reading)
    const words = cutText(wordsOf(node, whole), 300)
    if (words) reading.pieces.push({ piece: 'heading', words, level: heading[1]! <= '2' ? 2 : 3 })
    readPictures(reading, node)
    return true
  }
  switch (name) {
    case 'ul':
    case 'ol':
      flush(reading)
      putItems(reading, itemsOf(node, whole))
      flush(reading)
      readPictures(reading, node)
      return true
    case 'pre':
      return readTyped(reading, node)
    case 'table':
      return isForData(node) && readTable(reading, node)
    case 'figure':
      return allIn(node, 'img').length > 0 && readFigure(reading, node)
    case 'img':
      flush(reading)
      readPicture(reading, node, '')
      return true
    default:
      return false
  }
}

/** Typed text keeps its lines. */
function readTyped(reading: Reading, node: HtmlNode): true {
  flush(reading)
  reading.lines = typedIn(node)
    .split('\n')
    .map((line) => [runOf(line, { ...PLAIN, marks: new Set(['code']) }) ?? []].flat())
  flush(reading)
  readPictures(reading, node)
  return true
}
const typedIn = (node: HtmlNode): string => {
  if (node.nodeType === TEXT) return node.textContent ?? ''
  if (isSilent(node)) return ''
  return nameOf(node) === 'br' ? '\n' : childrenOf(node).map(typedIn).join('')
}

function readTable(reading: Reading, node: HtmlNode): true {
  flush(reading)
  const [caption] = allIn(node, 'caption')
  if (caption) {
    reading.lines = [runsIn(caption, reading.whole)]
    flush(reading)
  }
  const { headed, rows } = tableOf(node, reading.whole)
  for (const [index, some] of asStored(rows, MOST_ROWS).entries())
    put(reading, { block: 'table', headed: headed && index === 0, rows: some })
  readPictures(reading, node)
  return true
}

function readFigure(reading: Reading, node: HtmlNode): true {
  flush(reading)
  const [caption] = allIn(node, 'figcaption')
  readPictures(reading, node, caption ? wordsOf(caption, reading.whole) : '')
  return true
}

function readPictures(reading: Reading, node: HtmlNode, caption = ''): void {
  for (const picture of allIn(node, 'img')) readPicture(reading, picture, caption)
}
function readPicture(reading: Reading, node: HtmlNode, caption: string): void {
  const address = pictureAddress(node, reading.whole)
  if (address === null) return
  if (address === '') reading.lost += 1
  else {
    const alternative = cutText(attributeOf(node, 'alt').trim(), 1000)
    // What stands before it comes before it.
    flushItems(reading)
    reading.pieces.push({ piece: 'picture', address, alternative, caption: cutText(caption, 1000) })
  }
}

/** Of the sizes that a picture is offered in (HTML, `srcset`), the address of the largest; '' where there is none. */
function largestOf(srcset: string): string {
  const offers = srcset.split(/,\s+|,$/).map((offer) => offer.trim().split(/\s+/))
  const sizeOf = ([, size = '1x']: string[]) => Number.parseFloat(size) || 0
  const [largest] = offers.sort((a, b) => sizeOf(b) - sizeOf(a))
  return largest?.[0] ?? ''
}

/** Where a picture is; '' where nobody else gets to it, null where it is a dot that counts readers. */
function pictureAddress(node: HtmlNode, whole: Whole): string | null {
  if ([attributeOf(node, 'width'), attributeOf(node, 'height')].includes('1')) return null
  const said = attributeOf(node, 'src').trim() || largestOf(attributeOf(node, 'srcset'))
  if (/^data:image\/(png|jpeg|gif|webp|avif);base64,/i.test(said))
    return said.length <= LONGEST_HELD ? said : ''
  const address = said === '' ? null : whole(said)
  return address !== null && address.length <= 2000 ? address : ''
}
