// Which of a sentence's forms a figure takes.

/** Plural categories in the order in which the forms of a sentence are written (Unicode CLDR). */
const ORDER = ['zero', 'one', 'two', 'few', 'many', 'other'] as const

/**
 * Which form of a sentence a figure takes, counted from 0. A sentence has one form for each plural category of its language,
 * in the order zero, one, two, few, many, other, and may have one before them all for nothing at all.
 */
export function pluralRule(language: string): (figure: number, forms: number) => number {
  const rules = new Intl.PluralRules(language)
  const { pluralCategories } = rules.resolvedOptions()
  const own = ORDER.filter((category) => pluralCategories.includes(category))
  return (figure, forms) => {
    const extra = forms > own.length ? 1 : 0
    if (extra === 1 && figure === 0) return 0
    return Math.min(forms - 1, own.indexOf(rules.select(figure)) + extra)
  }
}
