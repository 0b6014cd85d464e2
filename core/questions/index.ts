// The only door of core/questions: one folder a kind, and the functions that serve every kind.
export { answerSchema, questionSchema } from './schema.ts'
export type { Answer, AnswerOf, Question, QuestionKindName, QuestionOf } from './schema.ts'
export { comparesWords, nearWords, withOthers, wordsListed, wordsOf } from './nearWords.ts'
export { forShelf } from './shelf.ts'
export { carriedOver } from './carry.ts'
export { blankBase, HELP_AFTER_TRIES, type BaseFields, type QuestionBase } from './base.ts'
export type { Chance, Countable, LeafShape } from './kind.ts'
export {
  chosenIn,
  filesAsked,
  filesOfAnswer,
  fitsQuestion,
  isByPerson,
  isFinal,
  isGraded,
  isMended,
  isSelfJudged,
  isSettledHere,
  isUnsaid,
  leafShape,
  markQuestion,
  mediaOfQuestion,
  partsOfQuestion,
  QUESTION_KINDS,
  readableAnswer,
  readsAsWord,
  textsOf,
} from './kinds.ts'
export {
  blankQuestion,
  canBePartly,
  countablesOf,
  countsWords,
  drawAnswer,
  findWhatCannotBeAsked,
  guessing,
  harderBy,
  holdsCut,
  modelAnswer,
  optionsOf,
  pointsAtFrame,
  showsTally,
  withoutNames,
} from './makings.ts'
export {
  isSettled,
  pointsAfterTries,
  pointsKept,
  verdictOf,
  type Mark,
  type PartMark,
  type Verdict,
} from './mark.ts'
export { answerAsFound, answerInIds, cutQuestion, markAsFound, toldQuestion } from './cut.ts'
export { mixOf } from './mix.ts'

export { optionsFor, optionsInOrder } from './choice/kind.ts'
export type { ChoiceAnswer, ChoiceOption, ChoiceQuestion } from './choice/schema.ts'
export type { TrueFalseAnswer, TrueFalseQuestion } from './trueFalse/schema.ts'
export { listedFor, listedInOrder } from './shortText/kind.ts'
export { readPattern, type PatternFault } from './shortText/pattern.ts'
export {
  LONGEST_FILLING,
  LONGEST_NUMBER,
  LONGEST_RECORDING_S,
  LONGEST_SHORT_TEXT,
  LONGEST_TEXT,
  MOST_FILES,
  MOST_MEGABYTES,
} from './limits.ts'
export type {
  ListedAnswer,
  ShortTextAnswer,
  ShortTextQuestion,
  WordRules,
} from './shortText/schema.ts'
export { alsoTaken } from './number/alsoTaken.ts'
export { readNumber, type Decimals } from './number/read.ts'
export { readUnit } from './number/readUnit.ts'
export type { NumberAnswer, NumberQuestion, Tolerance } from './number/schema.ts'
export { readPassage, type Gap, type PassageFault, type Segment } from './gaps/passage.ts'
export { listOfGap, wordBank } from './gaps/kind.ts'
export type { GapsAnswer, GapsQuestion } from './gaps/schema.ts'
export { itemsInOrder, itemsMixed } from './order/kind.ts'
export type { OrderAnswer, OrderItem, OrderQuestion } from './order/schema.ts'
export { pairsInOrder, rightsMixed, type MatchRight } from './match/kind.ts'
export type { MatchAnswer, MatchPair, MatchQuestion } from './match/schema.ts'
export { placeAt, placesInOrder, placesMixed, pointsAsked } from './area/kind.ts'
export { isWithin, middleOf, reshaped, shapeBox, withBox } from './area/geometry.ts'
export type { AreaAnswer, AreaPlace, AreaPoint, AreaQuestion, AreaShape } from './area/schema.ts'
export {
  LONGEST_RUBRIC,
  pointsOfLevels,
  rubricMax,
  rubricOf,
  unreadableLines,
  type Criterion,
} from './rubric.ts'
export { countWords } from './longText/kind.ts'
export type { LongTextAnswer, LongTextQuestion } from './longText/schema.ts'
export { BYTES_A_MEGABYTE, sortsTaken } from './upload/kind.ts'
export type { HandedFile, UploadAnswer, UploadQuestion } from './upload/schema.ts'
export { FILE_SORTS, isOfSort, offeredTypes, type FileSort } from './upload/sorts.ts'
export type { RecordingAnswer, RecordingQuestion } from './recording/schema.ts'
export type { PollAnswer, PollOption, PollQuestion, ResultsFor } from './poll/schema.ts'
export { labelOfStep, stepsOf } from './scale/kind.ts'
export type { ScaleAnswer, ScaleQuestion } from './scale/schema.ts'
export { cardsInOrder } from './terms/kind.ts'
export type { TermCard, TermsAnswer, TermsQuestion } from './terms/schema.ts'
export type { ChecklistAnswer, ChecklistQuestion } from './checklist/schema.ts'
export {
  foundAt,
  newRecapSet,
  recapStatements,
  setsInOrder,
  statementsMixed,
  summaryOf,
  trueStatement,
} from './recap/kind.ts'
export type { RecapAnswer, RecapQuestion, RecapSet, RecapStatement } from './recap/schema.ts'
export { plainFileName } from './upload/kind.ts'
