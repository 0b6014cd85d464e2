// “Gate Furniture and the Lock Log”: a deck to leaf through, and a page to read and practise on.
import { edits } from '@fernbrake/core/lesson'
import { FLIGHT_OPENED } from './aroundTheFilm.ts'
import { addBlocks, askOnPage, beginWithoutFilm, picture, tellAbout, type Made } from './making.ts'

export const LOCK_LOG = { lessonId: 'gate-furniture', link: 'cantle-steps-4' }
const DECK = 'gate-furniture-deck'
const PAGE = 'keeping-the-lock-log'

const plate = (name: string, title: string, alternative: string, notes: string) => ({
  ...picture(`gate-${name}`, {
    title,
    alternative,
    tags: ['gate', 'plate'],
    credit: 'Harrowmere Navigation Trust',
    licence: 'Free for teaching within the Trust',
  }),
  notes,
})

export const PLATES = [
  plate(
    'balance-beam',
    'Balance beam',
    'A gate with a long beam on top; the far end of the beam is white.',
    'You push here, with your back. The beam also weighs the gate up, so that it does not sag in its collar.',
  ),
  plate(
    'heel-post',
    'Heel post and quoin',
    'From above: the round post at the end of a gate turns in a hollow of the wall.',
    'The post turns in the hollow quoin. What you see as a black line is all that keeps the water out.',
  ),
  plate(
    'mitre',
    'Mitre',
    'From above: two gates meet in a blunt point that looks towards the higher water.',
    'The gates point uphill. The harder the water presses, the tighter they shut. That is why nobody opens them against it.',
  ),
  plate(
    'collar',
    'Collar and anchor',
    'An iron strap holds the top of the heel post; it is anchored in the stone.',
    'Look at the lead every spring. If it has moved, shut the lock and write it into the log.',
  ),
  plate(
    'gate-paddle',
    'Gate paddle',
    'A shutter in the gate, half drawn, over an opening through which water shows.',
    'Half first, then full. A boat in the chamber feels a gate paddle more than any other.',
  ),
  plate(
    'paddle-gear',
    'Paddle gear',
    'A white post with a toothed wheel and a toothed rack beside it; a red pawl lies on the wheel.',
    'Wind, and the pawl clicks. Never let the rack run down by itself: it breaks its own teeth.',
  ),
  plate(
    'windlass',
    'Windlass',
    'An iron crank with a square socket at one end and a wooden handle at the other.',
    'It stays in your hand or in your belt. Left on the gear it can fly off and hit you.',
  ),
  plate(
    'footboard',
    'Footboard and handrail',
    'A board along the top of the gate with a white handrail above it.',
    'One hand for the rail, always, and never over a gate that is moving.',
  ),
]

/** Every edit of the lesson in the order in which a designer would have made them. */
export function editsOfLockLog(): Made {
  const making = beginWithoutFilm('Gate Furniture and the Lock Log')
  const { edit } = making
  tellAbout(making, {
    summary: 'What is made of iron and oak about a gate, and how the day is written down.',
    objectives: [
      'Name the eight pieces of a gate that a keeper puts a hand on',
      'Write a line in the lock log that can be read in a year',
    ],
    level: 'First evening',
    tags: ['gates', 'lock log'],
    cover: { mediaId: PLATES[0]!.id, strength: 0.5 },
  })
  edit(edits.addPart, { id: DECK, kind: 'deck', title: 'Gate Furniture' })
  edit(edits.addThings, {
    partId: DECK,
    map: 'slides',
    things: PLATES.map(({ id, words, notes }, index) => ({
      id: `plate-${index + 1}`,
      mediaId: id,
      notes,
      title: words.title,
      alternative: words.alternative,
    })),
  })
  edit(edits.addPart, { id: PAGE, kind: 'page', title: 'Keeping the Lock Log' })
  addBlocks(making, PAGE, [
    {
      id: 'log-why',
      kind: 'text',
      text: 'The log is the memory of the flight. Whoever comes on in the morning knows from it what the water did at night, who went up, and what is broken.',
      note: 'The log lies in the hut at lock 6. Use a pencil: ink runs.',
    },
    { id: 'log-heading', kind: 'heading', words: 'One line for each passage', level: 2 },
    {
      id: 'log-table',
      kind: 'text',
      width: 'wide',
      text: {
        blocks: [
          {
            block: 'table',
            headed: true,
            rows: [
              ['Time', 'Lock', 'Boat', 'Way', 'Pound above', 'Kept by'],
              ['07:40', '1', 'Red Campion', 'up', 'full', 'T. O.'],
              ['08:05', '3', 'Red Campion', 'up', '−4 cm', 'T. O.'],
              ['08:30', '11', 'Marsh Hen', 'down', 'full', 'I. F.'],
            ].map((row) => row.map((text) => [{ text }])),
          },
        ],
      },
    },
    {
      id: 'log-fact',
      kind: 'fact',
      title: 'Four centimetres',
      tone: 'rust',
      text: 'A pound that stands four centimetres low was left open somewhere. Do not fill the next chamber from it. Walk up and look.',
    },
    { id: 'log-columns', kind: 'columns', split: 'secondWide', stays: true },
    {
      id: 'log-flight',
      kind: 'picture',
      mediaId: FLIGHT_OPENED.id,
      alternative: FLIGHT_OPENED.words.alternative,
      caption: 'The flight. Lock 1 is at the foot.',
      inside: { columnsId: 'log-columns', side: 'first' },
    },
  ])
  const inside = { columnsId: 'log-columns', side: 'second' } as const
  askOnPage(
    making,
    PAGE,
    {
      id: 'log-which',
      kind: 'choice',
      evidence: null,
      stem: 'Red Campion goes up. At lock 3 the pound above stands four centimetres low. Where do you look first?',
      entries: {
        options: [
          {
            text: 'At lock 4, from which that pound may be running out upwards',
            right: false,
            feedback: 'Water does not run upwards.',
          },
          { text: 'At lock 3 itself: it may be leaking down', right: true, feedback: '' },
          { text: 'At Oxwith', right: false, feedback: 'Oxwith fills the topmost pound only.' },
        ],
      },
      feedback: {
        right: 'Yes. Water leaves a pound downwards.',
        wrong: 'No. Which way does water go?',
      },
      rules: { points: 1, tries: 2 },
    },
    { inside },
  )
  askOnPage(
    making,
    PAGE,
    {
      id: 'log-write',
      kind: 'longText',
      evidence: null,
      stem: 'Write the line of the log for your own passage: Marsh Hen, lock 6, downwards, at ten past nine.',
      rules: { points: 2 },
    },
    { inside },
  )
  edit(edits.setEnding, { message: 'The pencil hangs beside the log, {first name}.', pass: null })
  return making.made()
}
