// What faults are called and say, in each language of the interface.
import en from './en/problems.ts'
import { fillFacts, type Facts } from './fill.ts'
import { languageOf, type LanguageTag } from './languages.ts'
import { inMadeUp } from './madeUp.ts'

export type ProblemWords = typeof en

/** The types refuse a language without them. */
const WORDS: Record<LanguageTag, () => ProblemWords> = { en: () => en, qaa: () => inMadeUp(en) }

/** The sentences about faults in a language. */
export const problemWords = (language: string): ProblemWords => WORDS[languageOf(language)]()

/** What a fault says to somebody: why, where that is known more closely than by its type. */
export function sayProblem(
  language: string,
  {
    type,
    reason,
    facts = {},
  }: { type: string; reason?: string | undefined; facts?: Facts | undefined },
): { title: string; detail: string } | null {
  const { problems, reasons, refusals } = problemWords(language)
  if (!Object.hasOwn(problems, type)) return null
  const { title, detail } = problems[type as keyof typeof problems]
  const why: Readonly<Record<string, string>> = { ...refusals, ...reasons }
  const sentence = reason !== undefined && Object.hasOwn(why, reason) ? why[reason]! : detail
  return { title, detail: fillFacts(sentence, facts, language) }
}
