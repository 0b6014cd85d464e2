// The only door of core/fields.
export * from './schemas.ts'
export * from './address.ts'
export { webAddress } from './webAddress.ts'
export * from './rich.ts'
export * from './richText.ts'
export { cleanText, cleanTexts, cutText } from './clean.ts'
export { inOrder } from './order.ts'
export { assertNever } from './never.ts'
