// What must be mended in a question before a learner may meet it.
import type { Issue } from '../fields/index.ts'
import { optionsInOrder } from './choice/mark.ts'
import type { ChoiceQuestion } from './choice/schema.ts'

/** The reasons why this question cannot be asked yet; empty when it can. Paths are relative to the question. */
export function findWhatCannotBeAsked(question: ChoiceQuestion): Issue[] {
  const issues: Issue[] = []
  const options = optionsInOrder(question)
  const rights = options.filter((option) => option.right).length
  const add = (path: string, code: string, message: string) =>
    issues.push({ path: [path], code, message })
  if (question.stem.trim() === '') add('stem', 'question.noStem', 'The question has no text.')
  if (options.length < 2)
    add('options', 'question.fewOptions', 'A choice needs at least two options.')
  if (options.some((option) => option.text.trim() === ''))
    add('options', 'question.emptyOption', 'An option has no text.')
  if (hasRepeats(options.map((option) => option.text.trim().toLowerCase())))
    add('options', 'question.sameOptions', 'Two options have the same text.')
  if (rights === 0) add('options', 'question.noRight', 'No option is marked as right.')
  if (!question.several && rights > 1)
    add('options', 'question.manyRight', 'Several options are right, but only one may be picked.')
  return issues
}

function hasRepeats(texts: string[]): boolean {
  const written = texts.filter((text) => text !== '')
  return new Set(written).size < written.length
}
