// The only door of core/words: the languages of the interface, and what all of it says in them.
export {
  LANGUAGE_TAGS,
  LANGUAGES,
  languageOf,
  type Language,
  type LanguageTag,
} from './languages.ts'
export { pluralRule } from './plurals.ts'
export { fillFacts, type Facts } from './fill.ts'
export { compileMessage, type Saying } from './messages.ts'
export { inMadeUp, madeUp } from './madeUp.ts'
export { problemWords, sayProblem, type ProblemWords } from './problems.ts'
