// The only door of core/lesson: the lesson document, its edits, and how editors come to one document.
export * from './schema.ts'
export * from './aboutSchema.ts'
export * from './about.ts'
export * from './theme.ts'
export * from './parts/index.ts'
export * from './overlaySchema.ts'
export * from './forkSchema.ts'
export * from './routeSchema.ts'
export * from './overlay.ts'
export * from './order.ts'
export { asEdition, questionIn, wordsAsked } from './edition.ts'
export { withoutHidden } from './hidden.ts'
export { upgradeLesson } from './upgrade.ts'
export { bandsInOrder, endMessage, shareForNew, withoutNotes } from './learner.ts'
export { cutLesson, type Cut, type Telling } from './cut.ts'
export { CHANGES, differsInNotesOnly, whatChanged, type Change } from './changes.ts'
export { linksOf, type Link, type LinkPlace } from './links.ts'
export {
  findableOf,
  foldedOf,
  placesHolding,
  type Findable,
  type FindableFor,
  type SaidAt,
} from './finding.ts'
export { checkLesson } from './check.ts'
export { wordsTyped } from './wordsTyped.ts'
export type { Checked } from '../drafts/index.ts'
export { findWhatBlocksPublishing, type BlockingCode } from './publishable.ts'
export { runEdit, type Edit, type EditOutcome } from './runEdit.ts'
export {
  applyPatches,
  patchSchema,
  type LoggedEdit,
  type Patch,
  type PendingEdit,
  type EditMade,
} from '../drafts/index.ts'
export { usualContent } from './edits/usualOverlay.ts'
export { usualWayBackMs } from './edits/forkEdits.ts'
export * as edits from './edits/index.ts'
export type {
  ChangeOf,
  EndingChange,
  NewQuestion,
  NewThing,
  PartOfThings,
  QuestionRules,
  QuizRules,
  ThingMap,
  ThingOf,
} from './edits/index.ts'
export {
  boundedShift,
  idsOfPart,
  idsOfThing,
  boxOnStage,
  MOST_NEW_IDS,
  movedBox,
  resizedBox,
} from './edits/index.ts'
export * from './arrange.ts'
export { beyondEndOf, type BeyondEnd } from './replacing.ts'
export { mediaIdsOf, pageKey, stagedAddresses, stagedMediaIdsOf } from './references.ts'
export { clipOf, clipSchema, readClip, type Clip } from './clip.ts'
