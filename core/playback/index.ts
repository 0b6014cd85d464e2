// The only door of core/playback.
export { advance, CLOCK_JITTER_MS, isReleasable, seekRange } from './advance.ts'
export { placeToGoOn, type KeptPlace } from './resume.ts'
export {
  bookmarkAt,
  buildSchedule,
  isRequired,
  nextHoldMs,
  overlaysAt,
  type Bookmark,
  type Moment,
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
