// The words of which numbers are made, in four languages.

/** The words of a language: numbers that are added, and those that multiply what stands before them. */
export interface Language {
  adds: ReadonlyMap<string, number>
  times: ReadonlyMap<string, number>
  /** Parts of one, by name. */
  shares: ReadonlyMap<string, number>
  /** `one` before a share or a hundred. */
  ones: ReadonlySet<string>
  /** Between tens and ones, or before a share. */
  joins: ReadonlySet<string>
  point: ReadonlySet<string>
}

const counted = (words: string, from = 0, step = 1): [string, number][] =>
  words
    .split(' ')
    .flatMap((word, at) => word.split('/').map((one): [string, number] => [one, from + at * step]))
const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))

export const ENGLISH: Language = {
  adds: new Map([
    ...counted(
      'zero/nought one two three four five six seven eight nine ten eleven twelve thirteen',
    ),
    ...counted('fourteen fifteen sixteen seventeen eighteen nineteen', 14),
    ...counted('twenty thirty forty/fourty fifty sixty seventy eighty ninety', 20, 10),
  ]),
  times: new Map([
    ['hundred', 100] as const,
    ['thousand', 1e3] as const,
    ['million', 1e6] as const,
    ['billion', 1e9] as const,
    ['dozen', 12] as const,
  ]),
  shares: new Map([
    ...counted('half/halves third/thirds quarter/quarters/fourth/fourths', 2),
    ...counted('fifth/fifths sixth/sixths seventh/sevenths eighth/eighths ninth/ninths', 5),
    ...counted('tenth/tenths', 10),
  ]),
  ones: set('a one'),
  joins: set('and'),
  point: set('point'),
}

const GERMAN_ONES =
  'null ein/eins/eine zwei/zwo drei vier fünf/fuenf sechs sieben acht neun zehn elf zwölf/zwoelf'
const GERMAN_TEENS = 'dreizehn vierzehn fünfzehn/fuenfzehn sechzehn siebzehn achtzehn neunzehn'
const GERMAN_TENS =
  'zwanzig dreißig/dreissig vierzig fünfzig/fuenfzig sechzig siebzig achtzig neunzig'
export const GERMAN: Language = {
  adds: new Map([
    ...counted(GERMAN_ONES),
    ...counted(GERMAN_TEENS, 13),
    ...counted(GERMAN_TENS, 20, 10),
  ]),
  times: new Map([
    ['hundert', 100] as const,
    ['tausend', 1e3] as const,
    ['million', 1e6] as const,
    ['millionen', 1e6] as const,
    ['milliarde', 1e9] as const,
    ['milliarden', 1e9] as const,
    ['dutzend', 12] as const,
  ]),
  shares: new Map([
    ...counted(
      'halb/halbe/halber/halbes/hälfte drittel viertel fünftel sechstel siebtel achtel',
      2,
    ),
    ...counted('neuntel zehntel', 9),
  ]),
  ones: set('ein eine einen'),
  joins: set('und'),
  point: set('komma'),
}

export const FRENCH: Language = {
  adds: new Map([
    ...counted('zéro/zero un/une deux trois quatre cinq six sept huit neuf dix onze douze treize'),
    ...counted('quatorze quinze seize', 14),
    ...counted('vingt/vingts trente quarante cinquante soixante', 20, 10),
    ...counted('septante huitante/octante nonante', 70, 10),
  ]),
  times: new Map([
    ['cent', 100] as const,
    ['cents', 100] as const,
    ['mille', 1e3] as const,
    ['million', 1e6] as const,
    ['millions', 1e6] as const,
    ['milliard', 1e9] as const,
    ['milliards', 1e9] as const,
    ['douzaine', 12] as const,
  ]),
  shares: new Map([
    ...counted('demi/demie/moitié tiers quart/quarts cinquième/cinquièmes sixième/sixièmes', 2),
    ...counted('dixième/dixièmes', 10),
  ]),
  ones: set('un une'),
  joins: set('et'),
  point: set('virgule'),
}

const SPANISH: Language = {
  adds: new Map([
    ...counted('cero uno/un/una dos tres cuatro cinco seis siete ocho nueve diez once doce trece'),
    ...counted('catorce quince dieciséis/dieciseis diecisiete dieciocho diecinueve veinte', 14),
    ...counted('veintiuno/veintiún/veintiuna veintidós/veintidos veintitrés/veintitres', 21),
    ...counted('veinticuatro veinticinco veintiséis/veintiseis veintisiete veintiocho', 24),
    ...counted('veintinueve', 29),
    ...counted('treinta cuarenta cincuenta sesenta setenta ochenta noventa cien/ciento', 30, 10),
    ...counted('doscientos trescientos cuatrocientos quinientos seiscientos setecientos', 200, 100),
    ...counted('ochocientos novecientos', 800, 100),
  ]),
  times: new Map([
    ['mil', 1e3] as const,
    ['millón', 1e6] as const,
    ['millones', 1e6] as const,
    ['docena', 12] as const,
  ]),
  shares: new Map([
    ...counted('medio/media/mitad tercio/tercios cuarto/cuartos quinto/quintos sexto/sextos', 2),
    ...counted('décimo/décimos', 10),
  ]),
  ones: set('un una'),
  joins: set('y'),
  point: set('coma punto'),
}

export const LANGUAGES = [ENGLISH, GERMAN, FRENCH, SPANISH]

/** Words behind figures that multiply them, and how they are shortened. Behind figures, a cent is a coin. */
export const MULTIPLIERS: ReadonlyMap<string, number> = new Map([
  ...LANGUAGES.flatMap(({ times }) => [...times]).filter(([word]) => !/^cents?$/.test(word)),
  ...(['millions', 'mio', 'mio.'] as const).map((word) => [word, 1e6] as const),
  ...(['billions', 'bn', 'mrd', 'mrd.'] as const).map((word) => [word, 1e9] as const),
  ['trillion', 1e12],
  ['milliers', 1e3],
])

/** Shares that say so without a number before them; `third` alone is a place in a row. */
export const ALONE = set(
  'half quarter halb halbe halber halbes hälfte viertel demi demie moitié quart medio media mitad',
)

/** The beginnings of all number words, to tell by them that a number follows. */
export const SPOKEN_BEGINNINGS: readonly string[] = [
  ...new Set(
    LANGUAGES.flatMap(({ adds, shares }) => [...adds.keys(), ...shares.keys()]).concat([
      'hundert',
      'tausend',
      'cent',
      'mille',
      'mil',
      'anderthalb',
    ]),
  ),
]
