// Edits of a question: its texts, its rules, its evidence, and the things it is made of.
import { cleanRich, cleanText, inOrder, type RichText, type Stretch } from '../../fields/index.ts'
import {
  blankQuestion,
  carriedOver,
  isGraded,
  type Question,
  type QuestionKindName,
} from '../../questions/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { idsFrom } from './cueEdits.ts'
import { moveAmong, orderAfterAll } from './placing.ts'

type TextField = 'stem' | 'hint' | 'explanation'

export const setQuestionText: Edit<{ questionId: string; field: TextField; text: RichText }> = {
  name: 'setQuestionText',
  change: (draft, { questionId, field, text }) => {
    const question = draft.questions[questionId]
    if (question) question[field] = cleanRich(text)
  },
}

export const setFeedback: Edit<{
  questionId: string
  outcome: 'right' | 'partly' | 'wrong'
  text: RichText
}> = {
  name: 'setFeedback',
  change: (draft, { questionId, outcome, text }) => {
    const question = draft.questions[questionId]
    if (question) question.feedback[outcome] = cleanRich(text)
  },
}

type Settings<Q> = Q extends Question ? Partial<Omit<Q, 'id' | 'kind'>> : never
/** Whatever a question of some kind says of itself besides the maps of things it is made of. */
export type QuestionRules = Settings<Question>

export const setQuestionRules: Edit<{ questionId: string; rules: QuestionRules }> = {
  name: 'setQuestionRules',
  change: (draft, { questionId, rules }) => {
    const question = draft.questions[questionId]
    if (question) Object.assign(question, rules)
  },
}

/** One right option or several; on the way to one, the first right option stays. */
export const setSeveral: Edit<{ questionId: string; several: boolean }> = {
  name: 'setSeveral',
  change: (draft, { questionId, several }) => {
    const question = draft.questions[questionId]
    if (!question || !('several' in question)) return
    question.several = several
    if (several || !('credit' in question)) return
    const rights = inOrder(Object.values(question.options)).filter(({ right }) => right)
    for (const option of rights.slice(1)) option.right = false
  },
}

export const setEvidence: Edit<{ questionId: string; evidence: Stretch | null }> = {
  name: 'setEvidence',
  alone: true,
  change: (draft, { questionId, evidence }) => {
    const question = draft.questions[questionId]
    if (question) question.evidence = evidence
  },
}

/** Makes another kind of question of it; its words, its evidence and what both kinds have stay. */
export const changeQuestionKind: Edit<{
  questionId: string
  kind: QuestionKindName
  ids: readonly string[]
}> = {
  name: 'changeQuestionKind',
  change: (draft, { questionId, kind, ids }) => {
    const old = draft.questions[questionId]
    if (!old || old.kind === kind) return
    draft.questions[questionId] = carriedOver(old, (base) =>
      blankQuestion(kind, base, idsFrom(ids)),
    )
    const question = draft.questions[questionId]
    const cue = Object.values(draft.cues).find(
      (one) => one.kind === 'question' && one.questionId === questionId,
    )
    if (cue?.kind === 'question' && !isGraded(question)) cue.sendBack = false
  },
}

/** Notes under which id a question is kept on the question shelf. */
export const noteShelf: Edit<{ questionId: string; shelfId: string }> = {
  name: 'noteShelf',
  change: (draft, { questionId, shelfId }) => {
    const question = draft.questions[questionId]
    if (question) question.shelfId = shelfId
  },
}

const choiceIn = (draft: Lesson, questionId: string) => {
  const question = draft.questions[questionId]
  return question?.kind === 'choice' ? question : null
}

export const addOption: Edit<{ questionId: string; optionId: string; text?: string }> = {
  name: 'addOption',
  change: (draft, { questionId, optionId, text }) => {
    const question = choiceIn(draft, questionId)
    if (!question) return
    question.options[optionId] = {
      id: optionId,
      order: orderAfterAll(Object.values(question.options)),
      text: cleanText(text ?? ''),
      right: false,
      feedback: '',
    }
  },
}

export const setOptionText: Edit<{
  questionId: string
  optionId: string
  field: 'text' | 'feedback'
  text: RichText
}> = {
  name: 'setOptionText',
  change: (draft, { questionId, optionId, field, text }) => {
    const option = choiceIn(draft, questionId)?.options[optionId]
    if (option) option[field] = cleanRich(text)
  },
}

/** Marks an option right or not; where one may be picked, the others become wrong. */
export const setOptionRight: Edit<{ questionId: string; optionId: string; right: boolean }> = {
  name: 'setOptionRight',
  change: (draft, { questionId, optionId, right }) => {
    const question = choiceIn(draft, questionId)
    const option = question?.options[optionId]
    if (!question || !option) return
    if (right && !question.several)
      for (const other of Object.values(question.options)) other.right = false
    option.right = right
  },
}

export const removeOption: Edit<{ questionId: string; optionId: string }> = {
  name: 'removeOption',
  change: (draft, { questionId, optionId }) => {
    delete choiceIn(draft, questionId)?.options[optionId]
  },
}

/** One of the things that a question is made of: an option, a pair, a place, a set, a statement of a set. */
export interface QuestionEntry {
  id: string
  order: string
}
/** Where the things stand: the map's name, or for the statements of a recap `sets`, the set's id, `statements`. */
export type EntryPath = readonly string[]

function entriesIn(
  draft: Lesson,
  questionId: string,
  path: EntryPath,
): Record<string, QuestionEntry> | null {
  let place: unknown = draft.questions[questionId]
  for (const step of path) {
    if (typeof place !== 'object' || place === null || !Object.hasOwn(place, step)) return null
    place = (place as Record<string, unknown>)[step]
  }
  return typeof place === 'object' && place !== null
    ? (place as Record<string, QuestionEntry>)
    : null
}

/** Adds things at the end, in the order in which they are given. */
export const addEntries: Edit<{
  questionId: string
  path: EntryPath
  entries: readonly { id: string; [field: string]: unknown }[]
}> = {
  name: 'addEntries',
  change: (draft, { questionId, path, entries }) => {
    const map = entriesIn(draft, questionId, path)
    if (!map) return
    for (const entry of entries)
      map[entry.id] = { ...entry, order: orderAfterAll(Object.values(map)) }
  },
}

/** Takes some things away and adds others at the end; with `alone`, what stays loses that mark, so that a new one has it. */
export const replaceEntries: Edit<{
  questionId: string
  path: EntryPath
  gone: readonly string[]
  entries: readonly { id: string; [field: string]: unknown }[]
  alone: string | null
}> = {
  name: 'replaceEntries',
  change: (draft, { questionId, path, gone, entries, alone }) => {
    const map = entriesIn(draft, questionId, path)
    if (!map) return
    for (const id of gone) if (Object.hasOwn(map, id)) delete map[id]
    if (alone !== null)
      for (const other of Object.values(map))
        (other as unknown as Record<string, unknown>)[alone] = false
    for (const entry of entries)
      map[entry.id] = { ...entry, order: orderAfterAll(Object.values(map)) }
  },
}

/** Changes what a thing says of itself; of those where only `alone` holds for one, it is taken from the others. */
export const setEntry: Edit<{
  questionId: string
  path: EntryPath
  entryId: string
  change: Readonly<Record<string, unknown>>
  alone?: string
}> = {
  name: 'setEntry',
  change: (draft, { questionId, path, entryId, change, alone }) => {
    const map = entriesIn(draft, questionId, path)
    if (!map || !Object.hasOwn(map, entryId)) return
    if (alone !== undefined)
      for (const other of Object.values(map))
        (other as unknown as Record<string, unknown>)[alone] = false
    const clean = Object.entries(change).map(([key, value]) => [key, cleanRich(value as RichText)])
    Object.assign(map[entryId]!, Object.fromEntries(clean))
  },
}

export const removeEntry: Edit<{ questionId: string; path: EntryPath; entryId: string }> = {
  name: 'removeEntry',
  change: (draft, { questionId, path, entryId }) => {
    const map = entriesIn(draft, questionId, path)
    if (map && Object.hasOwn(map, entryId)) delete map[entryId]
  },
}

/** Moves a thing up or down among its like. */
export const moveEntry: Edit<{ questionId: string; path: EntryPath; entryId: string; by: 1 | -1 }> =
  {
    name: 'moveEntry',
    change: (draft, { questionId, path, entryId, by }) => {
      const map = entriesIn(draft, questionId, path)
      if (map) moveAmong(Object.values(map), entryId, by)
    },
  }
