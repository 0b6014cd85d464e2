// The only door of core/marking: what a person decides about an answer, and in which order they come to it.
export * from './given.ts'
export * from './pile.ts'
