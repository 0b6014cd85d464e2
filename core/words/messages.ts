// How the texts of the language files are said: `{name}` and `{0}` are filled in, `{'|'}` is what it holds as it stands, and forms for
// numbers are parted by `|`. As vue-i18n writes them; what else it can do no text of ours asks for, so its compiler need not travel.

/** What a text is said with: the values that are filled in, and which of its forms a number takes. */
export interface Saying {
  named(name: string): unknown
  list(index: number): unknown
  interpolate(value: unknown): string
  normalize(pieces: string[]): unknown
  plural(forms: unknown[]): unknown
}

type Piece = string | { name: string } | { index: number }

const BRACES = /\{\s*(?:'((?:\\.|[^'\\])*)'|(\d+)|([\w-]+))\s*\}/y

/** The forms of a text, each as its pieces. Throws where a brace opens nothing. */
function readForms(message: string): Piece[][] {
  const forms: Piece[][] = [[]]
  let plain = ''
  const endPlain = () => {
    if (plain !== '') forms.at(-1)!.push(plain)
    plain = ''
  }
  for (let at = 0; at < message.length; at += 1) {
    if (message[at] === '{') {
      BRACES.lastIndex = at
      const [whole, literal, index, name] = BRACES.exec(message) ?? []
      if (whole === undefined) throw new Error(`A brace opens nothing: ${message}`)
      if (literal !== undefined) plain += literal.replaceAll(/\\(.)/g, '$1')
      else {
        endPlain()
        forms.at(-1)!.push(index === undefined ? { name: name! } : { index: Number(index) })
      }
      at += whole.length - 1
    } else if (message[at] === '|') {
      plain = plain.trimEnd()
      endPlain()
      forms.push([])
      while (message[at + 1] === ' ') at += 1
    } else plain += message[at]
  }
  endPlain()
  return forms
}

/** A text as a function of what it is said with; for `createI18n`. */
export function compileMessage(message: unknown): (saying: Saying) => unknown {
  const forms = readForms(String(message))
  const say = (pieces: readonly Piece[], saying: Saying) =>
    saying.normalize(
      pieces.map((piece) => {
        if (typeof piece === 'string') return piece
        return saying.interpolate(
          'name' in piece ? saying.named(piece.name) : saying.list(piece.index),
        )
      }),
    )
  if (forms.length === 1) return (saying) => say(forms[0]!, saying)
  return (saying) => saying.plural(forms.map((pieces) => say(pieces, saying)))
}
