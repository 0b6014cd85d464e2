// The only door of core/classes: rosters, names, join codes, pass phrases, assignments and their rules.
export * from './names.ts'
export * from './roster.ts'
export * from './rosterFile.ts'
export * from './joinCode.ts'
export * from './passPhrase.ts'
export * from './assignments.ts'
export * from './standing.ts'
export * from './telling.ts'
