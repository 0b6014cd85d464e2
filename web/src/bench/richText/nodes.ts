// What a rich text may hold besides words, as nodes of its editor. Each is drawn as learners will see it.
import { Mark, mergeAttributes, Node, type NodeViewRenderer } from '@tiptap/core'
import { render, h, type AppContext, type Component } from 'vue'
import { addressSchema, type Block } from '@fernbrake/core/fields'

/** How a node is drawn; `context` carries language and addresses into what is drawn. */
export interface Drawing {
  formula: Component
  block: Component
  context: AppContext | null
}

const drawnBy =
  (
    tag: 'span' | 'div',
    draw: (attrs: Record<string, unknown>) => [Component, object],
    context: AppContext | null,
  ): NodeViewRenderer =>
  ({ node }) => {
    const dom = document.createElement(tag)
    dom.className = `drawn ${node.type.name}`
    dom.contentEditable = 'false'
    const show = (attrs: Record<string, unknown>) => {
      const [component, props] = draw(attrs)
      const vnode = h(component, props)
      vnode.appContext = context
      render(vnode, dom)
    }
    show(node.attrs)
    return {
      dom,
      update(next) {
        if (next.type !== node.type) return false
        show(next.attrs)
        return true
      },
      destroy: () => render(null, dom),
    }
  }

/** The nodes of formulas and media. */
export function nodesFor({ formula, block, context }: Drawing) {
  const formulaNode = (name: 'formula' | 'formulaBlock') => {
    const isBlock = name === 'formulaBlock'
    return Node.create({
      name,
      group: isBlock ? 'block' : 'inline',
      inline: !isBlock,
      atom: true,
      addAttributes: () => ({ tex: { default: '' } }),
      parseHTML: () => [],
      renderHTML: ({ HTMLAttributes }) => ['span', mergeAttributes(HTMLAttributes)],
      addNodeView: () =>
        drawnBy(
          isBlock ? 'div' : 'span',
          ({ tex }) => [formula, { tex, display: isBlock }],
          context,
        ),
    })
  }
  const mediumNode = (
    name: 'picture' | 'sound' | 'stretch' | 'page',
    attributes: readonly string[],
  ) =>
    Node.create({
      name,
      group: 'block',
      atom: true,
      addAttributes: () => Object.fromEntries(attributes.map((key) => [key, { default: null }])),
      parseHTML: () => [],
      renderHTML: ({ HTMLAttributes }) => ['div', mergeAttributes(HTMLAttributes)],
      addNodeView: () =>
        drawnBy('div', (attrs) => [block, { block: { block: name, ...attrs } as Block }], context),
    })
  /** Words that are marked as with a pen. */
  const highlight = Mark.create({
    name: 'highlight',
    parseHTML: () => [{ tag: 'mark' }],
    renderHTML: () => ['mark', 0],
  })
  /** Words that lead somewhere; what is pasted keeps its links as far as a lesson takes them. */
  const link = Mark.create({
    name: 'link',
    inclusive: false,
    addAttributes: () => ({ address: { default: null, rendered: false } }),
    parseHTML: () => [
      {
        tag: 'a[href]',
        getAttrs: (element) => {
          const address = addressSchema.safeParse(element.getAttribute('href'))
          return address.success ? { address: address.data } : false
        },
      },
    ],
    // Nothing to be followed while it is written.
    renderHTML: ({ mark }) => ['u', { title: String(mark.attrs.address) }, 0],
  })
  return [
    highlight,
    link,
    formulaNode('formula'),
    formulaNode('formulaBlock'),
    mediumNode('picture', ['mediaId', 'alternative']),
    mediumNode('sound', ['mediaId', 'title']),
    mediumNode('stretch', ['partId', 'fromMs', 'toMs']),
    mediumNode('page', ['address', 'title', 'opens']),
  ]
}
