// Which passwords are refused.
import { phraseKey } from '@fernbrake/core/classes'
import { HttpError } from './HttpError.ts'

/** What everybody tries first. */
const COMMON =
  /^(.)\1*$|^(0?1234567890?|12345678[9]?|abcdefgh\w*|qwert[yz]ui\w*|asdfgh\w*|passwor[dt]\w{0,4}|letmein\w*|welcome\w{0,4}|iloveyou\w*|fernbrake\w{0,4})$/i

/** Refuses a password that is easily guessed, or is one of these names. */
export function checkPassword(password: string, names: readonly (string | null)[]): void {
  const plain = phraseKey(password)
  const isName = names.some((name) => name !== null && plain !== '' && phraseKey(name) === plain)
  if (isName || COMMON.test(password)) throw new HttpError('weak-password')
}
