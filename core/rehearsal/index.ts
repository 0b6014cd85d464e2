// The only door of core/rehearsal: simulated learners, seeded.
export { createRandom, type Random } from './random.ts'
export { drawPersona, simulateLearner, type Persona } from './learner.ts'
