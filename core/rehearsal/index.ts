// The only door of core/rehearsal.
export { chanceOfLeaving, drawPersona, type Persona } from './persona.ts'
export { chanceOfRight } from './answering.ts'
export { simulateLearner, simulateLesson } from './learner.ts'
