// Words of school and trade that lie a likely slip apart (likely.ts) and mean something else, row by row; without accents, small.
import { remembered } from '../../fields/index.ts'

const ROWS = `
adapt adopt adept | adenine adenosine | advice advise | altitude latitude attitude aptitude | amande amende
ammonia ammonium | angel angle | annual annul | ascent assent accent | austria australia | benzin benzen
black block | breath breadth breathe | bund bunt | butan buten butin | capital capitol | carpal carpel | carro caro
casa caza | causal casual | cell sell | censor sensor | chord cord | cite site | climatic climactic | coarse course
colon colony | comet comer | complement compliment | confident confidant | continent content | contract contrast
convection convention conviction | convection conviction | cote coter | cou coup cour cours | county country
crust crest | currant current | dairy diary | desert dessert | device devise | dilation dilution
dysphagia dysphasia | eclipse ellipse | eight eighty eighth | ethan ethen ethin
evolution revolution devolution resolution | expand expend | extant extent | fault vault | fetal fatal | fifth fifty
flour floor | forth fourth | from form | gauge gouge | gene genie | gravity gravidity | heal heel | heroin heroine
hexan hexen | hombre hambre hombro | human humane | humerus humorous | humus hummus | ileum ilium
imminent immanent | ingenious ingenuous | insulin inulin | ion iron | lava larva | lerche larche | lesson lessen
loose lose | lung lunge | macro micro | magma magna | mantle mantel | margin marginal | marital martial
marsh march | mer mere | metal medal | meter mieter | methan methen methin | methanal ethanal | methanol ethanol
miete mitte | mine miene | minister minster | monarch monarchy | moor mohr | moral morale mortal | mucous mucus
naval navel | neuron neutron | oligarch oligarchy | paddle puddle | paris parish | peak peek | pentan penten
perro pero | personal personnel | petal pedal | phase phrase | physics physic | pistil pistol | plaice place
planet plant | pleural plural | poisson poison | pole poll | portion potion | pour poor | principal principle
propan propen propin | pupil pupal | quartz quarts | quiet quite quit | radical radial | ration ratio rational
refraction reflection | reign rein | relation revelation | residual residue | rise raise | role roll
route rout root | sediment sentiment | seite saite | septic sceptic | seventh seventy | siento ciento
silicon silicone | sixth sixty | spore spare | stadt staat | stationary stationery | statue statute stature
steal steel | storey story | straight strait | suit suite | summary summery | temporal temporary | tendon tenon
theme thyme | thymine thiamine | tide tied | torque toque | tropic trophic | tuesday thursday | valence valency
velocity veracity | venal venial | vertex vortex | volk folk | wahl wal | weak week | weise waise | whales wales
woman women
renin rennin | super supper | diner dinner | later latter | holly holy | coma comma | hoping hopping | taping tapping
biter bitter | furry fury | staring starring | planed planned
`

const rowsOf = (): Map<string, Set<string>> => {
  const others = new Map<string, Set<string>>()
  for (const row of ROWS.split(/[|\n]/)) {
    const words = row.trim().split(/\s+/)
    for (const word of words)
      for (const other of words)
        if (other !== word) others.set(word, (others.get(word) ?? new Set()).add(other))
  }
  return others
}
let rows: Map<string, Set<string>> | null = null

/** Words that this one is taken for; those of its singular in the plural. */
export const confusedWith = remembered(2000, (word): string[] => {
  rows ??= rowsOf()
  const own = [...(rows.get(word) ?? [])]
  const single = word.endsWith('s') ? [...(rows.get(word.slice(0, -1)) ?? [])] : []
  return [...own, ...single.map((other) => `${other}s`)]
})
