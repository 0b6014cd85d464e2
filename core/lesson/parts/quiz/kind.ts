// What a quiz can do as a part.
import { emptyEnding } from '../base.ts'
import type { PartKind, PartMaking, Unready } from '../kind.ts'
import type { QuizPart } from './schema.ts'
import { sectionsInOrder } from './sections.ts'

export const quiz: PartKind<QuizPart> = {
  texts: ({ instructions, sections }) => [
    instructions,
    ...Object.values(sections).map((section) => section.instructions),
  ],
  media: () => [],
  asks: (part) => sectionsInOrder(part).flatMap(({ items }) => items),
  tellsAtEnd: ({ tells }) => tells === 'atEnd',
  handedIn: true,
}

/** What a new quiz goes by. */
const RULES = { layout: 'onePage', tells: 'atOnce', rewatch: 'always', shuffle: false } as const

export const quizMaking: PartMaking<QuizPart> = {
  maps: ({ sections, items }) => ({ sections, items }),
  /** With one section and no question yet. */
  blank(base, newThing) {
    const section = { ...newThing(), title: '', instructions: '' }
    return {
      ...base,
      kind: 'quiz',
      ...RULES,
      instructions: '',
      ending: emptyEnding(),
      sections: { [section.id]: section },
      items: {},
    }
  },
  findUnready,
  asksFrom: 'items',
  findStray: ({ items, sections }) =>
    Object.values(items)
      .filter(({ sectionId }) => !Object.hasOwn(sections, sectionId))
      .map(({ id }) => ['items', id, 'sectionId']),
}

function findUnready(part: QuizPart): Unready[] {
  const sections = sectionsInOrder(part)
  if (sections.every(({ items }) => items.length === 0))
    return [{ code: 'quiz.empty', message: `“${part.title}” asks no question yet.` }]
  return sections
    .filter(({ items }) => items.length === 0)
    .map(({ section }) => ({
      path: ['sections', section.id],
      code: 'quiz.emptySection',
      message: `A section of “${part.title}” asks no question yet.`,
    }))
}
