// The only door of core/talk: what a class and its teachers say to one another about a lesson they were given.
export * from './posts.ts'
export * from './threads.ts'
export * from './spread.ts'
export * from './activity.ts'
