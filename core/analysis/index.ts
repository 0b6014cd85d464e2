// The only door of core/analysis.
export * from './results.ts'
export * from './itemState.ts'
export * from './quizSummary.ts'
export * from './tally.ts'
export * from './questionAnalysis.ts'
export * from './sittings.ts'
export * from './markBook.ts'
