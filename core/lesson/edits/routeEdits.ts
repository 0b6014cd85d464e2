// Edits of the ways between parts: routes, gates, and how freely learners move.
import { cleanText } from '../../fields/index.ts'
import { routesFrom } from '../parts/index.ts'
import type { Gate, Route } from '../routeSchema.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { cleanTarget } from './forkEdits.ts'
import { moveAmong, orderAfterAll } from './placing.ts'

/** A new way from the end of a part, after those that it has. */
export const addRoute: Edit<{ id: string; fromId: string; target: Route['target'] }> = {
  name: 'addRoute',
  change: (draft, { id, fromId, target }) => {
    const order = orderAfterAll(routesFrom(draft, fromId))
    const clean = cleanTarget(draft, fromId, target)
    const routes = (draft.routes ??= {})
    routes[id] = { id, order, fromId, target: clean, condition: null, words: '' }
  },
}

export const setRoute: Edit<{
  routeId: string
  change: Partial<Pick<Route, 'target' | 'condition' | 'words'>>
}> = {
  name: 'setRoute',
  change: (draft, { routeId, change }) => {
    const route = draft.routes?.[routeId]
    if (!route) return
    Object.assign(route, change)
    if (change.words !== undefined) route.words = cleanText(change.words)
    if (change.target) route.target = cleanTarget(draft, route.fromId, change.target)
  },
}

/** Moves a way before or after another that leaves the same part: the first whose condition holds is taken. */
export const moveRoute: Edit<{ routeId: string; by: 1 | -1 }> = {
  name: 'moveRoute',
  change: (draft, { routeId, by }) => {
    const route = draft.routes?.[routeId]
    if (route) moveAmong(routesFrom(draft, route.fromId), routeId, by)
  },
}

export const removeRoute: Edit<{ routeId: string }> = {
  name: 'removeRoute',
  change: (draft, { routeId }) => {
    delete draft.routes?.[routeId]
  },
}

/** Puts a gate before a part, or (null) takes it away. */
export const setGate: Edit<{ partId: string; gate: Gate | null }> = {
  name: 'setGate',
  change: (draft, { partId, gate }) => {
    const part = draft.parts[partId]
    if (!part) return
    if (gate) part.gate = { ...gate, message: cleanText(gate.message) }
    else delete part.gate
  },
}

export const setTravelling: Edit<Pick<Lesson, 'navigation' | 'numbering'>> = {
  name: 'setTravelling',
  change: (draft, change) => {
    Object.assign(draft, change)
  },
}
