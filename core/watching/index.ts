// The only door of core/watching.
export * from './spans.ts'
export * from './clock.ts'
export * from './recorder.ts'
export * from './returned.ts'
export * from './watchMap.ts'
