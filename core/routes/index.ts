// The only door of core/routes: on what conditions a way is open.
export { isMet, type RouteFacts } from './conditions.ts'
