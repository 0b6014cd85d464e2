// Sentences with places for facts, such as `{most}`.

/** What a sentence needs: figures, names, and lists of them. */
export type Facts = Record<string, string | number | string[]>

/** Fills the places of a sentence, with figures and lists in the way of a language. */
export function fillFacts(sentence: string, facts: Facts, language: string): string {
  return sentence.replace(/\{(\w+)\}/g, (place, name: string) => {
    const fact = facts[name]
    if (fact === undefined) return place
    if (typeof fact === 'number') return new Intl.NumberFormat(language).format(fact)
    return typeof fact === 'string' ? fact : new Intl.ListFormat(language).format(fact)
  })
}
