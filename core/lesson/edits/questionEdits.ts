// Edits of a question: its texts, its options, its rules, its evidence.
import { cleanText, type Stretch } from '../../fields/index.ts'
import type { ChoiceQuestion } from '../../questions/index.ts'
import type { Edit } from '../runEdit.ts'
import { orderAfterAll } from './placing.ts'

type TextField = 'stem' | 'hint' | 'explanation'

export const setQuestionText: Edit<{ questionId: string; field: TextField; text: string }> = {
  name: 'setQuestionText',
  change: (draft, { questionId, field, text }) => {
    const question = draft.questions[questionId]
    if (question) question[field] = cleanText(text)
  },
}

export const setFeedback: Edit<{
  questionId: string
  outcome: 'right' | 'partly' | 'wrong'
  text: string
}> = {
  name: 'setFeedback',
  change: (draft, { questionId, outcome, text }) => {
    const question = draft.questions[questionId]
    if (question) question.feedback[outcome] = cleanText(text)
  },
}

type Rules = Partial<Pick<ChoiceQuestion, 'points' | 'credit' | 'tries' | 'tryPenalty' | 'keep'>>

export const setQuestionRules: Edit<{ questionId: string; rules: Rules }> = {
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
    if (!question) return
    question.several = several
    if (several) return
    const rights = Object.values(question.options)
      .filter((option) => option.right)
      .sort((a, b) => (a.order < b.order ? -1 : 1))
    for (const option of rights.slice(1)) option.right = false
  },
}

export const setEvidence: Edit<{ questionId: string; evidence: Stretch | null }> = {
  name: 'setEvidence',
  change: (draft, { questionId, evidence }) => {
    const question = draft.questions[questionId]
    if (question) question.evidence = evidence
  },
}

export const addOption: Edit<{ questionId: string; optionId: string; text?: string }> = {
  name: 'addOption',
  change: (draft, { questionId, optionId, text }) => {
    const question = draft.questions[questionId]
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
  text: string
}> = {
  name: 'setOptionText',
  change: (draft, { questionId, optionId, field, text }) => {
    const option = draft.questions[questionId]?.options[optionId]
    if (option) option[field] = cleanText(text)
  },
}

/** Marks an option right or not; where one may be picked, the others become wrong. */
export const setOptionRight: Edit<{ questionId: string; optionId: string; right: boolean }> = {
  name: 'setOptionRight',
  change: (draft, { questionId, optionId, right }) => {
    const question = draft.questions[questionId]
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
    delete draft.questions[questionId]?.options[optionId]
  },
}
