// The only door of core/routes: on what conditions a way is open, which parts are left, and what the ways come to.
export {
  isShut,
  isWayUnknown,
  nextPart,
  partsLeft,
  partsOpen,
  partsShown,
  routesOpen,
  type Known,
  type Travelled,
} from './partsLeft.ts'
export { judgedFor, NOTHING_JUDGED, openAt, type Judged } from './judged.ts'
export { knownOf, type Progress } from './known.ts'
export { isHidden, isMet, type Hidden, type RouteFacts } from './conditions.ts'
export { END, followingPart, graphOf, ledTo, type Graph, type Way, type WayKind } from './graph.ts'
export { surveyRoutes, type RouteFinding, type Survey } from './survey.ts'
export type { Extreme, Measured } from './measure.ts'
