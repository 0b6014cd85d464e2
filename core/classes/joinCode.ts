// Codes by which learners join a class: short enough for a board, without letters that look like others.

const LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ'
export const JOIN_CODE_LENGTH = 8
/** Read in a random byte, from which no letter comes more often than another. */
const FAIR = 256 - (256 % LETTERS.length)

/** A new code, some 39 bits of chance; `random` gives so many random bytes. */
export function joinCodeOf(random: (count: number) => Uint8Array): string {
  let code = ''
  while (code.length < JOIN_CODE_LENGTH)
    for (const byte of random(JOIN_CODE_LENGTH * 2))
      if (byte < FAIR && code.length < JOIN_CODE_LENGTH) code += LETTERS[byte % LETTERS.length]
  return code
}

/** A typed code as it is kept: spaces, hyphens and case do not matter. Null for what can be none. */
export function readJoinCode(typed: string): string | null {
  const code = typed.replace(/[\s\-–.]/g, '').toUpperCase()
  return code.length === JOIN_CODE_LENGTH && [...code].every((letter) => LETTERS.includes(letter))
    ? code
    : null
}

/** A code as people read it: `ABCD-EFGH`. */
export const writeJoinCode = (code: string): string => `${code.slice(0, 4)}-${code.slice(4)}`
