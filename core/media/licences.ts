// What a licence lets others do, as far as its address or its words say so.

/**
 * `free`: without any condition; `named`: for everything, as long as the maker is named (and perhaps on the same terms);
 * `limited`: with further conditions, such as not for money or not changed; `other`: on terms that are not known here;
 * `none`: nothing is said.
 */
export const USE_TERMS = ['free', 'named', 'limited', 'other', 'none'] as const
export type UseTerms = (typeof USE_TERMS)[number]

/** What somebody asks for who looks for material; each holds those before it. */
export const TERMS_WANTED = ['free', 'named', 'any'] as const
export type TermsWanted = (typeof TERMS_WANTED)[number]

/** The addresses of licences that everybody knows are of one form: …/licenses/by-nc-sa/4.0/. */
const KNOWN_ADDRESS = /creativecommons\.org\/(publicdomain|licenses)\/([a-z-]+)/i
const CONDITIONS = /\b(nc|nd|non-?commercial|no-?deriv\w*)\b/i

/** Reads a licence from its words, and the address at which it can be read, if there is one. */
export function termsOf(words: string, address = ''): UseTerms {
  const [, folder, name] = KNOWN_ADDRESS.exec(address) ?? []
  if (folder) return /^publicdomain$/i.test(folder) ? 'free' : byConditions(name!)
  const said = words.trim()
  if (said === '') return address === '' ? 'none' : 'other'
  if (/\bcc0\b|\bpublic domain\b|\bcc zero\b/i.test(said)) return 'free'
  const short = /\b(?:cc|creative commons)[\s-]+(?:licen[cs]e\s+)?(by\b[\w-]*)/i.exec(said)
  if (short) return CONDITIONS.test(said) ? 'limited' : 'named'
  return 'other'
}

const byConditions = (name: string): UseTerms => (CONDITIONS.test(name) ? 'limited' : 'named')

/** Whether what may be used on these terms is what somebody asked for. */
export function meets(terms: UseTerms, wanted: TermsWanted): boolean {
  if (wanted === 'any') return true
  return terms === 'free' || (wanted === 'named' && terms === 'named')
}
