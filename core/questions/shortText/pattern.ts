// Patterns for listed answers: a small language of its own that is read in time that grows with the text alone, so no
// pattern can hold up a server or a phone (Thompson 1968: all states at once, never a step back).
//
//   abc      these letters                     (a|b)    one or the other
//   .        any letter                        x?       perhaps
//   [abc-f]  one of these; [^…] none of them   x*  x+   any number; at least one
//   \d \w \s a digit, a letter or digit, a space; \ before a sign takes it as it is

/** Longer patterns are refused, in characters. */
export const LONGEST_PATTERN = 200
/** Brackets within brackets, at the most. */
const DEEPEST = 20

type Test = (letter: string) => boolean

/** Reads one letter and goes on, goes on two ways at once, or is at the end. */
type State =
  | { does: 'read'; test: Test; next: number }
  | { does: 'part'; next: number; other: number }
  | { does: 'end' }

export type PatternFault =
  'empty' | 'tooLong' | 'openBracket' | 'strayBracket' | 'nothingToRepeat' | 'strayBackslash'

export type Pattern =
  { ok: true; matches(text: string): boolean } | { ok: false; fault: PatternFault }

class Fault extends Error {
  readonly fault: PatternFault
  constructor(fault: PatternFault) {
    super(fault)
    this.fault = fault
  }
}

/** Reads a pattern; it matches a text only as a whole. `fold` is what both are brought to before comparing. */
export function readPattern(
  source: string,
  fold: (letter: string) => string = (one) => one,
): Pattern {
  try {
    if (source.trim() === '') throw new Fault('empty')
    if (source.length > LONGEST_PATTERN) throw new Fault('tooLong')
    const states = build(lettersOf(source), fold)
    return { ok: true, matches: (text) => runs(states, text) }
  } catch (error) {
    if (error instanceof Fault) return { ok: false, fault: error.fault }
    throw error
  }
}

/** A letter with what hangs on it is one; spaces are as they are in what is compared. */
const lettersOf = (source: string): string[] =>
  source
    .normalize('NFC')
    .trim()
    .replace(/\s+/g, ' ')
    .match(/\P{M}\p{M}*|\p{M}/gu) ?? []

/** A piece of the machine that still has to be told where it goes on. */
interface Piece {
  start: number
  open: ((next: number) => void)[]
}

function build(letters: string[], fold: (letter: string) => string): State[] {
  const states: State[] = []
  let at = 0
  const add = (state: State) => states.push(state) - 1
  const close = (piece: Piece, next: number) => piece.open.forEach((set) => set(next))

  function reading(test: Test): Piece {
    const state: State = { does: 'read', test, next: -1 }
    return { start: add(state), open: [(next) => (state.next = next)] }
  }

  /** What one letter is compared as may be several, as ß is; they come one after the other. */
  function spelled(letter: string): Piece {
    const pieces = [...fold(letter)].map((wanted) => reading((one) => one === wanted))
    pieces.reduce((before, piece) => (close(before, piece.start), piece))
    return { start: pieces[0]!.start, open: pieces.at(-1)!.open }
  }

  function anyOf(pieces: readonly Piece[]): Piece {
    return pieces.reduce((one, other) => ({
      start: add({ does: 'part', next: one.start, other: other.start }),
      open: [...one.open, ...other.open],
    }))
  }

  function nothing(): Piece {
    const state: State = { does: 'part', next: -1, other: -1 }
    return { start: add(state), open: [(next) => ((state.next = next), (state.other = next))] }
  }

  function either(depth: number): Piece {
    if (depth > DEEPEST) throw new Fault('openBracket')
    let piece = sequence(depth)
    while (letters[at] === '|') {
      at += 1
      const other = sequence(depth)
      const start = add({ does: 'part', next: piece.start, other: other.start })
      piece = { start, open: [...piece.open, ...other.open] }
    }
    return piece
  }

  function sequence(depth: number): Piece {
    const pieces: Piece[] = []
    while (at < letters.length && letters[at] !== '|' && letters[at] !== ')') {
      const piece = repeated(depth)
      const before = pieces.at(-1)
      if (before) close(before, piece.start)
      pieces.push(piece)
    }
    const [first, last] = [pieces[0], pieces.at(-1)]
    return first && last ? { start: first.start, open: last.open } : nothing()
  }

  function repeated(depth: number): Piece {
    let piece = single(depth)
    while (at < letters.length && '?*+'.includes(letters[at]!)) {
      const sign = letters[at++]!
      const state: State = { does: 'part', next: piece.start, other: -1 }
      const part = add(state)
      const leave = (next: number) => (state.other = next)
      if (sign === '?') piece = { start: part, open: [...piece.open, leave] }
      else {
        close(piece, part)
        piece = { start: sign === '*' ? part : piece.start, open: [leave] }
      }
    }
    return piece
  }

  function single(depth: number): Piece {
    const letter = letters[at++]!
    if (letter === '(') {
      const inside = either(depth + 1)
      if (letters[at++] !== ')') throw new Fault('openBracket')
      return inside
    }
    if ('?*+'.includes(letter)) throw new Fault('nothingToRepeat')
    if (letter === '[') return oneOfThese()
    if (letter === '.') return reading(() => true)
    if (letter === '\\') return escaped()
    return spelled(letter)
  }

  function escaped(): Piece {
    const test = classAhead()
    return test ? reading(test) : spelled(letters[at++]!)
  }

  /** `\d` and the like, once the backslash was read; null where a sign is taken as it is. */
  function classAhead(): Test | null {
    const letter = letters[at]
    if (letter === undefined) throw new Fault('strayBackslash')
    at += 1
    if (letter === 'd') return (one) => /\p{Nd}/u.test(one)
    if (letter === 'w') return (one) => /[\p{L}\p{N}]/u.test(one)
    if (letter === 's') return (one) => one === ' '
    at -= 1
    return null
  }

  function oneOfThese(): Piece {
    const isNone = letters[at] === '^'
    if (isNone) at += 1
    const tests: Test[] = []
    const longer: string[] = []
    const take = (letter: string) => {
      const wanted = fold(letter)
      if ([...wanted].length === 1) tests.push((one) => one === wanted)
      else longer.push(letter)
    }
    while (at < letters.length && letters[at] !== ']') {
      const first = letters[at++]!
      if (first === '\\') {
        const test = classAhead()
        if (test) tests.push(test)
        else take(letters[at++]!)
      } else if (letters[at] === '-' && at + 1 < letters.length && letters[at + 1] !== ']') {
        const [low, high] = [fold(first), fold(letters[at + 1]!)]
        at += 2
        tests.push((one) => low <= one && one <= high)
      } else take(first)
    }
    if (letters[at++] !== ']') throw new Fault('openBracket')
    const one = reading((letter) => tests.some((test) => test(letter)) !== isNone)
    // None of these is one letter that is none; of these, some may be compared as several.
    return isNone ? one : anyOf([one, ...longer.map(spelled)])
  }

  const start = add({ does: 'part', next: -1, other: -1 })
  const whole = either(0)
  if (at < letters.length) throw new Fault('strayBracket')
  close(whole, add({ does: 'end' }))
  states[start] = { does: 'part', next: whole.start, other: whole.start }
  return states
}

/** Keeps the set of all states that the letters so far may have led to. */
function runs(states: readonly State[], text: string): boolean {
  let current = reach(states, [0])
  for (const letter of text) {
    const next: number[] = []
    for (const index of current) {
      const state = states[index]!
      if (state.does === 'read' && state.test(letter)) next.push(state.next)
    }
    if (next.length === 0) return false
    current = reach(states, next)
  }
  return [...current].some((index) => states[index]!.does === 'end')
}

function reach(states: readonly State[], from: readonly number[]): Set<number> {
  const reached = new Set<number>()
  const waiting = [...from]
  while (waiting.length > 0) {
    const index = waiting.pop()!
    if (reached.has(index)) continue
    reached.add(index)
    const state = states[index]!
    if (state.does === 'part') waiting.push(state.next, state.other)
  }
  return reached
}
