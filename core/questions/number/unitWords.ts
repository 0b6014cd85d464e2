// Units as words, in the languages that learners write in here: English, German, French and Spanish. Accents are taken off
// before anything is looked up, and plural endings are tried without.

/** Words by the unit that they stand for. An SI prefix in words may stand before those in the first list. */
const PREFIXED: Record<string, string> = {
  m: 'metre meter metro mtr mts',
  g: 'gram gramme gramm gramo gm',
  s: 'second seconde sekunde segundo',
  L: 'litre liter litro lt ltr',
  N: 'newton',
  J: 'joule julio',
  W: 'watt vatio',
  V: 'volt voltio',
  A: 'ampere amp amperio',
  K: 'kelvin',
  mol: 'mole mol',
  cd: 'candela',
  rad: 'radian radiant radianes radian',
  Hz: 'hertz hercio',
  Pa: 'pascal',
  C: 'coulomb culombio',
  Ω: 'ohm ohmio',
  S: 'siemens',
  F: 'farad faradio',
  T: 'tesla',
  H: 'henry henrio',
  Wb: 'weber',
  lm: 'lumen',
  lx: 'lux',
  Bq: 'becquerel',
  Gy: 'gray',
  Sv: 'sievert',
  M: 'molar',
  t: 'tonne tonelada',
  bar: 'bar bares',
  cal: 'calorie kalorie caloria',
  eV: 'electronvolt elektronenvolt',
  Wh: 'watthour wattstunde wattheure whr',
  B: 'byte octet',
  bit: 'bit',
  pc: 'parsec',
}

const PLAIN: Record<string, string> = {
  s: 'sec sek seg',
  min: 'minute minuto mins',
  h: 'hour hr stunde std heure hora',
  d: 'day tag jour dia',
  wk: 'week woche semaine semana',
  yr: 'year jahr annee ano',
  km: 'kms',
  kg: 'kgs kilo',
  ha: 'hectare hektar hectarea',
  acre: 'acre',
  µm: 'micron mikron',
  '°': 'degree deg grad degre grado',
  '°C': 'celsius degc centigrade',
  '°F': 'fahrenheit degf',
  K: '°k',
  gon: 'gon gradian',
  '%': 'percent pct prozent vh porcentaje',
  '‰': 'permille promille permil',
  in: 'inch inches zoll pouce pulgada',
  ft: 'foot feet fuss',
  yd: 'yard',
  mi: 'mile meile milla',
  nmi: 'seemeile',
  ly: 'lichtjahr lightyear',
  kn: 'knot knoten kt',
  lb: 'pound lbs',
  oz: 'ounce unze',
  st: 'stone',
  gal: 'gallon',
  atm: 'atmosphere',
  Torr: 'torr',
  hp: 'horsepower',
  PS: 'pferdestarke',
  Å: 'angstrom',
  '€': 'euro',
  $: 'dollar',
  CHF: 'franken franc',
  '¥': 'yen',
}

const PREFIX_WORDS: Record<string, string> = {
  T: 'tera',
  G: 'giga',
  M: 'mega',
  k: 'kilo',
  h: 'hecto hekto',
  da: 'deca deka',
  d: 'deci dezi',
  c: 'centi zenti',
  m: 'milli mili',
  µ: 'micro mikro',
  n: 'nano',
  p: 'pico piko',
  f: 'femto',
}

const byWord = (table: Record<string, string>): Map<string, string> =>
  new Map(
    Object.entries(table).flatMap(([unit, words]) =>
      words.split(' ').map((word) => [word, unit] as const),
    ),
  )
const prefixed = byWord(PREFIXED)
const plain = byWord(PLAIN)
const prefixes = [...byWord(PREFIX_WORDS)]

/** What may be a plural, and is tried without. */
const ENDINGS = ['', 's', 'es', 'n', 'en', 'e']

function lookUp(word: string): string | null {
  for (const ending of ENDINGS) {
    if (!word.endsWith(ending) || word.length - ending.length < 2) continue
    const bare = ending === '' ? word : word.slice(0, -ending.length)
    const own = plain.get(bare) ?? prefixed.get(bare)
    if (own !== undefined) return own
    for (const [before, prefix] of prefixes) {
      const rest = bare.startsWith(before) ? prefixed.get(bare.slice(before.length)) : undefined
      if (rest !== undefined) return prefix + rest
    }
  }
  return null
}

/** The units that a word names, to be multiplied: one, or two that were written together as in Kilowattstunde; else none. */
export function unitsOfWord(word: string): string[] {
  const bare = word.toLowerCase().replace(/\.$/, '')
  const one = lookUp(bare)
  if (one !== null) return [one]
  for (let at = 3; at <= bare.length - 3; at += 1) {
    const [first, second] = [lookUp(bare.slice(0, at)), lookUp(bare.slice(at))]
    if (first !== null && second !== null) return [first, second]
  }
  return []
}

/** Several words that are one thing, as one that can be looked up. */
export const PHRASES: readonly (readonly [RegExp, string])[] = [
  [/\b(?:per|pour|por) ?(?:cent|ciento)\b|\bvom hundert\b/gi, '%'],
  [/\bparts per million\b/gi, 'ppm'],
  [/\bnautical miles?\b|\bmilles? marins?\b|\bmillas? nauticas?\b/gi, 'nmi'],
  [/\b(?:light|annees?|anos?)[ -](?:years?|lumieres?|luz)\b/gi, 'ly'],
  [/\bmm hg\b/gi, 'mmHg'],
  [
    /\b(?:lbs?|pounds?)(?: ?\/ ?| per )(?:sq(?:uare|\.)? ?in(?:ch(?:es)?)?|in(?:ch)?\^2)(?![a-z])/gi,
    'psi',
  ],
  [/(?:°|\b(?:deg(?:ree|re)?s?|grad(?:o|os)?)\.?) ?c(?:elsius|entigrade)?(?![a-z])/gi, '°C'],
  [/(?:°|\b(?:deg(?:ree|re)?s?|grad(?:o|os)?)\.?) ?f(?:ahrenheit)?(?![a-z])/gi, '°F'],
  [/\bpounds? sterling\b/gi, '£'],
  [/\b(?:per|pro|par|por|je) /gi, '/'],
  [/(?<=[a-z]) an? (?=hour|day|minute|second|week|year)/gi, '/'],
]

/** What stands before a unit, and what behind it, and makes a power of it. */
export const POWER_BEFORE: readonly (readonly [RegExp, number])[] = [
  [/^(?:square|sq|quadrat)$/, 2],
  [/^(?:cubic|cu|kubik)$/, 3],
]
export const POWER_BEHIND: readonly (readonly [RegExp, number])[] = [
  [/^(?:squared|carree?s?|cuadrad[oa]s?)$/, 2],
  [/^(?:cubed|cubes?|cubic[oa]s?)$/, 3],
]
/** German writes the power and its unit in one word. */
export const POWER_WITHIN: readonly (readonly [string, number])[] = [
  ['quadrat', 2],
  ['kubik', 3],
]
