// What a learner is told at an end: whether all is kept, and whether they are done here.

/** The sentence; nobody is told that they may close the page where the lesson goes on. */
export function keptWord({ allSent, goesOn }: { allSent: boolean; goesOn: boolean }) {
  if (!allSent) return 'player.notAllKept'
  return goesOn ? 'player.allKeptSoFar' : 'player.allKept'
}
