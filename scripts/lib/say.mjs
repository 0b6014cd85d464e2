// What the commands tell people, and how they stop.
export const say = (sentence) => console.log(sentence)

/** Ends the command with a plain sentence. */
export function giveUp(sentence) {
  console.error(sentence)
  process.exit(1)
}
