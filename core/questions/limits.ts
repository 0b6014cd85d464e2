// The lengths of answers, apart from the schemas, so that the learner's page can heed them without their library.

/** The longest short answer, in characters. */
export const LONGEST_SHORT_TEXT = 200
/** The longest number with its unit, in characters. */
export const LONGEST_NUMBER = 100
/** The longest word that goes into a gap, in characters. */
export const LONGEST_FILLING = 100
/** The longest long answer, in characters. */
export const LONGEST_TEXT = 10_000
/** The most files that one question asks for, and the largest each may be, in millions of bytes. */
export const MOST_FILES = 10
export const MOST_MEGABYTES = 200
/** The longest recording that a question asks for, in seconds. */
export const LONGEST_RECORDING_S = 600

/** Words beside the listed answers that are no slips, at the most. */
export const MOST_OTHERS = 200
