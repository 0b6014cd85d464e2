// Places in texts that are filled in for each learner: {first name}, {class}, {score}. Anything else in braces stays.

/** What is known of a learner; '' where there is nothing to say. */
export interface PlaceholderFacts {
  firstName: string
  /** The name of the class; '' for whoever learns by a link. */
  className: string
  /** The score so far, as it is to be read. */
  score: string
}

export const PLACEHOLDERS = ['first name', 'class', 'score'] as const
type Placeholder = (typeof PLACEHOLDERS)[number]

const PLACE = new RegExp(`\\{(${PLACEHOLDERS.join('|')})\\}`, 'g')

/** The first of a person's names: what stands before the first space. */
export const firstNameOf = (name: string) => name.trim().split(/\s+/u)[0] ?? ''

/** A text with its places filled in. */
export function fillPlaces(text: string, facts: PlaceholderFacts): string {
  if (!text.includes('{')) return text
  const values: Record<Placeholder, string> = {
    'first name': facts.firstName,
    class: facts.className,
    score: facts.score,
  }
  return text.replace(PLACE, (_place, name: Placeholder) => values[name])
}
