// What is done to a text while it is written: to the table that the caret stands in, and to words that lead somewhere.
import type { Editor } from '@tiptap/core'

/** The steps that the table can take at the caret, by their names in the language files. */
export function tableSteps(editor: () => Editor) {
  const chain = () => editor().chain().focus()
  return {
    rowBelow: () => chain().addRowAfter().run(),
    columnBeside: () => chain().addColumnAfter().run(),
    rowAway: () => chain().deleteRow().run(),
    columnAway: () => chain().deleteColumn().run(),
    headRow: () => chain().toggleHeaderRow().run(),
    lineBelow: () => putLineBelow(editor()),
    tableAway: () => chain().deleteTable().run(),
  }
}

/** A line after the table, where a text that ends with one goes on. */
function putLineBelow(editor: Editor): boolean {
  const { $from } = editor.state.selection
  const depths = Array.from({ length: $from.depth }, (_, index) => $from.depth - index)
  const depth = depths.find((one) => $from.node(one).type.name === 'table')
  if (depth === undefined) return false
  const after = $from.after(depth)
  const steps = editor.chain().focus().insertContentAt(after, { type: 'paragraph' })
  return steps.setTextSelection(after + 1).run()
}

/** Where the words at the caret lead; null where they do not. */
export const addressAt = (editor: Editor): string | null =>
  (editor.getAttributes('link') as { address?: string }).address ?? null

/** Makes what is marked lead somewhere, or no longer; where nothing is, the address stands for itself. */
export function setLink(editor: Editor, address: string | null): void {
  const isBare = editor.state.selection.empty && addressAt(editor) === null
  const steps = editor.chain().focus()
  if (address === null) steps.extendMarkRange('link').unsetMark('link').run()
  else if (isBare) {
    const marks = [{ type: 'link', attrs: { address } }]
    steps.insertContent({ type: 'text', text: address, marks }).run()
  } else steps.extendMarkRange('link').setMark('link', { address }).run()
}
