// How a fair-minded teacher would take what learners write in words: a long table, answer by answer.
import { describe, expect, it } from 'vitest'
import { markQuestion, type WordRules } from '../index.ts'
import { entries, questionOf } from '../testing.ts'

/**
 * What is listed (between strokes: as a pattern), what matters besides, its verdict, and what earns it. {200b} is the sign of
 * that number, ␣ a space at an end, ¦ stands between; (others): “look” and “clock” are words of the film.
 */
const TABLE = `
Bern (capitals) → wrong: bern ¦ BERN ¦ bErn
Bern (capitals) → right: Bern ¦ Bren ¦ Berrn ¦ Bern. ¦ “Bern”
café (accents) → wrong: cafe ¦ cafè ¦ CAFE
café (accents) → right: café ¦ CAFÉ ¦ cafée ¦ caffé
Zürichsee (capitals and accents) → wrong: zürichsee ¦ Zurichsee ¦ zurichsee
Zürichsee (capitals and accents) → right: Zürichsee ¦ Zürihsee
1789 → wrong: 1788 ¦ 1798 ¦ 178 ¦ 17899
1789 → right: 1789 ¦ 1789. ¦ ␣1789␣
in 1789 → wrong: in 1788
H2SO4 → wrong: H2SO3 ¦ H2S04
increase → wrong: decrease ¦ decreas
increase → right: incraese ¦ increas ¦ Increase
decrease → wrong: increase
hypotonic → wrong: hypertonic
hypertonic → wrong: hypotonic
hypotonic → right: hypotonik ¦ hypotnic
iodine → wrong: iodide
iodide → wrong: iodine
chloride → wrong: chlorine ¦ chlorate ¦ chlorite
nitrate → wrong: nitrite ¦ nitride
sulfate → wrong: sulfite ¦ sulfide
methane → wrong: methene ¦ methanol ¦ methanal
ethane → wrong: ethene ¦ ethyne ¦ ethanol
symmetric → wrong: asymmetric
possible → wrong: impossible
regular → wrong: irregular
legal → wrong: illegal
happy → wrong: unhappy
unhappy → wrong: happy
immigration → wrong: emigration
effect → wrong: affect
intranet → wrong: internet
interstate → wrong: intrastate
microeconomics → wrong: macroeconomics
employer → wrong: employee
exothermic → wrong: endothermic
endothermic → wrong: exothermic
monoxide → wrong: dioxide
overestimate → wrong: underestimate
careful → wrong: careless
hydrophobic → wrong: hydrophilic
anterior → wrong: interior
inhale → wrong: exhale
import → wrong: export
include → wrong: exclude
ascend → wrong: descend
abduction → wrong: adduction
superior → wrong: inferior
glucose → wrong: glucase
ferrous → wrong: ferric
Einfuhr → wrong: Ausfuhr
Zunahme → wrong: Abnahme
Verkauf → wrong: Einkauf
mitosis → wrong: meiosis
north → wrong: south
left → wrong: right
convex → wrong: concave
anode → wrong: cathode
prefix → wrong: suffix
positive → wrong: negative
minimum → wrong: maximum
even → wrong: odd
กา → wrong: ก ¦ ก{e34}
น{e49}ำ → wrong: นำ
क{93e} → wrong: क ¦ क{93f}
ガ → wrong: カ
ガラス → wrong: カラス
й → wrong: и
мой → wrong: мои
ガラス → right: ガラス ¦ カ{3099}ラス ¦ ｶﾞﾗｽ
Tromsø → right: tromso ¦ Tromsø ¦ TROMSØ ¦ TROMSO
Łódź → right: lodz ¦ Lodz
Đà Nẵng → right: da nang ¦ Da Nang
Æsir → right: aesir
œuvre → right: oeuvre
Straße → right: STRAẞE ¦ STRASSE ¦ strasse ¦ Strasse ¦ straße
Straße (accents) → right: STRASSE ¦ STRAẞE
The top pound → right
  The top  Pound. ¦ "The top pound" ¦ “the top pound” ¦ 'the top pound' ¦ «the top pound» ¦ The top pound;
/(the )?top pound/ → right: The top  Pound. ¦ top pound ¦ "top pound" ¦ Top Pound
Müller → right: Mueller ¦ Muller ¦ müller ¦ MUELLER
Mueller → right: Müller
Größe → right: Groesse ¦ Grosse ¦ groesse
Äpfel → right: Aepfel ¦ aepfel ¦ apfel
photosynthesis → right: photo synthesis ¦ photo-synthesis ¦ photo{200b}synthesis ¦ photo{ad}synthesis ¦ photosyntesis
well-being → right: well being ¦ wellbeing
well being → right: wellbeing ¦ well-being
كتاب → right: كـتـاب ¦ ك{650}ت{64e}اب
photosynthesis → right: photosynthesis{200b} ¦ {feff}photosynthesis
光合作用 → wrong: 光合作甩 ¦ 光和作用 ¦ 光合作
光合作用 → right: 光合作用 ¦ 光合 作用
/Straße/ → right: Straße
/Straße/ (capitals) → right: Straße
/Straße/ (accents) → right: Straße
/Straße/ (capitals and accents) → right: Straße
/½/ → right: ½
/½/ (capitals) → right: ½
/½/ (accents) → right: ½
/½/ (capitals and accents) → right: ½
/ﬁlter/ → right: ﬁlter
/ﬁlter/ (capitals) → right: ﬁlter
/ﬁlter/ (accents) → right: ﬁlter
/ﬁlter/ (capitals and accents) → right: ﬁlter
/İzmir/ → right: İzmir
/İzmir/ (capitals) → right: İzmir
/İzmir/ (accents) → right: İzmir
/İzmir/ (capitals and accents) → right: İzmir
/cafe{301}/ → right: cafe{301} ¦ café
/cafe{301}/ (capitals) → right: cafe{301} ¦ café
/cafe{301}/ (accents) → right: cafe{301} ¦ café
/cafe{301}/ (capitals and accents) → right: cafe{301} ¦ café
/ΟΔΟΣ/ → right: ΟΔΟΣ
/ΟΔΟΣ/ (capitals) → right: ΟΔΟΣ
/ΟΔΟΣ/ (accents) → right: ΟΔΟΣ
/ΟΔΟΣ/ (capitals and accents) → right: ΟΔΟΣ
/a  b/ → right: a  b
/a  b/ (capitals) → right: a  b
/a  b/ (accents) → right: a  b
/a  b/ (capitals and accents) → right: a  b
/ ab / → right: ␣ab␣
/ ab / (capitals) → right: ␣ab␣
/ ab / (accents) → right: ␣ab␣
/ ab / (capitals and accents) → right: ␣ab␣
/[ßa]x/ → right: ßx
/[ßa]x/ (capitals) → right: ßx
/[ßa]x/ (accents) → right: ßx
/[ßa]x/ (capitals and accents) → right: ßx
/ẞ+/ → right: ẞ
/ẞ+/ (capitals) → right: ẞ
/ẞ+/ (accents) → right: ẞ
/ẞ+/ (capitals and accents) → right: ẞ
/Ǆ/ → right: Ǆ
/Ǆ/ (capitals) → right: Ǆ
/Ǆ/ (accents) → right: Ǆ
/Ǆ/ (capitals and accents) → right: Ǆ
/é?a/ → right: éa
/é?a/ (capitals) → right: éa
/é?a/ (accents) → right: éa
/é?a/ (capitals and accents) → right: éa
/[éà]/ → right: é
/[éà]/ (capitals) → right: é
/[éà]/ (accents) → right: é
/[éà]/ (capitals and accents) → right: é
lock (others) → wrong: look
lock (others) → wrong: clock
lock (others) → right: lokc
not able → wrong: notable
gate → right: the gate ¦ a gate ¦ Gate.
die Schleuse → right: die Schleuse ¦ die Schleusse
die Schleuse → wrong: Schleuse
l'écluse → right: l'écluse ¦ l’ecluse
écluse → right: l'écluse ¦ une écluse
refraction → wrong: reflection ¦ diffraction
refraction → right: refration ¦ refraction ¦ refaction
convection → wrong: conviction ¦ conduction ¦ convention
Iran → wrong: Iraq
Slovakia → wrong: Slovenia
Australia → wrong: Austria
ileum → wrong: ilium
principle → wrong: principal
desert → wrong: dessert
meiosis → wrong: mitosis
evolution → wrong: revolution
carbonate → wrong: bicarbonate
proton → wrong: photon
ammonium → wrong: ammonia
neutron → wrong: neuron
stalactites → wrong: stalagmites
silicon → wrong: silicone
photosynthesis → right: photosyntesis ¦ fotosynthesis ¦ photosythesis ¦ phtosynthesis
Mississippi → right: Missisippi ¦ Mississipi
government → right: goverment
parliament → right: parlament ¦ parliment
chlorophyll → right: chlorophyl ¦ clorophyll
mitochondria → right: mitocondria ¦ mitochondira
nucleus → right: nucleous ¦ nuclues
gravity → right: gravitiy ¦ graviti
Shakespeare → right: Shakespear ¦ Shakespere
ethanol → wrong: methanol
methane → wrong: ethane
Ireland → wrong: Iceland
Zambia → wrong: Gambia
million → wrong: billion
Thursday → wrong: Tuesday
eighty → wrong: eight
country → wrong: county
insulin → wrong: inulin
Thursday → right: Thurday ¦ Thrusday
country → right: coutry
million → right: milion
`

const RULES: Record<string, Partial<WordRules>> = {
  capitals: { minds: { case: true, accents: false } },
  accents: { minds: { case: false, accents: true } },
  'capitals and accents': { minds: { case: true, accents: true } },
  others: { others: ['look', 'clock'] },
}
const signs = (text: string) =>
  text
    .trim()
    .replaceAll('␣', ' ')
    .replace(/\{([0-9a-f]+)\}/g, (_all, number: string) =>
      String.fromCodePoint(parseInt(number, 16)),
    )

const rows = TABLE.trim()
  .split(/\n(?=\S)/)
  .map((block) => {
    const [, head, how, verdict, texts] = /^(.*?)(?: \((.*)\))? → (\w+):?\n?([^]*)$/.exec(block)!
    const listed = signs(head!)
    const isPattern = /^\/.*\/$/.test(listed)
    const as = isPattern ? ('pattern' as const) : ('words' as const)
    const text = isPattern ? listed.slice(1, -1) : listed
    const question = questionOf('shortText', {
      listed: entries([{ text, as, share: 1, feedback: '' }]),
      rules: { minds: { case: false, accents: false }, typos: true, ...RULES[how ?? ''] },
    })
    return {
      name: `${listed} ${how ?? ''}`,
      question,
      verdict: verdict!,
      typed: texts!.split('¦').map(signs),
    }
  })

describe.each(rows)('$name is $verdict', ({ question, verdict, typed }) => {
  it.each(typed)('%s', (text) =>
    expect(markQuestion(question, { kind: 'shortText', text }).verdict).toBe(verdict),
  )
})
