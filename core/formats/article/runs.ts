// The words of a paragraph, with their marks and where they lead.
import { addressSchema, cleanText, type Run, type TextMark } from '../../fields/index.ts'
import { attributeOf, childrenOf, isSilent, nameOf, styleOf, TEXT, type HtmlNode } from './nodes.ts'

const MARKS: Record<string, TextMark> = {
  b: 'bold',
  strong: 'bold',
  i: 'italic',
  em: 'italic',
  cite: 'italic',
  code: 'code',
  kbd: 'code',
  tt: 'code',
  sub: 'sub',
  sup: 'super',
  mark: 'highlight',
}
/** In the order in which a text keeps them. */
const ORDER: readonly TextMark[] = ['bold', 'italic', 'code', 'sub', 'super', 'highlight']

export interface Manner {
  marks: ReadonlySet<TextMark>
  address: string | null
}
export const PLAIN: Manner = { marks: new Set(), address: null }
export type Whole = (words: string) => string | null

/** How words inside of an element stand, given how they stand around it. */
export function mannerIn(node: HtmlNode, around: Manner, whole: Whole): Manner {
  const marks = new Set(around.marks)
  const own = MARKS[nameOf(node)]
  if (own) marks.add(own)
  const style = styleOf(node)
  if (/font-weight:(bold|[6-9]00)/.test(style)) marks.add('bold')
  // Some wrap all of a text into one that says it is not what it looks like.
  if (/font-weight:(normal|400)/.test(style)) marks.delete('bold')
  if (/font-style:italic/.test(style)) marks.add('italic')
  if (/font-style:normal/.test(style)) marks.delete('italic')
  if (/vertical-align:sub/.test(style)) marks.add('sub')
  if (/vertical-align:super/.test(style)) marks.add('super')
  if (nameOf(node) !== 'a') return { marks, address: around.address }
  const address = whole(attributeOf(node, 'href'))
  const isFit = address !== null && addressSchema.safeParse(address).success
  return { marks, address: isFit ? address : around.address }
}

/** A run of these words; white space is one space, as browsers show it. */
export function runOf(words: string, { marks, address }: Manner): Run | null {
  const text = cleanText(words).replace(/[\s\u00a0]+/g, ' ')
  if (text === '') return null
  const own = ORDER.filter((mark) => marks.has(mark))
  return { text, ...(own.length > 0 ? { marks: own } : {}), ...(address ? { address } : {}) }
}

const mannerOf = (run: Run) => JSON.stringify('tex' in run ? run : { ...run, text: '' })

/** Runs that stand alike are one; spaces at the ends and double ones go. */
export function joined(runs: readonly Run[]): Run[] {
  const all: Run[] = []
  for (const run of runs) {
    const last = all.at(-1)
    if ('tex' in run || !last || 'tex' in last) {
      all.push(run)
      continue
    }
    const text = last.text.endsWith(' ') ? run.text.replace(/^ /, '') : run.text
    if (text === '') continue
    if (mannerOf(last) === mannerOf(run)) all[all.length - 1] = { ...last, text: last.text + text }
    else all.push({ ...run, text })
  }
  return trimmed(all)
}

function trimmed(runs: readonly Run[]): Run[] {
  const at = (index: number, run: Run) => {
    if ('tex' in run) return run
    let { text } = run
    if (index === 0) text = text.trimStart()
    if (index === runs.length - 1) text = text.trimEnd()
    return { ...run, text }
  }
  const all = runs.map((run, index) => at(index, run))
  const kept = all.filter((run) => 'tex' in run || run.text !== '')
  return kept.length === runs.length ? kept : trimmed(kept)
}

/** All words inside of a node as runs; what has paragraphs of its own is on one line. */
export function runsIn(node: HtmlNode, whole: Whole, around: Manner = PLAIN): Run[] {
  if (node.nodeType === TEXT) return [runOf(node.textContent ?? '', around) ?? []].flat()
  if (isSilent(node)) return []
  if (nameOf(node) === 'br') return [{ text: ' ' }]
  const manner = mannerIn(node, around, whole)
  return childrenOf(node).flatMap((child) => runsIn(child, whole, manner))
}

/** So many letters and pieces of one paragraph are kept together; see core/fields. */
const MOST_LETTERS = 15_000
const MOST_RUNS = 300

/** The same in portions of so many at most, none longer than is said, as long as no single one is. */
export function inPortions<T>(
  all: readonly T[],
  most: number,
  { longest, lengthOf }: { longest: number; lengthOf: (one: T) => number },
): T[][] {
  const portions: T[][] = []
  let length = 0
  for (const one of all) {
    const own = lengthOf(one)
    const last = portions.at(-1)
    if (!last || last.length === most || length + own > longest) {
      portions.push([one])
      length = own
    } else {
      last.push(one)
      length += own
    }
  }
  return portions
}

const lettersOf = (run: Run) => ('tex' in run ? run.tex : run.text).length

/** Runs in portions, each short enough for one paragraph; none where there are no runs. */
export const portionsOf = (runs: readonly Run[]): Run[][] =>
  inPortions(runs.flatMap(pieceByPiece), MOST_RUNS, { longest: MOST_LETTERS, lengthOf: lettersOf })

function pieceByPiece(run: Run): Run[] {
  if ('tex' in run || run.text.length <= MOST_LETTERS) return [run]
  const pieces: Run[] = []
  for (let rest = run.text; rest !== '';) {
    // Between words, where there are some.
    const space = rest.length > MOST_LETTERS ? rest.lastIndexOf(' ', MOST_LETTERS) : -1
    const length = space > 0 ? space : MOST_LETTERS
    pieces.push({ ...run, text: cleanText(rest.slice(0, length)) })
    rest = rest.slice(length)
  }
  return pieces.filter((piece) => 'tex' in piece || piece.text !== '')
}
