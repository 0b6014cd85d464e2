// The only door of core/proof.
export * from './framing.ts'
