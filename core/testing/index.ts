// The only door of core/testing: small lessons for tests of every workspace. Nothing that ships uses it.
export * from './lessons.ts'
