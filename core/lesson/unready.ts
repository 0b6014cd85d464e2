// What keeps a part that is no film from being published.
import { isBlank, type Issue } from '../fields/index.ts'
import { endsTooSoon } from '../chronicle/index.ts'
import { findWhatCannotBeAsked, pointsAtFrame } from '../questions/index.ts'
import type { ChroniclePart } from './chronicleSchema.ts'
import type { PageBlock, PagePart } from './pageSchema.ts'
import { sectionsInOrder } from './parts.ts'
import type { Part, QuizPart } from './partSchema.ts'
import { asksIn } from './partThings.ts'
import type { Lesson } from './schema.ts'
import type { PinOpens, StillPart } from './stillSchema.ts'

/** What can be wrong with a part besides its questions. */
export type UnreadyCode =
  | 'quiz.empty'
  | 'quiz.emptySection'
  | 'quiz.noPicture'
  | 'page.empty'
  | 'page.unfinished'
  | 'still.noPicture'
  | 'still.emptyPin'
  | 'deck.empty'
  | 'chronicle.empty'
  | 'chronicle.noTitle'
  | 'chronicle.endsTooSoon'
type Found = Pick<Issue, 'message'> & { code: UnreadyCode; path?: string[] }

/** The reasons why a part cannot be published; empty when it can, and for films. */
export function findUnreadyPart(lesson: Lesson, part: Part): Issue[] {
  const found = [...findUnready(part), ...findBadQuestions(lesson, part)]
  return found.map(({ path = [], ...issue }) => ({ ...issue, path: ['parts', part.id, ...path] }))
}

function findUnready(part: Part): Found[] {
  switch (part.kind) {
    case 'quiz':
      return findUnreadyQuiz(part)
    case 'page':
      return findUnreadyPage(part)
    case 'still':
      return findUnreadyStill(part)
    case 'deck':
      return Object.keys(part.slides).length > 0
        ? []
        : [{ code: 'deck.empty', message: `“${part.title}” has no picture yet.` }]
    case 'chronicle':
      return findUnreadyChronicle(part)
    case 'film':
      return []
  }
}

/** The map in which what asks stands, for the path that leads to it. */
const ASKING_MAP = { quiz: 'items', page: 'blocks', still: 'pins' } as const

function findBadQuestions(
  lesson: Lesson,
  part: Part,
): (Pick<Issue, 'code' | 'message'> & { path: string[] })[] {
  if (part.kind !== 'quiz' && part.kind !== 'page' && part.kind !== 'still') return []
  return asksIn(part).flatMap(({ id, questionId }) => {
    const question = lesson.questions[questionId]!
    // Only a film holds a frame that could be pointed at.
    const frame: (Issue & { code: UnreadyCode })[] = pointsAtFrame(question)
      ? [
          {
            path: ['mediaId'],
            code: 'quiz.noPicture',
            message: 'A question outside a film asks for a place on a picture and has none.',
          },
        ]
      : []
    return [...findWhatCannotBeAsked(question), ...frame].map(({ path, ...issue }) => ({
      ...issue,
      path: [ASKING_MAP[part.kind], id, ...path.map(String)],
    }))
  })
}

function findUnreadyQuiz(quiz: QuizPart): Found[] {
  const sections = sectionsInOrder(quiz)
  if (sections.every(({ items }) => items.length === 0))
    return [{ code: 'quiz.empty', message: `“${quiz.title}” asks no question yet.` }]
  return sections
    .filter(({ items }) => items.length === 0)
    .map(({ section }) => ({
      path: ['sections', section.id],
      code: 'quiz.emptySection',
      message: `A section of “${quiz.title}” asks no question yet.`,
    }))
}

function findUnreadyPage(page: PagePart): Found[] {
  const blocks = Object.values(page.blocks)
  if (blocks.length === 0)
    return [{ code: 'page.empty', message: `“${page.title}” has nothing on it yet.` }]
  return blocks
    .filter(lacksSomething)
    .map(({ id }) => ({
      path: ['blocks', id],
      code: 'page.unfinished',
      message: `Something on “${page.title}” has not been chosen yet.`,
    }))
}

/** Whether what a block is there for is not chosen yet. */
export function lacksSomething(block: PageBlock): boolean {
  if ('mediaId' in block) return block.mediaId === null
  if (block.kind === 'stretch') return block.stretch === null
  return block.kind === 'web' && block.address === null
}

function findUnreadyStill(still: StillPart): Found[] {
  const noPicture: Found[] =
    still.mediaId === null
      ? [{ code: 'still.noPicture', message: `“${still.title}” has no picture yet.` }]
      : []
  const pins = Object.values(still.pins)
    .filter(({ opens }) => opensNothing(opens))
    .map(({ id }): Found => ({
      path: ['pins', id],
      code: 'still.emptyPin',
      message: `A pin of “${still.title}” opens nothing yet.`,
    }))
  return [...noPicture, ...pins]
}

/** Whether nothing would come of touching a pin. */
export function opensNothing(opens: PinOpens): boolean {
  switch (opens.what) {
    case 'text':
      return isBlank(opens.text)
    case 'link':
      return opens.address === null
    case 'part':
      return opens.partId === null
    case 'question':
      return false
  }
}

function findUnreadyChronicle(chronicle: ChroniclePart): Found[] {
  const items = Object.values(chronicle.items)
  if (items.length === 0)
    return [{ code: 'chronicle.empty', message: `“${chronicle.title}” tells of nothing yet.` }]
  return items.flatMap((item): Found[] => {
    const path = ['items', item.id]
    const unnamed: Found[] =
      item.title.trim() === ''
        ? [{ path, code: 'chronicle.noTitle', message: 'Something that happened has no name yet.' }]
        : []
    const message = `“${item.title}” ends before it begins.`
    return endsTooSoon(item)
      ? [...unnamed, { path, code: 'chronicle.endsTooSoon', message }]
      : unnamed
  })
}
