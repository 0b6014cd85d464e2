// The only door of core/playback.
export { advance, CLOCK_JITTER_MS } from './advance.ts'
export { isReleasable } from './answering.ts'
export { countdownOf, isOpenToAnswers, openCueId, seekRange, wasComeTo } from './asking.ts'
export { releasedOnceLedTo, timesUp } from './comingBack.ts'
export { judgeClaims, type Claims, type Finish } from './claims.ts'
export { hasFinished, unseenOf, type DoneInParts } from './finished.ts'
export { reachedIn } from './reached.ts'
export { momentToGoOn, placeToGoOn, type KeptPlace } from './resume.ts'
export {
  bookmarkAt,
  buildSchedule,
  holdsHere,
  isRequired,
  nextHoldMs,
  overlaysAt,
  passedBefore,
  type Bookmark,
  type ForkMoment,
  type Moment,
  type QuestionMoment,
  type Schedule,
} from './schedule.ts'
export {
  startPlayback,
  type Advanced,
  type AnswerResult,
  type PlaybackCommand,
  type PlaybackEvent,
  type PlaybackState,
  type Progress,
} from './state.ts'
export { isOutOfStep, placeInStep, type FilmPace, type StepPlace } from './inStep.ts'
