// By what a question is mixed.

/** What the mixing of a question follows from, for one learner. */
export const mixOf = (question: { id: string; mix?: string | undefined }, seed: string): string =>
  question.mix ?? `${seed} ${question.id}`
