// Why a record can never be accepted. The sentences stand in the language files.
export const REFUSALS = [
  'unknownPart',
  'unknownQuestion',
  'unknownChoice',
  'unknownThing',
  'beyondEnd',
  'noTriesLeft',
  'missingFile',
  'tooLate',
  'wrongAnswerKind',
  'tooManyNotes',
  'closed',
  'toldAlready',
  'talkOff',
  'unknownPost',
  'notForYou',
  'wrongNumber',
  'tooManyPosts',
] as const

export type Refusal = (typeof REFUSALS)[number]

/** What became of each record of a batch: null where it is accepted. */
export type Outcomes = [id: string, refusal: Refusal | null][]
