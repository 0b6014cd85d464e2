// What the demo's lessons are made with: the same edits that the bench makes, hung on the sentences of a film.
import type { QuestionKindName } from '@fernbrake/core/questions'
import {
  edits,
  emptyLesson,
  MOST_NEW_IDS,
  runEdit,
  type Edit,
  type EditMade,
  type Lesson,
  type NewThing,
  type OverlayForm,
  type PageBlock,
  type QuestionRules,
} from '@fernbrake/core/lesson'
import type { RichText } from '@fernbrake/core/fields'
import type { CaptionLine } from '@fernbrake/core/formats'

/** How whatever the Trust makes may be used. */
export const TRUST_LICENCE = 'Free for teaching within the Trust'

/** What is known of a film once it has been prepared. */
export interface DemoFilm {
  durationMs: number
  captions: readonly CaptionLine[]
}

/** A lesson, and the edits that made it, in their order. */
export interface Made {
  lesson: Lesson
  made: EditMade[]
}

export interface Making {
  edit: <A>(kind: Edit<A>, args: A) => void
  partId: string
  /** When a sentence of the film is spoken. */
  sentence: (id: string) => { fromMs: number; toMs: number }
  chapters: readonly { title: string; fromMs: number }[]
  made: () => Made
}

interface Moments {
  chapters: readonly { title: string; fromMs: number }[]
  spoken: readonly { id: string; fromMs: number; toMs: number }[]
}

/** An empty lesson with a film part, ready for edits. */
export function begin(title: string, partId: string, { chapters, spoken }: Moments): Making {
  let lesson = emptyLesson(title)
  const made: EditMade[] = []
  return {
    partId,
    chapters,
    edit(kind, args) {
      const outcome = runEdit(lesson, kind, args)
      if (!outcome.ok) throw new Error(`${kind.name}: ${JSON.stringify(outcome.issues)}`)
      lesson = outcome.lesson
      if (outcome.made.patches.length > 0) made.push(outcome.made)
    },
    sentence(id) {
      const found = spoken.find((one) => one.id === id)
      if (!found) throw new Error(`The film has no sentence ${id}`)
      return found
    },
    made: () => ({ lesson, made }),
  }
}

/** An empty lesson whose parts are no films. */
export const beginWithoutFilm = (title: string): Making =>
  begin(title, 'no-film', { chapters: [], spoken: [] })

/** Puts the film in, with its script and its chapters as bookmarks. */
export function addFilm(
  { edit, partId, chapters }: Making,
  { mediaId, title }: { mediaId: string; title: string },
  { durationMs, captions }: DemoFilm,
  scriptId = 'script-en',
): void {
  edit(edits.addFilmPart, { id: partId, title })
  edit(edits.attachFilm, { partId, mediaId, durationMs, frameRate: '25' })
  edit(edits.importScript, {
    id: scriptId,
    partId,
    language: 'en',
    lines: captions.map((line, index) => ({ id: `line-${index + 1}`, ...line })),
  })
  chapters.forEach(({ title, fromMs }, index) =>
    edit(edits.addBookmark, { cueId: `chapter-${index + 1}`, partId, atMs: fromMs, title }),
  )
}

export interface Placed {
  id: string
  from: string
  to: string
  content: OverlayForm
  text: string
  box: [x: number, y: number, width: number, height: number]
  degrees?: number
}

/** Lays an overlay on the film for as long as its sentences are spoken. */
export function place({ edit, partId, sentence }: Making, placed: Placed): void {
  const { id: cueId, text, content, degrees } = placed
  const [x, y, width, height] = placed.box
  const span = { fromMs: sentence(placed.from).fromMs, toMs: sentence(placed.to).toMs }
  edit(edits.addOverlay, { cueId, partId, ...span, text, content })
  edit(edits.setOverlayBox, { cueId, box: { x, y, width, height } })
  if (degrees) edit(edits.turnOverlay, { cueId, degrees })
}

export interface DemoQuestion {
  id: string
  /** The question comes after this sentence. */
  after: string
  evidence: [string, string]
  stem: string
  several?: boolean
  options: [text: string, right: boolean, feedback: string][]
  hint: string
  feedback: { right: string; partly?: string; wrong: string }
  explanation: string
  points: number
  hold: 'shown' | 'answered' | 'right'
  sendBack?: boolean
}

/** When its sentence and its picture have come to rest: the frame that is held answers nothing by itself. */
const afterSentence = ({ sentence }: Making, id: string) =>
  Math.ceil((sentence(id).toMs + 300) / 40) * 40

const stretchOf = ({ sentence }: Making, [first, last]: [string, string]) => ({
  fromMs: sentence(first).fromMs,
  toMs: sentence(last).toMs,
})

/** A question of any kind: its words, its rules, and the things it is made of, by the name of their map. */
export interface DemoWords {
  id: string
  kind: QuestionKindName
  evidence: [string, string] | null
  stem: string
  hint?: string
  explanation?: RichText
  feedback?: { right?: string; partly?: string; wrong?: string }
  rules?: QuestionRules
  entries?: Record<string, Record<string, unknown>[]>
}

/** One that is asked in the film. */
export interface DemoAsk extends DemoWords {
  after: string
  hold: 'none' | 'shown' | 'answered' | 'right'
}

const newIds = (questionId: string) =>
  Array.from({ length: MOST_NEW_IDS }, (_, index) => `${questionId}-new-${index}`)

/** Asks a question of any kind when its sentence has been said. */
export function ask(making: Making, asked: DemoAsk): void {
  const { edit, partId } = making
  const { id: questionId, kind, hold } = asked
  const cueId = `ask-${questionId}`
  const optionIds = newIds(questionId)
  const atMs = afterSentence(making, asked.after)
  edit(edits.addQuestion, { cueId, questionId, kind, optionIds, partId, atMs, evidence: null })
  write(making, asked)
  edit(edits.setHold, { cueId, hold })
}

/** Asks a question of any kind in a section of a quiz. */
export function askInQuiz(
  making: Making,
  { partId, sectionId }: { partId: string; sectionId: string },
  asked: DemoWords,
): void {
  const { id: questionId, kind } = asked
  const place = { partId, sectionId, itemId: `item-${questionId}`, questionId }
  making.edit(edits.askInQuiz, { ...place, kind, ids: newIds(questionId) })
  write(making, asked)
}

/** Puts blocks at the end of a page. */
export function addBlocks(
  { edit }: Pick<Making, 'edit'>,
  partId: string,
  things: NewThing<PageBlock>[],
): void {
  edit(edits.addThings, { partId, map: 'blocks', things })
}

/** Asks a question of any kind at the end of a page. */
export function askOnPage(
  making: Making,
  partId: string,
  asked: DemoWords,
  more: Pick<PageBlock, 'inside'> = {},
): void {
  const { id: questionId, kind } = asked
  making.edit(edits.addThings, {
    partId,
    map: 'blocks',
    things: [{ id: `block-${questionId}`, kind: 'question', questionId, ...more }],
    asks: { questionId, kind, ids: newIds(questionId) },
  })
  write(making, asked)
}

/** What is to be known of a medium of the demo, in words. */
export interface MediumWords {
  title: string
  alternative?: string
  description?: string
  credit: string
  licence: string
  sourceNote?: string
  tags: string[]
}

/** A picture of the demo: its medium and what is known of it. Its file lies in demo/pictures under the same name. */
export function picture<W extends MediumWords>(name: string, words: W) {
  return { id: `picture-${name}`, file: `${name}.webp`, words }
}

/** Writes a question that is asked already. */
function write(making: Making, asked: DemoWords): void {
  const { edit, partId } = making
  const { id: questionId, stem, hint, explanation, feedback = {}, rules } = asked
  if (asked.evidence) {
    const evidence = { partId, ...stretchOf(making, asked.evidence) }
    edit(edits.setEvidence, { questionId, evidence })
  }
  const texts = { stem, hint: hint ?? '', explanation: explanation ?? '' }
  for (const field of ['stem', 'hint', 'explanation'] as const)
    edit(edits.setQuestionText, { questionId, field, text: texts[field] })
  for (const outcome of ['right', 'partly', 'wrong'] as const)
    edit(edits.setFeedback, { questionId, outcome, text: feedback[outcome] ?? '' })
  for (const [map, things] of Object.entries(asked.entries ?? {}))
    edit(edits.replaceEntries, {
      questionId,
      path: [map],
      gone: newIds(questionId),
      alone: null,
      entries: things.map((thing, index) => ({
        ...thing,
        id: `${questionId}-${map}-${index + 1}`,
      })),
    })
  if (rules) edit(edits.setQuestionRules, { questionId, rules })
}

/** Asks a question when its sentence has been said. */
export function addQuestion(making: Making, question: DemoQuestion): void {
  const { edit, partId } = making
  const cueId = `ask-${question.id}`
  const questionId = question.id
  const optionIds = question.options.map((_, index) => `${question.id}-${index + 1}`)
  const evidence = stretchOf(making, question.evidence)
  const atMs = afterSentence(making, question.after)
  edit(edits.addQuestion, {
    cueId,
    questionId,
    optionIds: [optionIds[0]!, optionIds[1]!],
    partId,
    atMs,
    evidence,
  })
  for (const field of ['stem', 'hint', 'explanation'] as const)
    edit(edits.setQuestionText, { questionId, field, text: question[field] })
  for (const outcome of ['right', 'partly', 'wrong'] as const)
    edit(edits.setFeedback, { questionId, outcome, text: question.feedback[outcome] ?? '' })
  edit(edits.setSeveral, { questionId, several: question.several ?? false })
  question.options.forEach(([text, right, feedback], index) => {
    const optionId = optionIds[index]!
    if (index >= 2) edit(edits.addOption, { questionId, optionId })
    edit(edits.setOptionText, { questionId, optionId, field: 'text', text })
    edit(edits.setOptionText, { questionId, optionId, field: 'feedback', text: feedback })
    if (right || index === 0) edit(edits.setOptionRight, { questionId, optionId, right })
  })
  edit(edits.setQuestionRules, {
    questionId,
    rules: { points: question.points, tryPenalty: 0.25, tries: 3 },
  })
  edit(edits.setHold, { cueId, hold: question.hold, sendBack: question.sendBack ?? false })
}

interface AboutLesson {
  summary: string
  objectives: readonly string[]
  level: string
  tags: readonly string[]
  /** What lies under the title, and how much of the usual wash covers it. */
  cover: { mediaId: string; wash?: string; strength: number }
}

/** What a lesson of the Trust says about itself. */
export function tellAbout({ edit }: Pick<Making, 'edit'>, about: AboutLesson): void {
  edit(edits.setLessonText, { field: 'summary', text: about.summary })
  edit(edits.setLessonText, { field: 'objectives', text: about.objectives.join('\n') })
  edit(edits.setLessonText, { field: 'level', text: about.level })
  edit(edits.setLessonText, { field: 'licence', text: TRUST_LICENCE })
  edit(edits.setTags, { tags: [...about.tags] })
  edit(edits.setCover, { cover: { wash: '#163F2A', letters: 'paper', ...about.cover } })
}
