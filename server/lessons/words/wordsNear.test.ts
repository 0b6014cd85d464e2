// Words of a language that are no slips of what a lesson asks for.
import { describe, expect, it } from 'vitest'
import {
  blankBase,
  blankQuestion,
  markQuestion,
  nearWords,
  withOthers,
  wordsListed,
  wordsOf,
  type Question,
} from '@fernbrake/core/questions'
import { wordsNear } from './wordsNear.ts'

const warnings: unknown[] = []
const log = { warn: (...said: unknown[]) => void warnings.push(said) } as never

function asking(word: string): Question {
  const question = blankQuestion('shortText', blankBase('q'), () => 'one')
  const listed = {
    id: 'one',
    order: 'a0',
    text: word,
    as: 'words',
    share: 1,
    feedback: '',
  } as const
  const rules = { minds: { case: false, accents: false }, typos: true }
  return { ...question, listed: { one: listed }, rules } as Question
}

/** Asks for one word in this language, and says which of some answers are right. */
async function rightOf(word: string, typed: string[], language = 'en'): Promise<string[]> {
  const question = asking(word)
  const near = await wordsNear(language, wordsListed(question), log)
  const asked = withOthers(question, near)
  return typed.filter(
    (text) => markQuestion(asked, { kind: 'shortText', text }).verdict === 'right',
  )
}

describe('a slip that makes another word is none', () => {
  it.each([
    ['trial', ['trail', 'trill'], ['trial', 'trials', 'trrial']],
    ['silver', ['sliver'], ['silver', 'sillver', 'silvre']],
    ['cirrus', ['citrus'], ['cirus']],
    ['vector', ['victor'], ['vectro']],
    ['glacier', ['glazier'], ['glaciar', 'glaciers']],
    ['colour', ['dolour'], ['color', 'colours']],
    ['paddle', ['puddle', 'peddle'], ['padle', 'padddle', 'paddel']],
    ['supper', ['super'], ['suppper']],
    ['photosynthesis', [], ['photosyntesis', 'photosinthesis']],
  ])('%s', async (word, wrong, right) =>
    expect(await rightOf(word, [...wrong, ...right])).toEqual(right),
  )

  it('in French and Spanish too, without their accents', async () => {
    expect(await rightOf('écluse', ['éclose', 'eclusse'], 'fr-FR')).toEqual(['eclusse'])
    expect(await rightOf('canal', ['canel', 'cabal'], 'es')).toEqual(['canel'])
  })
})

/** Words that lie near to one another and mean something else. */
const PAIRS = `
trial trail | angina vagina | public pubic | sliver silver | united untied | martial marital | causal casual
from form | salvage savage | horse house | mouse house | prairie praise | plasma plasmid | plastid plasmid
ribosome liposome | ribosome lysosome | peroxisome lysosome | chromatin chromatid | chromatin keratin
hemoglobin myoglobin | thymosin thyroxin | glycerol glycogen | cellulose cellulase | maltose maltase
pepsin pepsinogen | trypsin tryptase | renin rennin | retina renin | villus virus | actin action | nephron neuron
dendrite denticle | axon action | tundra tuna | strata stratus | cirrus citrus | basalt basal | granite graphite
marble mantle | quartz quarry | dolerite dolomite | calcite dolomite | equinox solstice | aphelion perihelion
latitude longitude | tributary distributary | levee level | estuary sanctuary | peninsula insula | democracy autocracy
aristocracy autocracy | theocracy democracy | oligarchy monarchy | fascism racism | marxism maximum
feudalism federalism | federal feudal | republic public | senate sedate | armistice justice | simile smile
irony iron | satire satyr | sonnet bonnet | stanza stance | tragedy strategy | protagonist antagonist
prologue epilogue | monologue dialogue | adverb adjective | adjective objective | subjective objective | verb adverb
noun pronoun | vowel bowel | syntax synthesis | phoneme morpheme | radius radians | median mediant | secant second
tangent tangible | integer integral | integral interval | convergent divergent | numerator denominator
rational irrational | factor fraction | vector victor | scalar solar | mass mess | force forge | power tower
current currency | voltage wattage | resistor transistor | capacitor capacity | inductor conductor | refract reflect
absorb adsorb | absorption adsorption | emission omission | amplitude aptitude | frequency fluency | nuclide nucleoid
electron electrode | electrolyte electrolysis | oxidation reduction | solute solvent | solution dilution
alkali alkane | base case | acid arid | hydrogen nitrogen | sodium podium | cadmium calcium | Brasilia Brazil
Budapest Bucharest | Sweden Eden | Switzerland Swaziland | Mauritius Mauritania | Congo Conga | Oman Roman
Faraday Friday | lock look | gate date | sill still | pound sound | pond bond | chamber charmer | water waiter
paddle puddle | river rover | lake like | coast roast | plate slate | valve value | pump bump | barge large
keeper sleeper | level lever | height weight | depth death | bridge fridge | canal banal | boat goat | upper supper
lower flower | depart desert | summit submit | erosion explosion | delta delay | glacier glazier | moraine morphine
fjord ford | cliff cuff | cave cage | arch arc | stack stock | stump stamp | beach bench | dune tune | spit split
tide tidy | wave wage | wind wing | storm stork | cloud clod | humid timid | front font | drought draught
flood blood | famine feminine | crop crow | yield field | labour harbour | tariff sheriff | quota quote
export expert | profit prophet | supply apply | demand remand | inflation inflection | bond band | share shape
credit edit | debit debut | asset asses | equity equality | monarch monarchy | baron barren | knight night | serf surf
manor minor | treason reason | guild build | plague plaque | trade tirade | slave shave | colony colon
patriot patriotic | revolt revolve | guillotine gelatine | reform perform | census senses | strike stroke
union onion | ballot ballet | veto vote | bill ball | court count | judge fudge | jury fury | juror error
heart heard | liver lever | spleen spline | stomach stomata | colon solon | rectum rector | larynx pharynx
trachea tracheid | bronchi bronchial | alveoli aioli | artery arteries | plasma plaza | platelet plate
antibody antibiotic | vaccine vaccinia | allergy allegory | substrate substance | lipase lipid | bolus bolts
chyme chime | bile tile
`

it('of words that lie near to one another, none is taken for the other', async () => {
  const pairs = PAIRS.split(/[|\n]/)
    .map((pair) => pair.trim().split(' '))
    .filter(({ length }) => length === 2) as [string, string][]
  expect(pairs.length).toBeGreaterThan(200)
  const taken: string[] = []
  // Each of a pair in its turn is what is asked for: the other one has to come out of the list of words.
  for (const [asked, typed] of [
    [0, 1],
    [1, 0],
  ] as const) {
    const near = await wordsNear('en', wordsOf(pairs.map((pair) => pair[asked])), log)
    for (const pair of pairs) {
      const question = withOthers(asking(pair[asked]), near)
      const { verdict } = markQuestion(question, { kind: 'shortText', text: pair[typed] })
      if (verdict === 'right' && !pairs.some((one) => one[asked] === pair[typed]))
        taken.push(`${pair[asked]} ← ${pair[typed]}`)
    }
  }
  expect(taken).toEqual([])
})

it('nothing is looked for in a language without a list, or where slips are minded', async () => {
  expect(await wordsNear('de', new Set(['kanal']), log)).toEqual([])
  expect(await wordsNear('en', new Set(), log)).toEqual([])
  expect(warnings).toEqual([])
})

it('what is near is found as if each word were compared with each', () => {
  const words = ['trail', 'tribal', 'trials', 'zebra', 'trial', 'atrial', 'metal', 'medal']
  expect(nearWords(new Set(['trial', 'metal']), words)).toEqual(['trail', 'tribal', 'medal'])
})
