// The only door of core/fields.
export * from './schemas.ts'
export { assertNever } from './never.ts'
