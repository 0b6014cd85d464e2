// The only door of core/media.
export * from './frames.ts'
export * from './timecode.ts'
export * from './uploads.ts'
export * from './peaks.ts'
export * from './pauses.ts'
export * from './shots.ts'
export * from './filmstrip.ts'
export * from './calmSpot.ts'
