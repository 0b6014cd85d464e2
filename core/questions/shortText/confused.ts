// Words of school and trade that lie a slip or two apart and mean something else, row by row; without accents, small.
import { remembered } from '../../fields/index.ts'

const ROWS = `
accept except expect | access excess assess | adapt adopt adept | advice advise | affect effect | allele allelic
allusion illusion | alkane alkene alkyne | altitude latitude attitude aptitude | ammonia ammonium | amylase amylose
anode cathode | angel angle | anion cation | annual annul | antigen antibody | apogee perigee | arteriole artery
ascent assent accent | austria australia | axon exon | baltic balkan | bazaar bizarre | belarus belgium | bile pile
borough burrow | brake break | breath breadth breathe | bromine bromide | buffer suffer | calcite calcium
canal canoe | capital capitol | carbonate bicarbonate | carpal carpel | causal casual | cell sell
censor census sensor | chord cord | cite site sight | climatic climactic | coarse course | colon colony
comet comer | complement compliment | concave convex | condensation conversation
conduction convection convention conviction | conductor convector inductor | confident confidant
conscience conscious | consul council counsel | continent content | contract contrast | convection conviction
council counsel | crater creator | crust crest | cube tube | currant current | cytosine cysteine | dairy diary
decent descent dissent | defuse diffuse | delta data | density destiny | desert dessert | device devise
diffraction refraction reflection deflection | diffusion effusion infusion | dilation dilution | disease decease
divergent diverse | dominant dormant | dysphagia dysphasia | eclipse ellipse | ecology geology zoology
economic ecumenic | edict addict | elicit illicit | elusive allusive illusive | emigrate immigrate
eminent imminent immanent | epic epoch | equator equation | erosion corrosion | eruption irruption
ethane ethene ethyne ethanol ethanal | evolution revolution devolution resolution | exon axon | expand expend
extant extent | factor vector sector | fault vault | fetal fatal | fission fusion | flaunt flout
flour floor flower | fluorine fluoride | formal former | forth fourth | fungi fungus | gamete gamut | gauge gouge
gene genus genie | genotype phenotype | genre gender | glacial glacier | glucose galactose lactose sucrose
glycogen glucagon | gorilla guerrilla | gravity gravidity | habit habitat | heal heel | heroin heroine | hertz heart
hole whole | hoard horde | hominid hominin | hormone harmony | human humane | humus hummus | idol idle idyll
ileum ilium | immune immure | impact impart | incident accident | incite insight | ingenious ingenuous
inspiration respiration perspiration transpiration | iodine iodide | ion iron | iran iraq | isobar isotherm
isotope isotone | kernel colonel | keratin carotene creatine | lava larva | lead load | least lease | lesson lessen
liberia libya siberia | ligament filament | liver river | loose lose | lung lunge | macro micro | magma magna
magnate magnet | manganese magnesium | mantle mantel | margin marginal | marital martial | marsh march
mean median medium | meiosis mitosis | metal mettle medal petal | meteor meteorite | methane methanol methanal
mineral mine | minister minster | mode node | molar polar solar | mole mould | monarch monarchy
moral morale mortal | motion notion | mucous mucus | muscle mussel | mutual mutable | naval navel | neuron neutron
nitrate nitrite nitride | nuclear nucleus | oligarch oligarchy | oral aural | orbit orbital | organ origin
ovary ovule | paddle puddle saddle | paris parish | passed past | peace piece | peak peek pique | period parade
persecute prosecute | personal personnel | petal pedal | phase phrase | phosphate phosphite | physics physic
pistil pistol piston | plaice place | plain plane | planet plant | plate plait | pleural plural | poison potion
pole poll | pollen polled | pore pour poor | portion potion | pray prey | precede proceed | prefix suffix
prescribe proscribe | presence presents | principal principle | prism prison | product produce | profit prophet
proton photon | pupil pupal | quartz quarts | quiet quite quit | radical radial radicle | radium radius radon
ration ratio rational | recession secession procession | refraction reflection | reign rain rein
relation revelation | residual residue | respectfully respectively | rhyme rime | rise raise | role roll
route root rout | rural mural | saline saliva | scalar scalp | scene scent | sediment sentiment | sepal petal
septic sceptic | serf surf | serum sebum | silicon silicone | slovakia slovenia | sole soul | sort salt
species spices | spore spare | stalactite stalagmite | stamen stamina | starch search | stationary stationery
statue statute stature | steal steel | storey story | straight strait | sucrose sucrase | suit suite
sulfate sulfite sulfide | sulphate sulphite sulphide | summary summery | symbol cymbal | synapse synopsis
taiga tiger | tail tale | temporal temporary | tendon tenon tender | tenet tenant | tensile tonsil | theme thyme
theory theorem | thyroid thymus | tibia tuba | tide tied | torque toque | tract track | transcription translation
tropic trophic | tumor tutor | urea uvea | ureter urethra | uterus ureter | vacuole vacuum | vain vein vane
valence valency | variance variant | vary very | vein vain | velocity veracity | venal venial | vertex vortex
virus various | viscous viscose | waist waste | weak week | weather whether | whales wales | woman women | yoke yolk
meter mieter | miete mitte | wahl wal | seite saite | lerche larche | rad rat | tod tot | wende wand | stadt staat
leib laib | moor mohr | mine miene | bund bunt | weise waise | volk folk | poisson poison | cou coup cour cours
cote coter | amande amende | mer mere maire | perro pero | hombre hambre hombro | casa caza | siento ciento
pelo perro | carro caro | insulin inulin | thymine thiamine | adenine adenosine | methanol ethanol | methane ethane
methanal ethanal | methene ethene | propane propene | cesium cerium | thorium thulium | terbium erbium
gallium thallium | indium iridium | rhodium rhenium | radon argon | neon xenon | cortex vortex | femur lemur
humerus humorous | dermis epidermis | haploid diploid | gambia zambia | ireland iceland | mali malta | niger nigeria
guinea guyana | latvia libya | vienna vietnam | turin tunis | tokyo kyoto | eight eighty eighth | nine ninety ninth
four fourth forty | six sixth sixty | seven seventh seventy | five fifth fifty | ten tenth
million billion trillion | tuesday thursday | june july | sunday monday | major mayor minor | county country
angle ankle angel | cold gold | from form | black block | winter water | latent patent | cause course | north south
east west | mother father brother | thirteen thirty | fourteen forty | fifteen fifty | sixteen sixty
methan methen methin | ethan ethen ethin | propan propen propin | butan buten butin | pentan penten | hexan hexen
benzin benzen benzol | seventeen seventy | eighteen eighty | nineteen ninety | male female | odd even
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
