// Reading rich texts, without schemas, so that the learner's page need not carry their library.
import { cleanText } from './clean.ts'
import { assertNever } from './never.ts'
import type { Block, RichDocument, RichText, Run } from './rich.ts'

const wordsOf = (run: Run) => ('text' in run ? run.text : run.tex)
const lineOf = (runs: readonly Run[]) => runs.map(wordsOf).join('')

const isMoreThanWords = (run: Run) =>
  !('text' in run) || (run.marks?.length ?? 0) > 0 || run.address !== undefined

/** The text as a person would read it out: formulas as TeX, media by what they show. */
export function plainOf(text: RichText): string {
  if (typeof text === 'string') return text
  return text.blocks
    .map(plainBlock)
    .filter((words) => words !== '')
    .join('\n')
}

function plainBlock(block: Block): string {
  switch (block.block) {
    case 'paragraph':
      return lineOf(block.runs)
    case 'list':
      return block.items.map(lineOf).join('\n')
    case 'formula':
      return block.tex
    case 'table':
      return block.rows.map((row) => row.map(lineOf).join(' · ')).join('\n')
    case 'picture':
      return block.alternative
    case 'sound':
      return block.title
    case 'page':
      return block.title || block.address
    case 'stretch':
      return ''
    default:
      return assertNever(block)
  }
}

const SHOWN_WITHOUT_WORDS = ['picture', 'sound', 'stretch', 'formula', 'page']

/** Whether there is nothing to read, see or hear. */
export function isBlank(text: RichText): boolean {
  if (typeof text === 'string') return text.trim() === ''
  if (text.blocks.some(({ block }) => SHOWN_WITHOUT_WORDS.includes(block))) return false
  return plainOf(text).trim() === ''
}

/** The same without control characters, in the form that the schema wants; what is no text comes back as it is. */
export function cleanRich<T>(text: T): T {
  if (typeof text === 'string') return cleanText(text) as T & string
  if (typeof text !== 'object' || text === null) return text
  return JSON.parse(JSON.stringify(text), (_key, value: unknown) =>
    typeof value === 'string' ? cleanText(value) : value,
  ) as T
}

/** The media that a text shows or lets hear. */
export function mediaOfText(text: RichText): string[] {
  if (typeof text === 'string') return []
  return text.blocks.flatMap((block) => ('mediaId' in block ? [block.mediaId] : []))
}

/** The parts whose stretches a text shows. */
export function partsOfText(text: RichText): string[] {
  if (typeof text === 'string') return []
  return text.blocks.flatMap((block) => (block.block === 'stretch' ? [block.partId] : []))
}

/** Any plain value with all its texts, without the stretches of films that are gone; a text of nothing else becomes ''. */
export function withoutStretches<T>(value: T, isGone: (partId: string) => boolean): T {
  return JSON.parse(JSON.stringify(value), (_key, inner: unknown) => {
    if (typeof inner !== 'object' || inner === null) return inner
    const held = (inner as Partial<RichDocument>).blocks
    // A page has blocks too; those are no text, and each has an id.
    if (!Array.isArray(held)) return inner
    const blocks = held.filter((block) => block.block !== 'stretch' || !isGone(block.partId))
    return blocks.length > 0 ? { blocks } : ''
  }) as T
}

/** The text with something more at its end. */
export function withBlock(text: RichText, block: Block): RichDocument {
  if (typeof text !== 'string') return { blocks: [...text.blocks, block] }
  const lines = text.trimEnd() === '' ? [] : text.trimEnd().split('\n')
  const paragraphs = lines.map((line): Block => ({
    block: 'paragraph',
    runs: line === '' ? [] : [{ text: line }],
  }))
  return { blocks: [...paragraphs, block] }
}

/** Whether two texts say the same, in whatever order their keys stand: a database keeps no order of keys. */
export const isSameText = (a: RichText, b: RichText): boolean => inOneOrder(a) === inOneOrder(b)

function inOneOrder(text: RichText): string {
  return JSON.stringify(text, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  )
}

/** The simplest text that says the same: a string, where every block is a paragraph without marks or formulas. */
export function simplest(text: RichText): RichText {
  if (typeof text === 'string') return text
  const lines: string[] = []
  for (const block of text.blocks) {
    if (block.block !== 'paragraph') return text
    if (block.runs.some(isMoreThanWords)) return text
    lines.push(lineOf(block.runs))
  }
  return lines.join('\n')
}
