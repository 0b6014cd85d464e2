// What stands around the film of lesson 1: a page before it, a still and a chronicle after it.
import { edits } from '@fernbrake/core/lesson'
import { pinsOf, rust } from './anatomyPins.ts'
import { addBlocks, askOnPage, picture, TRUST_LICENCE, type Making } from './making.ts'

export const BEFORE_PART = 'before-you-watch'
export const ANATOMY_PART = 'anatomy-of-a-lock'
export const CHRONICLE_PART = 'the-navigation'

const OWN = { credit: 'Harrowmere Navigation Trust', licence: TRUST_LICENCE }

export const ANATOMY = picture('anatomy-of-a-lock', {
  ...OWN,
  title: 'A lock, cut open',
  alternative:
    'A lock cut open from the side: the lower pound on the left, the chamber with a boat in the middle, the upper pound on the right. Water runs through a culvert into the chamber.',
  tags: ['lock', 'cut'],
})
export const NAVIGATION_MAP = picture('navigation-map', {
  ...OWN,
  title: 'The Navigation on a map',
  alternative:
    'A map: from Oxwith reservoir in the hills a canal runs through the eleven locks of Cantle Steps and past Harrowmere to the river at Nethering.',
  tags: ['map'],
})
export const FLIGHT_OPENED = picture('flight-opened', {
  ...OWN,
  title: 'The flight in water',
  alternative:
    'A hillside with eleven locks, one above the other, all in water, and a boat in the seventh.',
  tags: ['flight'],
})
export const FLIGHT_DRY = picture('flight-dry', {
  ...OWN,
  title: 'The flight without water',
  alternative:
    'The same hillside: the steps of the locks are overgrown, and there is no water in them.',
  tags: ['flight'],
})

/** A page to be read before the film. */
export function addPageBefore(making: Making): void {
  const { edit } = making
  edit(edits.addPart, { id: BEFORE_PART, kind: 'page', title: 'Before You Watch' })
  const at = (columnsId: string, side: 'first' | 'second') => ({ inside: { columnsId, side } })
  addBlocks(making, BEFORE_PART, [
    {
      id: 'before-welcome',
      kind: 'text',
      text: 'Welcome, {first name}. On the first evening you will stand at a lock with a windlass in your hand. This lesson makes sure that you know what you are looking at.',
      note: 'About twenty-five minutes in all. You may stop at any time; you come back to where you were.',
    },
    { id: 'before-columns', kind: 'columns', split: 'halves', stays: false },
    {
      id: 'before-map',
      kind: 'picture',
      mediaId: NAVIGATION_MAP.id,
      alternative: NAVIGATION_MAP.words.alternative,
      caption: 'The Navigation: the water comes from Oxwith, and leaves at Nethering.',
      ...at('before-columns', 'first'),
    },
    {
      id: 'before-heading',
      kind: 'heading',
      words: 'Watch for these',
      level: 3,
      ...at('before-columns', 'second'),
    },
    {
      id: 'before-watch-for',
      kind: 'text',
      text: {
        blocks: [
          {
            block: 'list',
            ordered: true,
            items: [
              [{ text: 'Why is the hill cut into steps?' }],
              [{ text: 'What is used to let water in, and what never is?' }],
              [
                { text: 'Where is the ' },
                { text: 'sill', marks: ['bold'] },
                { text: ', and why does it matter?' },
              ],
            ],
          },
        ],
      },
      ...at('before-columns', 'second'),
    },
    {
      id: 'before-fact',
      kind: 'fact',
      title: 'One passage',
      tone: 'slate',
      text: 'A chamber of 22.0 m by 2.2 m that lifts a boat by 2.4 m takes 116.16 m³ of water. All of it comes down from Oxwith.',
    },
  ])
  askOnPage(making, BEFORE_PART, {
    id: 'before-stood',
    kind: 'poll',
    evidence: null,
    stem: 'Have you stood at a lock before?',
    entries: {
      options: [
        { text: 'Never', colour: null },
        { text: 'I have watched', colour: null },
        { text: 'I have wound a paddle', colour: null },
      ],
    },
  })
}

/** “Anatomy of a Lock”: a picture to be explored. Comes after the chronicle is there, to which a pin leads. */
export function addAnatomy(making: Making): void {
  const { edit } = making
  edit(edits.addPart, { id: ANATOMY_PART, kind: 'still', title: 'Anatomy of a Lock' })
  edit(edits.setPart, {
    partId: ANATOMY_PART,
    change: {
      mediaId: ANATOMY.id,
      alternative: ANATOMY.words.alternative,
      text: 'Everything that the film named, at your own pace. Press a pin, or take the list.',
    },
  })
  edit(edits.addThings, {
    partId: ANATOMY_PART,
    map: 'pins',
    things: pinsOf(making, CHRONICLE_PART),
  })
  const asks = {
    id: 'anatomy-mark',
    stem: 'Behind which line must the boat be kept on its way down?',
  }
  edit(edits.addThings, {
    partId: ANATOMY_PART,
    map: 'pins',
    afterId: 'pin-sill',
    things: [
      {
        id: 'pin-mark',
        x: 0.655,
        y: 0.4,
        name: 'The white line',
        symbol: '',
        ...rust,
        opens: { what: 'question', questionId: asks.id },
      },
    ],
    asks: { questionId: asks.id, kind: 'shortText', ids: ['anatomy-mark-1', 'anatomy-mark-2'] },
  })
  edit(edits.setQuestionText, { questionId: asks.id, field: 'stem', text: asks.stem })
  edit(edits.replaceEntries, {
    questionId: asks.id,
    path: ['listed'],
    gone: ['anatomy-mark-1', 'anatomy-mark-2'],
    alone: null,
    entries: ['the mark', 'mark', 'the sill mark', 'white mark', 'the white mark'].map(
      (text, index) => ({
        id: `anatomy-mark-answer-${index + 1}`,
        text,
        as: 'words',
        share: 1,
        feedback: '',
      }),
    ),
  })
  edit(edits.setEvidence, {
    questionId: asks.id,
    evidence: {
      partId: making.partId,
      fromMs: making.sentence('mark').fromMs,
      toMs: making.sentence('mark').toMs,
    },
  })
}

const CATEGORIES = [
  { id: 'work', name: 'Works', colour: '#385873' },
  { id: 'people', name: 'People', colour: '#693A62' },
  { id: 'trouble', name: 'Trouble', colour: '#A5461D' },
]

const shown = (of: { id: string; words: { alternative: string } }, caption: string) => ({
  mediaId: of.id,
  kind: 'picture' as const,
  alternative: of.words.alternative,
  caption,
  credit: OWN.credit,
})

const HAPPENED = [
  {
    from: [1791],
    title: 'The Act of Navigation',
    text: 'Leave is given to lead water from Oxwith to Nethering, “by such steps as the hill may require”.',
    of: 'people',
  },
  {
    from: [1793, 3, 12],
    until: [1797, 8],
    title: 'Cantle Steps are dug',
    text: 'Two hundred people, four summers, eleven chambers.',
    of: 'work',
  },
  {
    from: [1797, 9, 4],
    title: 'The first boat climbs',
    text: 'It carries lime up and a band down. The band is said to have been wet.',
    of: 'people',
    medium: shown(FLIGHT_OPENED, 'The flight in its first year, drawn from the ledger'),
  },
  {
    from: [1826],
    until: [1828],
    title: 'The dry years',
    text: 'Oxwith falls below its sluice three summers in a row. Boats wait for rain.',
    of: 'trouble',
  },
  {
    from: [1831, 5],
    title: 'Side ponds',
    text: 'Ponds beside six of the chambers keep half of each lockful.',
    of: 'work',
  },
  {
    from: [1868],
    title: 'The wagonway',
    text: 'Lime goes by wagon. Half the boats are sold within a year.',
    of: 'trouble',
  },
  {
    from: [1904, 11, 2],
    title: 'The night passage',
    text: 'A boat hangs on the sill of lock 7 in the dark. Nobody is hurt; the rule of the white line is made the next morning.',
    of: 'trouble',
  },
  {
    from: [1938],
    until: [1971],
    title: 'Out of water',
    text: 'The flight is dry. Alder grows in the chambers.',
    of: 'trouble',
    medium: shown(FLIGHT_DRY, 'The hill in the dry years'),
  },
  {
    from: [1971, 6, 19],
    title: 'The Trust is founded',
    text: 'Nine people and a borrowed pump.',
    of: 'people',
  },
  {
    from: [1974],
    until: [1995],
    title: 'Lock after lock',
    text: 'One chamber every second year, by hand.',
    of: 'work',
  },
  {
    from: [1996, 7, 6],
    title: 'The flight reopens',
    text: 'The first boat in fifty-eight years climbs to the top.',
    of: 'work',
  },
  {
    from: [2019, 4, 27],
    title: 'The lock log goes on paper again',
    text: 'After a winter without power. You will learn to keep it.',
    of: 'people',
    medium: shown(NAVIGATION_MAP, 'The Navigation as it is kept today'),
  },
] as const

const dateOf = ([year, month, day]: readonly number[]) => ({
  year: year!,
  ...(month === undefined ? {} : { month }),
  ...(day === undefined ? {} : { day }),
})

/** “The Navigation, 1791–2019”. */
export function addChronicle({ edit }: Making): void {
  edit(edits.addPart, { id: CHRONICLE_PART, kind: 'chronicle', title: 'The Navigation, 1791–2019' })
  edit(edits.setPart, {
    partId: CHRONICLE_PART,
    change: { text: 'Dug, sailed, dried out, and dug again.' },
  })
  edit(edits.addThings, { partId: CHRONICLE_PART, map: 'categories', things: CATEGORIES })
  edit(edits.addThings, {
    partId: CHRONICLE_PART,
    map: 'items',
    things: HAPPENED.map((one, index) => ({
      id: `happened-${index + 1}`,
      title: one.title,
      text: one.text,
      categoryId: one.of,
      from: dateOf(one.from),
      until: 'until' in one ? dateOf(one.until) : null,
      medium: 'medium' in one ? one.medium : null,
    })),
  })
}
