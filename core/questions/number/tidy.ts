// Brings what people type for a number into one way of writing, before it is read: digits of one script, one minus, one
// space, powers as ^3, fractions as 1/2. Everything here stands before Unicode's own folding (NFKC), which would make other
// things of it: ½ would touch the digit before it, º would be a letter.
import { SPOKEN_BEGINNINGS } from './numberWords.ts'

/** Nought in the scripts whose digits are read; the nine others follow it. */
const NOUGHTS = [
  0x0660, 0x06f0, 0x07c0, 0x0966, 0x09e6, 0x0a66, 0x0ae6, 0x0b66, 0x0be6, 0x0c66,
].concat([0x0ce6, 0x0d66, 0x0e50, 0x0ed0, 0x0f20, 0x1040, 0x17e0, 0x1810])

const DIGITS: ReadonlyMap<string, string> = new Map(
  NOUGHTS.flatMap((nought) =>
    Array.from({ length: 10 }, (_, at) => [String.fromCodePoint(nought + at), String(at)] as const),
  ),
)

const FRACTIONS: ReadonlyMap<string, string> = new Map([
  ...Object.entries({ '½': '1/2', '⅓': '1/3', '⅔': '2/3', '¼': '1/4', '¾': '3/4', '⅕': '1/5' }),
  ...Object.entries({ '⅖': '2/5', '⅗': '3/5', '⅘': '4/5', '⅙': '1/6', '⅚': '5/6', '⅐': '1/7' }),
  ...Object.entries({ '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8', '⅑': '1/9', '⅒': '1/10' }),
])

const RAISED: ReadonlyMap<string, string> = new Map(
  [...'⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺'].map((sign, index) => [sign, '0123456789-+'[index]!] as const),
)

/** What is changed, in this order. */
const STEPS: readonly (readonly [RegExp, string | ((found: string) => string)])[] = [
  // Nobody sees these, and pasting brings them along.
  [/[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufeff\u061c]/g, ''],
  [/[\u0660-\u1819]/g, (sign) => DIGITS.get(sign) ?? sign],
  [/\u066b/g, '.'],
  [/\u066c/g, "'"],
  [/\u060c/g, ','],
  [/\u066a/g, '%'],
  [/[¼-¾⅐-⅞]/g, (sign) => ` ${FRACTIONS.get(sign) ?? sign} `],
  [/[⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺]+/g, (signs) => `^${[...signs].map((sign) => RAISED.get(sign)).join('')}`],
  [/[º˚]/g, '°'],
  [/[’‘`´ʹʼ′]/g, "'"],
  [/[“”″ʺ]/g, '"'],
  [/\*\*/g, '^'],
  [/\^ ?\{([^{}]*)\}/g, '^($1)'],
]

const AFTER_FOLDING: typeof STEPS = [
  [/[\u2212\u2012\u2013\u2014\u2010\u2011]/g, '-'],
  [/[\s\u00a0\u2009\u202f]+/g, ' '],
  [/\u2044|\u2215/g, '/'],
  [/[×⋅∙•]/g, '·'],
  [/\u03bc/g, 'µ'],
  [/° (?=[CFKcfk](?![\p{L}]))/gu, '°'],
  [/^(?:minus|moins|menos) (?=[\d.,])/i, '-'],
  [/^([+-]) /, '$1'],
  [/(?<=\d) or so(?= |$)/, ''],
  [/(?<=\d)[.,]-+(?= ?\p{Sc}| ?euros?| ?EUR|$)/iu, ''],
]

/** One writing of what was typed. */
export function tidy(text: string): string {
  // Most is written plainly, and marking is done by the thousand.
  const plain = PLAIN.test(text)
    ? text
    : change(change(text, STEPS).normalize('NFKC'), AFTER_FOLDING)
  return withoutTrimmings(plain.replace(/ {2,}/g, ' ').trim())
}

const PLAIN = /^\d[\d.,]*[A-Za-z%/ ]*$/

const change = (text: string, steps: typeof STEPS): string =>
  steps.reduce((now, [from, to]) => now.replace(from, to as string), text)

/** Words that announce a number, by language. */
const ANNOUNCING = [
  "approx(?:imately|\\.)?|about|around|roughly|circa|ca\\.?|c\\.|it is|it[’']s|this is|that is|that[’']s|there (?:are|is|were|was)",
  "i (?:think|got|get)(?: it is| it[’']s)?|we (?:get|got)|is|equals|(?:the )?(?:answer|result|year) is|in(?: the year)?|(?:the )?year",
  'etwa|ungefähr|rund|zirka|es (?:ist|sind|waren)|das (?:ist|sind)|ich glaube|im jahre?|also',
  "env(?:iron|\\.)|à peu près|c[’']est|ce sont|il y (?:a|en a)|en(?: l[’']an)?",
  'unos|unas|aprox(?:imadamente|\\.)?|alrededor de|son|es|hay|en el año',
].join('|')

/** What stands before a number without changing it: `≈`, `x =`, `about`, `it is`. */
const BEFORE = new RegExp(
  [
    '^(?:[=≈~≅≃∼:]\\s*',
    `(?:${ANNOUNCING}) ?(?=[\\p{Sc}\\d.,+-]|(?<= )(?:${SPOKEN_BEGINNINGS.join('|')}))`,
    '\\p{L}[\\p{L}\\p{N}_ ]{0,29} ?[=:] ?(?=[^=:\\s]))',
  ].join('|'),
  'iu',
)
/** So many of them may stand one behind the other. */
const MOST_BEFORE = 4

/** Without what stands around a number: quotation marks, brackets, a full stop, what announces it. */
function withoutTrimmings(text: string): string {
  let now = text
  for (let count = 0; count < MOST_BEFORE; count += 1) {
    const less = unwrapped(now.replace(BEFORE, '')).replace(BEHIND, '')
    if (less === now) return now
    now = less.trim()
  }
  return now
}

/** What stands behind it without changing it: a full stop, a question mark, `or so`. */
const BEHIND = /(?:[\s,;.!?]+| or so| oder so)$/i

const unwrapped = (text: string): string =>
  /^"[^"]*"$|^'[^']*'$|^\([^()]*\)$|^\[[^[\]]*\]$|^«[^»]*»$|^„[^"]*"$/.test(text)
    ? text.slice(1, -1).trim()
    : text
