// Language tags (BCP 47): which are some, how they are written, and what the languages are called.

/** RFC 5646, 2.1: `langtag` and `privateuse`. Languages of more than three letters are reserved there, and none is taken. */
const WELL_FORMED = new RegExp(
  [
    '^(?:[a-z]{2,3}(?:-[a-z]{3}){0,3}(?:-[a-z]{4})?(?:-(?:[a-z]{2}|[0-9]{3}))?',
    '(?:-(?:[a-z0-9]{5,8}|[0-9][a-z0-9]{3}))*(?:-[a-wyz0-9](?:-[a-z0-9]{2,8})+)*',
    '(?:-x(?:-[a-z0-9]{1,8})+)?|x(?:-[a-z0-9]{1,8})+)$',
  ].join(''),
  'i',
)
/** RFC 5646, 2.1: the irregular ones of `grandfathered`. */
const IRREGULAR =
  /^(?:en-GB-oed|i-(?:ami|bnn|default|enochian|hak|klingon|lux|mingo|navajo|pwn|tao|tay|tsu)|sgn-(?:BE-FR|BE-NL|CH-DE))$/i

/** RFC 5646, 2.1.1: regions in capitals, scripts with one, all else and whatever follows a single letter small. */
function inUsualCase(tag: string): string {
  const pieces = tag.toLowerCase().split('-')
  const single = pieces.findIndex((piece) => piece.length === 1)
  return pieces
    .map((piece, at) => {
      if (at === 0 || (single >= 0 && at > single)) return piece
      if (piece.length === 2) return piece.toUpperCase()
      return /^[a-z]{4}$/.test(piece) ? piece[0]!.toUpperCase() + piece.slice(1) : piece
    })
    .join('-')
}

/** The tag that somebody means, as it is written; null where it is none. */
export function languageMeant(typed: string): string | null {
  const tag = typed.trim().replaceAll('_', '-')
  if (!WELL_FORMED.test(tag) && !IRREGULAR.test(tag)) return null
  try {
    return Intl.getCanonicalLocales(tag)[0] ?? null
  } catch {
    // Well formed, but of a form that locales do not have.
    return inUsualCase(tag)
  }
}

/** What the language is called in the language `reader`; its tag where it has no name there. */
export function languageName(tag: string, reader: string): string {
  try {
    return new Intl.DisplayNames([reader], { type: 'language' }).of(tag) ?? tag
  } catch {
    return tag
  }
}
