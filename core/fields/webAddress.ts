// Addresses inside what others wrote, made whole.

/** Browsers and Node have it alike, though it belongs to neither's own modules. */
declare const URL: new (
  words: string,
  base: string,
) => Record<'href' | 'protocol' | 'username' | 'password', string>

/** The whole address that words in a document at `base` stand for; null where it is none of the web, or holds a password. */
export function webAddress(words: string, base: string): string | null {
  try {
    const { href, protocol, username, password } = new URL(words, base)
    return /^https?:$/.test(protocol) && username + password === '' ? href : null
  } catch {
    return null
  }
}
