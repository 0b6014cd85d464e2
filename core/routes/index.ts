// The only door of core/routes: on what conditions a way is open, and which parts are left.
export { nextPart, partsLeft, type Travelled } from './partsLeft.ts'
export { isMet, type RouteFacts } from './conditions.ts'
