import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { markQuestion, readPattern, type ListedAnswer, type WordRules } from '../index.ts'
import { entries, questionOf } from '../testing.ts'
import { slipsBetween } from './slips.ts'
import { comparable } from './words.ts'

const FORGIVING: WordRules = { minds: { case: false, accents: false }, typos: true }
const rules = (change: Partial<WordRules> = {}): WordRules => ({ ...FORGIVING, ...change })
const listed = (text: string, share = 1, as: 'words' | 'pattern' = 'words') => ({
  text,
  share,
  as,
  feedback: '',
})
const asking = (list: Omit<ListedAnswer, 'id' | 'order'>[], how = rules()) =>
  questionOf('shortText', { listed: entries(list), rules: how })
const verdict = (question: ReturnType<typeof asking>, text: unknown) =>
  markQuestion(question, { kind: 'shortText', text }).verdict

type Row = [listed: string, typed: string, verdict: 'right' | 'wrong']

describe('words that are let pass', () => {
  const table: Row[] = [
    // Spaces, width, punctuation of the typesetter.
    ['windlass', 'windlass', 'right'],
    ['windlass', '  windlass ', 'right'],
    ['windlass', 'windlass\t', 'right'],
    ['top pound', 'top   pound', 'right'],
    ['top pound', 'top pound', 'right'],
    ['windlass', 'ｗｉｎｄｌａｓｓ', 'right'],
    ['keeper’s hut', "keeper's hut", 'right'],
    ["keeper's hut", 'keeper`s hut', 'right'],
    ['side‐pond', 'side-pond', 'right'],
    ['side-pond', 'side–pond', 'right'],
    ['ﬁlling', 'filling', 'right'],
    // Capitals.
    ['windlass', 'WINDLASS', 'right'],
    ['Oxwith', 'oxwith', 'right'],
    ['Straße', 'STRASSE', 'right'],
    ['ὀδός', 'ὈΔΌΣ', 'right'],
    // Accents.
    ['écluse', 'ecluse', 'right'],
    ['ecluse', 'écluse', 'right'],
    ['Schleuße', 'schleusse', 'right'],
    ['åpne', 'apne', 'right'],
    ['naïve', 'naive', 'right'],
    ['e\u0301cluse', '\u00e9cluse', 'right'],
    // One slip in words of 4 to 7 letters.
    ['gate', 'gat', 'right'],
    ['gate', 'gatee', 'right'],
    ['gate', 'gaet', 'right'],
    ['gate', 'gste', 'right'],
    ['gate', 'gite', 'wrong'],
    ['paddle', 'padle', 'right'],
    ['paddle', 'padddle', 'right'],
    ['paddle', 'paddel', 'right'],
    ['paddle', 'padel', 'wrong'],
    ['gate', 'gt', 'wrong'],
    ['gate', 'goat', 'wrong'],
    ['gate', 'tea', 'wrong'],
    // None in shorter ones.
    ['sill', 'sil', 'right'],
    ['cut', 'cat', 'wrong'],
    ['cut', 'cu', 'wrong'],
    ['cut', 'cuts', 'wrong'],
    ['by', 'bye', 'wrong'],
    // Two from 8 letters on.
    ['windlass', 'windlas', 'right'],
    ['windlass', 'winlas', 'right'],
    ['windlass', 'wnidlas', 'right'],
    ['windlass', 'winlsa', 'wrong'],
    ['reservoir', 'resevoir', 'right'],
    ['reservoir', 'reservior', 'right'],
    ['reservoir', 'resevior', 'right'],
    ['reservoir', 'resvor', 'wrong'],
    // Word by word.
    ['top pound', 'top ponud', 'right'],
    ['top pound', 'tip pound', 'wrong'],
    ['lower paddle', 'lowr padle', 'right'],
    ['lower paddle', 'lower', 'wrong'],
    ['lower paddle', 'the lower paddle', 'right'],
    ['lower paddle', 'lowerpaddle', 'right'],
    // More slips, at the edge of what is let pass.
    ['lock', 'lokc', 'right'],
    ['lock', 'lcok', 'right'],
    ['lock', 'clock', 'wrong'],
    ['lock', 'dock', 'wrong'],
    ['lock', 'deck', 'wrong'],
    ['lock', 'lo', 'wrong'],
    ['canal', 'cannal', 'right'],
    ['canal', 'cana', 'right'],
    ['canal', 'canel', 'right'],
    ['canal', 'chanel', 'wrong'],
    ['chamber', 'chmaber', 'right'],
    ['chamber', 'chambre', 'right'],
    ['chamber', 'camber', 'right'],
    ['chamber', 'cambre', 'wrong'],
    ['keeper', 'keper', 'right'],
    ['keeper', 'kepper', 'right'],
    ['keeper', 'keepers', 'right'],
    ['keeper', 'keeprs', 'wrong'],
    ['navigation', 'navigtion', 'right'],
    ['navigation', 'navgtion', 'right'],
    ['navigation', 'navgton', 'wrong'],
    ['navigation', 'navigations', 'right'],
    ['Cantle Steps', 'cantle steps', 'right'],
    ['Cantle Steps', 'Cantle Step', 'right'],
    ['Cantle Steps', 'Cantel Steps', 'right'],
    ['Cantle Steps', 'Cantle', 'wrong'],
    ['Cantle Steps', 'Steps Cantle', 'wrong'],
    ['eleven', 'eleve', 'right'],
    ['eleven', 'seven', 'wrong'],
    ['eleven', '11', 'wrong'],
    ['co-operate', 'cooperate', 'right'],
    ['co-operate', 'co operate', 'right'],
    ["don't", 'dont', 'right'],
    // What is short has to be so to the letter.
    ['a', 'a', 'right'],
    ['a', 'b', 'wrong'],
    ['ab', 'ba', 'wrong'],
    ['26', ' 26 ', 'right'],
    ['26', '27', 'wrong'],
    ['2.4 m', '2.4 m', 'right'],
    ['2.4 m', '2,4 m', 'wrong'],
    // Signs that stand for others.
    ['H2O', 'h2o', 'right'],
    ['H2O', 'H₂O', 'right'],
    ['m³', 'm3', 'right'],
    ['IV', 'Ⅳ', 'right'],
    ['…', '...', 'right'],
    // Letters of other alphabets, with and without what hangs on them.
    ['Ångström', 'angstrom', 'right'],
    ['Łódź', 'lodz', 'right'],
    ['cafe', 'CAFÉ', 'right'],
    ['São Paulo', 'sao paulo', 'right'],
    ['ΟΔΟΣ', 'οδος', 'right'],
    ['İstanbul', 'istanbul', 'right'],
    ['Müller', 'Mueller', 'right'],
    ['ёлка', 'елка', 'right'],
    ['سد', 'سَد', 'right'],
    ['水門', '水门', 'wrong'],
    ['naive', 'naïf', 'wrong'],
    // Nothing at all.
    ['gate', '', 'wrong'],
    ['gate', '   ', 'wrong'],
    ['gate', 'a paddle', 'wrong'],
    // Other scripts and directions.
    ['הסכר', 'הסכר', 'right'],
    ['水門', '水門', 'right'],
    ['水門', '水', 'wrong'],
    ['шлюз', 'ШЛЮЗ', 'right'],
    ['шлюз', 'шлюс', 'right'],
  ]
  it.each(table)('%s ← %s: %s', (right, typed, expected) => {
    expect(verdict(asking([listed(right)]), typed)).toBe(expected)
  })
})

describe('words where capitals, accents or slips matter', () => {
  const strictCase = rules({ minds: { case: true, accents: false }, typos: false })
  const strictAccents = rules({ minds: { case: false, accents: true }, typos: false })
  const noTypos = rules({ typos: false })
  const table: [WordRules, string, string, 'right' | 'wrong'][] = [
    [strictCase, 'Oxwith', 'Oxwith', 'right'],
    [strictCase, 'Oxwith', 'oxwith', 'wrong'],
    [strictCase, 'pH', 'PH', 'wrong'],
    [strictCase, 'écluse', 'ecluse', 'right'],
    [strictAccents, 'écluse', 'ecluse', 'wrong'],
    [strictAccents, 'écluse', 'ÉCLUSE', 'right'],
    [strictAccents, 'écluse', 'e\u0301cluse', 'right'],
    [strictAccents, 'résumé', 'resume', 'wrong'],
    [noTypos, 'paddle', 'padle', 'wrong'],
    [noTypos, 'reservoir', 'resevoir', 'wrong'],
    [noTypos, 'paddle', 'Paddle', 'right'],
  ]
  it.each(table)('%o: %s ← %s: %s', (how, right, typed, expected) => {
    expect(verdict(asking([listed(right)], how), typed)).toBe(expected)
  })
})

describe('a listed wrong answer', () => {
  const gateOrGale = asking([listed('gate'), listed('gale', 0)])
  it.each([
    ['gate', 'right'],
    ['gale', 'wrong'],
    // As near to the one as to the other.
    ['game', 'wrong'],
    // Nearer to the right one.
    ['gatte', 'right'],
  ])('keeps slips from being let pass that are as near to it: %s is %s', (typed, expected) => {
    expect(verdict(gateOrGale, typed)).toBe(expected)
  })

  it('earns its share where it is partly right', () => {
    const question = asking([listed('upper paddle'), listed('paddle', 0.5)])
    expect(markQuestion(question, { kind: 'shortText', text: 'paddle' })).toMatchObject({
      points: 0.5,
      verdict: 'partly',
    })
  })
})

describe('patterns', () => {
  const table: [string, string, boolean][] = [
    ['abc', 'abc', true],
    ['abc', 'abcd', false],
    ['abc', 'ab', false],
    ['(gate|paddle)s?', 'gates', true],
    ['(gate|paddle)s?', 'paddle', true],
    ['(gate|paddle)s?', 'gatess', false],
    ['the .* paddle', 'the upper paddle', true],
    ['the .* paddle', 'the  paddle', true],
    ['the .* paddle', 'the paddle', false],
    ['.*paddle.*', 'wind the paddle now', true],
    ['lo+ck', 'loooock', true],
    ['lo+ck', 'lck', false],
    ['[a-c]+', 'abcba', true],
    ['[a-c]+', 'abd', false],
    ['[^a-c]', 'd', true],
    ['[^a-c]', 'b', false],
    ['[abc-]x', '-x', true],
    ['\\d\\d?', '7', true],
    ['\\d\\d?', '77', true],
    ['\\d\\d?', '777', false],
    ['\\w+\\s\\w+', 'top pound', true],
    ['a\\.b', 'a.b', true],
    ['a\\.b', 'axb', false],
    ['a\\(b\\)', 'a(b)', true],
    ['(a|)b', 'b', true],
    ['((a|b)c)*', 'acbcac', true],
    ['((a|b)c)*', '', true],
    ['((a|b)c)*', 'acb', false],
    ['水.', '水門', true],
    ['x?y*z+', 'z', true],
    ['(a*)*b', 'aaab', true],
    ['(a*)*b', 'aaac', false],
  ]
  it.each(table)('%s with “%s”: %s', (source, text, expected) => {
    const pattern = readPattern(source)
    expect(pattern.ok && pattern.matches(text)).toBe(expected)
  })

  it.each([
    ['', 'empty'],
    ['  ', 'empty'],
    ['(a', 'openBracket'],
    ['[a', 'openBracket'],
    ['a)', 'strayBracket'],
    ['*a', 'nothingToRepeat'],
    ['a|?', 'nothingToRepeat'],
    ['a\\', 'strayBackslash'],
    ['a'.repeat(201), 'tooLong'],
    ['('.repeat(50), 'openBracket'],
  ])('%s is refused: %s', (source, fault) => {
    expect(readPattern(source)).toEqual({ ok: false, fault })
  })

  it('that would take other machines years are read at once', () => {
    for (const source of ['(a+)+b', '(a|a)*b', '(a|aa)+b', '(.*)*(.*)*(.*)*b', '((a*)*)*b']) {
      const pattern = readPattern(source)
      // A machine that steps back would still be at it when the test's time is out.
      expect(pattern.ok && pattern.matches('a'.repeat(1000))).toBe(false)
    }
  })

  it('are compared without capitals and accents where words are', () => {
    const question = asking([listed('(the )?écluse', 1, 'pattern')])
    expect(verdict(question, 'The Ecluse')).toBe('right')
  })

  it('agree with the language’s own on what both can read', () => {
    const letters = fc.constantFrom('a', 'b', 'c')
    const piece = fc.oneof(
      letters,
      letters.map((one) => `${one}?`),
      letters.map((one) => `${one}*`),
      fc.tuple(letters, letters).map(([one, other]) => `(${one}|${other})`),
      fc.tuple(letters, letters).map(([one, other]) => `(${one}${other})?`),
    )
    const source = fc.array(piece, { minLength: 1, maxLength: 6 }).map((all) => all.join(''))
    const text = fc.array(letters, { maxLength: 8 }).map((all) => all.join(''))
    fc.assert(
      fc.property(source, text, (pattern, words) => {
        const own = readPattern(pattern)
        expect(own.ok && own.matches(words)).toBe(new RegExp(`^(?:${pattern})$`).test(words))
      }),
      { seed: 11, numRuns: 1000 },
    )
  })
})

it('reckons slips as the slow way does', () => {
  /** Every way from one word to the other, tried one after another. */
  function slow(a: string, b: string): number {
    if (a === '' || b === '') return a.length + b.length
    const swapped =
      a.length > 1 && b.length > 1 && a[0] === b[1] && a[1] === b[0]
        ? 1 + slow(a.slice(2), b.slice(2))
        : Infinity
    const kept = (a[0] === b[0] ? 0 : 1) + slow(a.slice(1), b.slice(1))
    return Math.min(kept, 1 + slow(a.slice(1), b), 1 + slow(a, b.slice(1)), swapped)
  }
  const word = fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 6 }).map((all) => all.join(''))
  fc.assert(
    fc.property(word, word, (a, b) => {
      expect(slipsBetween(a, b, 9)).toBe(slow(a, b))
      expect(slipsBetween(a, b, 1)).toBe(Math.min(2, slow(a, b)))
    }),
    { seed: 5, numRuns: 400 },
  )
})

it('what is compared once is compared the same again', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 30 }), (text) => {
      const once = comparable(text, FORGIVING)
      expect(comparable(once, FORGIVING)).toBe(once)
    }),
    { seed: 6 },
  )
})
