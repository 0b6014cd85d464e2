// Lists: those of HTML, and those that a word processor writes as paragraphs with letters for bullets.
import type { Run } from '../../fields/index.ts'
import { childrenOf, nameOf, styleOf, TEXT, type HtmlNode } from './nodes.ts'
import { joined, portionsOf, runsIn, type Whole } from './runs.ts'

export interface Item {
  ordered: boolean
  runs: Run[]
}

/** What is too long for one item goes on in the next. */
const itemsWith = (ordered: boolean, runs: readonly Run[]): Item[] =>
  portionsOf(joined(runs)).map((portion) => ({ ordered, runs: portion }))

const isList = (node: HtmlNode) => ['ul', 'ol'].includes(nameOf(node))

/** The items of a list, those of lists inside of it after the one that they belong to. */
export function itemsOf(list: HtmlNode, whole: Whole): Item[] {
  const ordered = nameOf(list) === 'ol'
  return childrenOf(list).flatMap((child) => {
    if (isList(child)) return itemsOf(child, whole)
    if (nameOf(child) !== 'li') return []
    const [inner, own] = [true, false].map((wanted) =>
      childrenOf(child).filter((one) => isList(one) === wanted),
    )
    const runs = own!.flatMap((one) => runsIn(one, whole).concat({ text: ' ' }))
    return itemsWith(ordered, runs).concat(inner!.flatMap((one) => itemsOf(one, whole)))
  })
}

/** A paragraph that a word processor means as an item of a list. */
export const isListLine = (node: HtmlNode): boolean =>
  nameOf(node) === 'p' && /mso-list:(?!ignore|none|skip)/.test(styleOf(node))

export const itemsOfLine = (line: HtmlNode, whole: Whole): Item[] =>
  itemsWith(isNumbered(line), runsIn(line, whole))

/** Whether what stands before such an item is a number or a letter, not a bullet. */
function isNumbered(line: HtmlNode): boolean {
  const marker = markerIn(line)
  return marker !== null && /^\(?[\p{L}\d]{1,4}[.)]/u.test(marker)
}

function markerIn(node: HtmlNode): string | null {
  for (const child of childrenOf(node)) {
    if (/mso-list:ignore/.test(styleOf(child))) return (child.textContent ?? '').trim()
    const inside = child.nodeType === TEXT ? null : markerIn(child)
    if (inside !== null) return inside
  }
  return null
}
