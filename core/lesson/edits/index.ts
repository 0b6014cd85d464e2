// All named edits of a lesson. The names are keys of the language files (“Undo: …”).
export * from './lessonEdits.ts'
export * from './restoreEdits.ts'
export * from './scriptEdits.ts'
export * from './cueEdits.ts'
export * from './overlayEdits.ts'
export * from './forkEdits.ts'
export * from './severalEdits.ts'
export * from './questionEdits.ts'
