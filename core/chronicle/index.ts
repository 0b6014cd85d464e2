// The only door of core/chronicle: dates from BCE years to days, and how they are drawn along time.
export * from './dateSchema.ts'
export * from './dates.ts'
export * from './scale.ts'
