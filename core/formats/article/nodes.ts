// What is asked of a parsed HTML document, whoever has parsed it: browsers do, and so do libraries on a server. Nothing of it
// is ever shown or run; its words are read.

export interface HtmlNode {
  readonly nodeType: number
  readonly nodeName: string
  readonly textContent: string | null
  readonly childNodes: ArrayLike<HtmlNode>
  /** Elements alone have it. */
  getAttribute?(name: string): string | null
}

const ELEMENT = 1
export const TEXT = 3

export const isElement = ({ nodeType }: HtmlNode): boolean => nodeType === ELEMENT
/** The name of an element in small letters, without what stands before a colon. */
export const nameOf = ({ nodeName }: HtmlNode): string => nodeName.toLowerCase().split(':').at(-1)!
export const childrenOf = ({ childNodes }: HtmlNode): HtmlNode[] => Array.from(childNodes)
export const attributeOf = (node: HtmlNode, name: string): string => node.getAttribute?.(name) ?? ''
/** The declarations of its own style, as written, in small letters and without spaces. */
export const styleOf = (node: HtmlNode): string =>
  attributeOf(node, 'style').toLowerCase().replace(/\s+/g, '')

/** What nobody reads: a word processor's own notes among it, and the bullets that it writes as letters. */
const SILENT = new Set(
  (
    'script style noscript template head title meta link xml iframe object embed svg canvas ' +
    'video audio map nav form button input select textarea option'
  ).split(' '),
)
export const isSilent = (node: HtmlNode): boolean =>
  !(node.nodeType === TEXT || isElement(node)) ||
  SILENT.has(nameOf(node)) ||
  /mso-list:ignore|display:none/.test(styleOf(node)) ||
  (node.getAttribute?.('hidden') ?? null) !== null

/** All elements of a name inside of a node, whatever lies between. */
export function allIn(node: HtmlNode, name: string): HtmlNode[] {
  return childrenOf(node).flatMap((child) => {
    if (isSilent(child) || child.nodeType === TEXT) return []
    return nameOf(child) === name ? [child] : allIn(child, name)
  })
}
