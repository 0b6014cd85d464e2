// The only door of core/text.
export { linesOfPlainText, roughTimes } from './plainScript.ts'
export { excerptHolding, findInLines, foldWords, holdingWords, wordsAskedFor } from './search.ts'
export { fillPlaces, firstNameOf, PLACEHOLDERS, type PlaceholderFacts } from './placeholders.ts'
export { readLines, readSets, type PastedLine } from './lines.ts'
export { readFormulas, typeFormulas } from './typedFormulas.ts'
export { readTermList, type TermLine, type TermList } from './terms.ts'
export { pageReadingMs, readingMs } from './reading.ts'
