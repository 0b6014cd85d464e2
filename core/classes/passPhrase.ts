// Pass phrases of sign-in cards: four everyday words, easy to read from paper and to type on a phone.

/** 256 words, so that a random byte picks each as often as any other. */
const WORDS = (
  'acorn alder amber anchor anvil apple arrow ashes aspen autumn badge bakery balsam barley basin basket beacon beech ' +
  'bellow bench berry birch blade blanket bloom bobbin border bottle boulder bower bramble branch brick bridge brook ' +
  'broom bucket bugle butter button cabin cable candle canopy canvas carpet castle cavern cedar cellar chalk chapel ' +
  'cherry chest chime circle clasp cliff clover coast cobble collar comet copper coral corner cotton cove crane cricket ' +
  'crown crystal cup current daisy dawn delta desert dimple ditch dolphin donkey dragon drift drum dune eagle earth ' +
  'echo elbow elder ember engine estate falcon feather fennel fern ferry fiddle field finch flame flint flock flour ' +
  'flute forest forge fossil fountain foxes frost funnel gable galley garden garlic gate geese ginger glacier glove ' +
  'goose gorse grain granite grape gravel grove gull hammer hamlet harbor harvest hazel heath hedge helmet heron ' +
  'hinge holly honey hood horizon hotel hunter iceberg inlet island ivory jacket jetty jewel jigsaw juniper kettle ' +
  'kitten ladder lagoon lantern larch laurel lawn leaf lemon lever lichen lilac linen lizard locket lodge maple marble ' +
  'market marsh meadow melon mill mirror mist moor mortar moss mussel napkin nectar needle nettle nickel oasis ocean ' +
  'olive onion orange orchard otter oyster paddle panel parsley pasture pebble pepper pigeon pillow pine planet plank ' +
  'plum pocket pond poplar poppy prairie puddle quarry quartz quill rabbit raft rain raven reed ribbon ridge river ' +
  'robin rocket rudder saddle saffron sail salmon sandal shadow shell silver sleet slate spruce squash stable starling ' +
  'steeple stork stream summit sunset swallow tangle thistle timber trellis tulip'
).split(' ')

export const PHRASE_WORDS = 4

/** A new phrase, 32 bits of chance; `random` gives so many random bytes. */
export const passPhraseOf = (random: (count: number) => Uint8Array): string =>
  [...random(PHRASE_WORDS)].map((byte) => WORDS[byte]!).join('-')

/** A typed phrase as it is compared: case does not matter, nor what stands between the words. */
export const phraseKey = (typed: string): string =>
  typed
    .toLowerCase()
    .match(/[a-z]+/g)
    ?.join('-') ?? ''

/** How many words there are to pick from. */
export const countPhraseWords = (): number => new Set(WORDS).size
