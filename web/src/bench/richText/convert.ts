// Between a rich text of core and the document of the editor that writes it.
import type { Block, RichDocument, RichText, Run, TextMark } from '@fernbrake/core/fields'
import { simplest } from '@fernbrake/core/fields'

/** A node of the editor's document, as it gives and takes it. */
export interface EditorNode {
  type: string
  attrs?: Record<string, unknown>
  content?: EditorNode[]
  text?: string
  marks?: { type: string; attrs?: Record<string, unknown> }[]
}

const MARK_NAMES: Record<TextMark, string> = {
  bold: 'bold',
  italic: 'italic',
  code: 'code',
  sub: 'subscript',
  super: 'superscript',
  highlight: 'highlight',
}
const MARK_OF = new Map(Object.entries(MARK_NAMES).map(([mark, name]) => [name, mark as TextMark]))

/** What the editor is opened with. */
export function toEditor(text: RichText): EditorNode {
  const blocks: Block[] =
    typeof text === 'string'
      ? text
          .split('\n')
          .map((line) => ({ block: 'paragraph', runs: line === '' ? [] : [{ text: line }] }))
      : text.blocks
  return { type: 'doc', content: blocks.map(nodeOf) }
}

function nodeOf(block: Block): EditorNode {
  switch (block.block) {
    case 'paragraph':
      return paragraph(block.runs)
    case 'list':
      return {
        type: block.ordered ? 'orderedList' : 'bulletList',
        content: block.items.map((runs) => ({ type: 'listItem', content: [paragraph(runs)] })),
      }
    case 'table':
      return {
        type: 'table',
        content: block.rows.map((row, at) => ({
          type: 'tableRow',
          content: row.map((runs) => ({
            type: block.headed && at === 0 ? 'tableHeader' : 'tableCell',
            content: [paragraph(runs)],
          })),
        })),
      }
    case 'formula':
      return { type: 'formulaBlock', attrs: { tex: block.tex } }
    case 'picture':
    case 'sound':
    case 'stretch':
    case 'page': {
      const { block: kind, ...attrs } = block
      return { type: kind, attrs }
    }
  }
}

function paragraph(runs: readonly Run[]): EditorNode {
  return runs.length === 0
    ? { type: 'paragraph' }
    : { type: 'paragraph', content: runs.map(inlineOf) }
}

function inlineOf(run: Run): EditorNode {
  if ('tex' in run) return { type: 'formula', attrs: { tex: run.tex } }
  const marks: EditorNode['marks'] = (run.marks ?? []).map((mark) => ({ type: MARK_NAMES[mark] }))
  if (run.address !== undefined) marks.push({ type: 'link', attrs: { address: run.address } })
  return { type: 'text', text: run.text, ...(marks.length > 0 ? { marks } : {}) }
}

/** What the editor's document says, in its simplest form. */
export function fromEditor(document: EditorNode): RichText {
  const blocks = (document.content ?? []).flatMap(blocksOf)
  return blocks.length === 0 ? '' : simplest({ blocks } satisfies RichDocument)
}

function blocksOf(node: EditorNode): Block[] {
  const attrs = node.attrs ?? {}
  switch (node.type) {
    case 'paragraph':
      return [{ block: 'paragraph', runs: runsOf(node) }]
    case 'bulletList':
    case 'orderedList': {
      const items = (node.content ?? []).flatMap(itemsOf)
      const ordered = node.type === 'orderedList'
      return items.length > 0 ? [{ block: 'list', ordered, items }] : []
    }
    case 'table':
      return tableOf(node)
    case 'formulaBlock':
      return attrs.tex ? [{ block: 'formula', tex: String(attrs.tex) }] : []
    case 'picture':
    case 'sound':
    case 'stretch':
    case 'page':
      return [{ block: node.type, ...attrs } as Block]
    default:
      return []
  }
}

/** An item's own line; lists within lists are laid flat, since a text has no deeper ones. */
function itemsOf(item: EditorNode): Run[][] {
  return (item.content ?? []).flatMap((child) =>
    child.type === 'paragraph' ? [runsOf(child)] : (child.content ?? []).flatMap(itemsOf),
  )
}

function tableOf(node: EditorNode): Block[] {
  const rows = (node.content ?? []).map((row) =>
    (row.content ?? []).map((cell) => {
      const lines = (cell.content ?? []).map(runsOf)
      return lines.flatMap((runs, at) => (at === 0 ? runs : [{ text: ' ' }, ...runs]))
    }),
  )
  const [first] = node.content ?? []
  const headed = (first?.content ?? []).some(({ type }) => type === 'tableHeader')
  return rows.length > 0 && rows.every((row) => row.length > 0)
    ? [{ block: 'table', headed, rows }]
    : []
}

function runsOf(node: EditorNode): Run[] {
  return (node.content ?? []).flatMap((inline): Run[] => {
    if (inline.type === 'formula')
      return inline.attrs?.tex ? [{ tex: String(inline.attrs.tex) }] : []
    if (!inline.text) return []
    const marks = (inline.marks ?? []).flatMap(({ type }) => MARK_OF.get(type) ?? [])
    const address = inline.marks?.find(({ type }) => type === 'link')?.attrs?.address
    return [
      {
        text: inline.text,
        ...(marks.length > 0 ? { marks } : {}),
        ...(typeof address === 'string' ? { address } : {}),
      },
    ]
  })
}
