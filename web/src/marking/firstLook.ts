/** What of a pile is looked at first: with names, and what no machine could mark. */
export const FIRST_LOOK = { names: 'shown', which: 'byPerson' } as const
