// The only door of core/colour: contrast, mixing, and washes over pictures.
export * from './colour.ts'
export * from './wash.ts'
