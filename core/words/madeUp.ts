// A made-up language in which every screen can be looked at before anybody translates it: each sentence keeps its places and
// forms, is longer by two fifths, carries marks above and below its letters, and is written from right to left.

const LETTERS: Readonly<Record<string, string>> = {
  a: 'å',
  c: 'ç',
  d: 'ð',
  e: 'é',
  g: 'ĝ',
  h: 'ĥ',
  i: 'î',
  k: 'ķ',
  l: 'ļ',
  n: 'ñ',
  o: 'ö',
  r: 'ŕ',
  s: 'š',
  t: 'ţ',
  u: 'û',
  w: 'ŵ',
  y: 'ý',
  z: 'ž',
  A: 'Å',
  E: 'É',
  G: 'Ĝ',
  I: 'Î',
  N: 'Ñ',
  O: 'Ö',
  S: 'Š',
  T: 'Ţ',
  U: 'Û',
}
/** What must stay as it is: places, links to other sentences, and the strokes between forms. */
const KEPT = /\{[^}]*\}|@[:.\w]+|\s\|\s/
const MORE = 0.4
const FILLER = 'ļö ñä šé ţû ŕî ķå '

/** A sentence in the made-up language. */
export function madeUp(sentence: string): string {
  const forms = sentence.split(' | ')
  return forms.map((form) => (form === '' ? '' : longer(form))).join(' | ')
}

function longer(form: string): string {
  const pieces = form.split(new RegExp(`(${KEPT.source})`))
  const marked = pieces.map((piece, index) => (index % 2 === 1 ? piece : withMarks(piece)))
  const letters = Math.ceil(form.length * MORE)
  const more = FILLER.repeat(Math.ceil(letters / FILLER.length))
    .slice(0, letters)
    .trim()
  return more === '' ? marked.join('') : `${marked.join('')} ${more}`
}

const withMarks = (piece: string) =>
  piece.replace(/[A-Za-z]/g, (letter) => LETTERS[letter] ?? letter)

/** A whole language file in it: whatever is a sentence, or makes one, however deep. */
export function inMadeUp<T extends object>(messages: T): T {
  return Object.fromEntries(
    Object.entries(messages).map(([key, value]) => [key, translated(value)]),
  ) as T
}

function translated(value: unknown): unknown {
  if (typeof value === 'string') return madeUp(value)
  if (typeof value === 'function')
    return (...facts: unknown[]) =>
      translated((value as (...facts: unknown[]) => unknown)(...facts))
  return inMadeUp(value as object)
}
