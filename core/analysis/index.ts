// The only door of core/analysis.
export * from './results.ts'
