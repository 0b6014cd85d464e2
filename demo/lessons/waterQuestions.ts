// The questions of lesson 1 that are no choices: matching, a place on the held frame, order, true or false, and the recap.
import { edits } from '@fernbrake/core/lesson'
import { newRecapSet } from '@fernbrake/core/questions'
import { ask, type DemoAsk, type Making } from './making.ts'

/** Where things stand in the frame, as shares of it. */
const box = (x: number, y: number, width: number, height: number) => ({
  shape: 'rectangle',
  x,
  y,
  width,
  height,
})

export const FURTHER_KINDS: DemoAsk[] = [
  {
    id: 'words-of-a-lock',
    kind: 'terms',
    after: 'upDown',
    evidence: null,
    hold: 'shown',
    stem: 'The words of a lock: how many do you know by now?',
    entries: {
      cards: [
        { term: 'Sill', meaning: 'The step in the stone on which the upper gates stand' },
        { term: 'Paddle', meaning: 'A shutter that lets the water through' },
        { term: 'Pound', meaning: 'The level stretch of water between two locks' },
        { term: 'Windlass', meaning: 'A crank with which a paddle is wound' },
        { term: 'Lockful', meaning: 'The water that one boat costs' },
      ],
    },
  },
  {
    id: 'what-moves-water',
    kind: 'match',
    after: 'lowerPaddle',
    hold: 'answered',
    evidence: ['notGates', 'lowerPaddle'],
    stem: 'What is each of these for?',
    hint: 'Two of them are moved at a lock. One is carried there and taken away again.',
    feedback: {
      right: 'Yes. Each has one task.',
      partly: 'Part of it. Look again at what the keeper winds.',
      wrong: 'No. Look again at what the keeper winds.',
    },
    explanation:
      'Gates hold the water back and let boats through; paddles let the water through. A gate is moved only when both sides are level.',
    entries: {
      pairs: [
        { left: 'The gates', right: 'let boats through' },
        { left: 'The paddles', right: 'let water through' },
        { left: 'The windlass', right: 'winds a paddle up' },
      ],
      extras: [{ text: 'lifts the boat by its weight' }],
    },
    rules: { points: 3, tries: 2, tryPenalty: 0.25 },
  },
  {
    id: 'show-the-sill',
    kind: 'area',
    after: 'shut',
    hold: 'answered',
    evidence: ['sill', 'sill'],
    stem: 'Where is the sill? Show it on the picture.',
    hint: 'It lies under the upper gates.',
    feedback: { right: 'Yes, that is the sill.', wrong: 'No. The sill is a step in the stone.' },
    explanation:
      'The sill is the step on which the upper gates stand. A boat going down must stay clear of it.',
    entries: {
      places: [
        { label: 'The sill', shape: box(0.655, 0.645, 0.08, 0.2), right: true, feedback: '' },
        {
          label: 'The upper gates',
          shape: box(0.712, 0.38, 0.03, 0.26),
          right: false,
          feedback: 'These stand on it.',
        },
        {
          label: 'The lower gates',
          shape: box(0.295, 0.39, 0.035, 0.38),
          right: false,
          feedback: 'These are at the other end of the chamber.',
        },
        {
          label: 'The lower paddle',
          shape: box(0.285, 0.8, 0.04, 0.1),
          right: false,
          feedback: 'This lets the water out.',
        },
      ],
    },
    rules: { points: 1, tries: 2, tryPenalty: 0.5 },
  },
  {
    id: 'where-from',
    kind: 'trueFalse',
    after: 'cubic',
    hold: 'shown',
    evidence: ['weight', 'cubic'],
    stem: 'The water that lifts the boat is pumped up from the pound below.',
    feedback: {
      right: 'Yes. Nothing pumps this water.',
      wrong: 'No. Follow the pale strokes in the picture.',
    },
    explanation:
      'It runs in from the pound above, by its own weight: about 116 cubic metres each time. That is why locks are kept shut.',
    rules: { points: 1, right: false },
  },
  {
    id: 'keepers-order',
    kind: 'order',
    after: 'closed',
    hold: 'answered',
    evidence: ['shut', 'closed'],
    stem: 'A boat waits in the chamber and wants to go up. In which order does the keeper work?',
    hint: 'Nothing is wound before nothing can run away.',
    feedback: {
      right: 'Yes. So it is done at every lock.',
      partly: 'Nearly. Think of where the water would go.',
      wrong: 'No. Think of where the water would go.',
    },
    explanation: 'Shut, tie, wind half, wind full, open when level, and shut behind the boat.',
    entries: {
      items: [
        { text: 'Shut the lower gates and drop their paddles' },
        { text: 'See that the boat is tied' },
        { text: 'Wind the upper paddle half up' },
        { text: 'Wind it up fully' },
        { text: 'Open the upper gates when both sides are level' },
      ],
    },
    rules: { points: 2, tries: 2, tryPenalty: 0.25 },
  },
]

const SETS: [truth: string, ...others: string[]][] = [
  [
    'Water lies still only where it is level, so a canal climbs in steps.',
    'Water lies still on any slope, if the slope is short.',
    'A canal climbs evenly, as a road does.',
  ],
  [
    'Paddles let the water through; gates are moved when both sides are level.',
    'Gates let the water through; paddles hold them shut.',
  ],
  [
    'A boat going down stays in front of the mark, clear of the sill.',
    'A boat going up stays in front of the mark, clear of the sill.',
    'A boat going down stays behind the mark, over the sill.',
  ],
]

/** Near the end: three sets, and what is true in them is what the lesson was about. */
export function askRecap(making: Making): void {
  const id = 'what-to-keep'
  ask(making, {
    id,
    kind: 'recap',
    after: 'upDown',
    evidence: null,
    hold: 'answered',
    stem: 'What do you take along to the first evening?',
    feedback: {
      right: 'All at once. That is the whole of it.',
      partly: 'That is the whole of it.',
    },
    rules: { points: 3 },
  })
  const { sets } = making.made().lesson.questions[id] as { sets: Record<string, { id: string }> }
  for (const entryId of Object.keys(sets))
    making.edit(edits.removeEntry, { questionId: id, path: ['sets'], entryId })
  SETS.forEach((texts, index) => {
    let made = 0
    const set = newRecapSet('a0', () => `${id}-${index}-${made++}`)
    making.edit(edits.addEntries, {
      questionId: id,
      path: ['sets'],
      entries: [{ id: set.id, statements: {} }],
    })
    making.edit(edits.addEntries, {
      questionId: id,
      path: ['sets', set.id, 'statements'],
      entries: texts.map((text, at) => ({ id: `${set.id}-${at}`, text, right: at === 0 })),
    })
  })
}
