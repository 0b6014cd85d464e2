// How many records travel at once. Apart from the schemas, so that the player can use it without their library.

/** The most that the server takes in one batch. */
export const MOST_RECORDS = 500

/** As many as the player sends in one batch; fewer than the server takes, so that a bad connection gets through. */
export const RECORDS_AT_ONCE = 200

/**
 * Where files are put in, by the tus protocol 1.0.0. Media by designers: `kind`, `filename`. What learners hand in with
 * an answer: `kind` is `answer`, with `attemptId`, `questionId`, `fileId` (made by the sender) and `filename`; it is
 * refused with `file-refused` where its content is not of a sort that the question takes.
 */
export const UPLOADS_PATH = '/api/uploads'

/** So many entries of a draft's log are told at once; whoever is further behind asks again. */
export const MOST_LOGGED = 500
