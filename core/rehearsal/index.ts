// The only door of core/rehearsal.
export { createRandom, type Random } from './random.ts'
export { chanceOfLeaving, drawPersona, type Persona } from './persona.ts'
export { chanceOfRight, guessing } from './answering.ts'
export { simulateLearner, simulateLesson } from './learner.ts'
