// The only door of core/analysis.
export * from './results.ts'
export * from './tally.ts'
