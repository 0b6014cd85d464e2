// The only door of core/questions: one folder a kind, and the functions that serve every kind.
export { answerSchema, questionSchema, type Answer, type Question } from './schema.ts'
export { markQuestion, readableAnswer } from './kinds.ts'
export { optionsInOrder } from './choice/mark.ts'
export { choiceSchema, choiceOptionSchema } from './choice/schema.ts'
export type { ChoiceQuestion, ChoiceOption, ChoiceAnswer } from './choice/schema.ts'
export { pointsAfterTries, pointsKept, verdictOf } from './mark.ts'
export type { Mark, PartMark, Verdict } from './mark.ts'
export { findWhatCannotBeAsked } from './publishable.ts'
