// How many records travel at once. Apart from the schemas, so that the player can use it without their library.

/** The most that the server takes in one batch. */
export const MOST_RECORDS = 500

/** As many as the player sends in one batch; fewer than the server takes, so that a bad connection gets through. */
export const RECORDS_AT_ONCE = 200
