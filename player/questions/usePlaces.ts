// Filling in what a text says of its learner; where nobody learns, as in the bench, texts stay as they are written.
import { inject } from 'vue'
import { fillPlaces } from '@fernbrake/core/text'
import { FACTS } from './answerView.ts'

/** Fills a text in; asked anew whenever what is known of the learner changes. */
export function usePlaces(): (text: string) => string {
  const facts = inject(FACTS, null)
  return (text) => (facts ? fillPlaces(text, facts.value) : text)
}
