// The questions of lesson 2 that are no choices: scale, number, short answer, poll, gaps, long answer, self-check.
import type { DemoAsk } from './making.ts'

const EXACT = { by: 'absolute', amount: 0 } as const
const FORGIVING = { minds: { case: false, accents: false }, typos: true }

export const BUDGET_QUESTIONS: DemoAsk[] = [
  {
    id: 'how-sure',
    kind: 'scale',
    after: 'howMuch',
    evidence: null,
    hold: 'shown',
    stem: 'How well could you say, before this lecture, what one boat costs in water?',
    rules: {
      from: 1,
      to: 5,
      resultsFor: 'everyone',
      labels: { from: 'Not at all', middle: 'Roughly', to: 'To the litre' },
    },
  },
  {
    id: 'another-chamber',
    kind: 'number',
    after: 'carry',
    hold: 'answered',
    evidence: ['floor', 'volume'],
    stem: 'Another chamber is 20 m long and 2.5 m wide, and lifts a boat by 2 m. How much is its lockful?',
    hint: 'Floor times rise. Do not forget the unit.',
    feedback: {
      right: 'Yes: 20 m × 2.5 m × 2 m.',
      partly: 'The number is right. Look at its unit again.',
      wrong: 'No. First the floor, then the rise.',
    },
    explanation: {
      blocks: [
        { block: 'paragraph', runs: [{ text: 'The floor is 50 m². It rises by 2 m:' }] },
        {
          block: 'formula',
          tex: 'V = 20\\,\\mathrm{m} \\times 2.5\\,\\mathrm{m} \\times 2\\,\\mathrm{m} = 100\\,\\mathrm{m^3}',
        },
      ],
    },
    rules: { points: 2, tries: 3, tryPenalty: 0.25, value: 100, unit: 'm³', tolerance: EXACT },
  },
  {
    id: 'who-goes-first',
    kind: 'poll',
    after: 'turns',
    evidence: null,
    hold: 'shown',
    stem: 'The chamber is empty. Two boats wait below, one above. Which would you take first?',
    entries: {
      options: [
        { text: 'The first from below', colour: '#24603F' },
        { text: 'Both from below, one after the other', colour: '#A5461D' },
        { text: 'The one from above', colour: '#385873' },
      ],
    },
    rules: { resultsFor: 'everyone' },
  },
  {
    id: 'name-the-pound',
    kind: 'shortText',
    after: 'aground',
    hold: 'answered',
    evidence: ['falls', 'aground'],
    stem: 'What is the level stretch of water between two locks called?',
    feedback: { right: 'Yes, a pound.', wrong: 'No. It rhymes with “sound”.' },
    explanation: 'A pound lies between two locks; a pond lies beside one.',
    entries: {
      listed: [
        { text: 'pound', as: 'words', share: 1, feedback: '' },
        { text: '(a|the) (top )?pound', as: 'pattern', share: 1, feedback: '' },
        { text: 'pond', as: 'words', share: 0, feedback: 'A pond lies beside a lock.' },
      ],
    },
    rules: { points: 1, tries: 2, tryPenalty: 0.5, rules: FORGIVING },
  },
  {
    id: 'ponds-halve',
    kind: 'gaps',
    after: 'halved',
    hold: 'answered',
    evidence: ['layers', 'halved'],
    stem: 'What do two ponds beside a lock do?',
    feedback: {
      right: 'Yes. That is the whole trick.',
      partly: 'Part of it. Follow the layers once more.',
      wrong: 'No. Follow the layers once more.',
    },
    rules: {
      points: 3,
      tries: 2,
      tryPenalty: 0.25,
      filledBy: 'dragging',
      extras: 'double\nmiddle',
      passage:
        'The [upper] layers of the chamber run into the ponds and wait there. The [lower] ones run down to the pound below. So a boat costs only [half] a lockful.',
    },
  },
  {
    id: 'why-not-everywhere',
    kind: 'longText',
    after: 'whyNot',
    hold: 'answered',
    evidence: ['halved', 'whyNot'],
    stem: 'Two ponds halve the price of every boat. Why, then, does not every lock have them? Say it as you would to a visitor at the lock.',
    explanation: 'Your teacher reads what you wrote before the second evening.',
    rules: {
      points: 4,
      wordsFrom: 15,
      wordsTo: 120,
      model:
        'They need room beside the lock, walls that hold, and keepers who open four paddles in the right order. Where water is plenty, that is a high price for half a lockful.',
    },
  },
  {
    id: 'tell-the-skipper',
    kind: 'recording',
    after: 'whyNot',
    evidence: null,
    hold: 'shown',
    stem: 'The skipper above has waited for a quarter of an hour. Say to them, in two or three sentences, why the two boats from below go first.',
    hint: 'Speak as you would across the chamber: short, friendly, and what happens next.',
    explanation: 'You hear these together on the second evening.',
    rules: { points: 2, tries: 2, keep: 'last', of: 'voice', mostSeconds: 45 },
  },
  {
    id: 'hand-in-sketch',
    kind: 'upload',
    after: 'last',
    evidence: null,
    hold: 'shown',
    stem: 'Draw a lock with its two ponds as a cut from the side, with the layers of water, and hand the sketch in.',
    hint: 'Paper and pencil are enough. A photo with the phone will do.',
    explanation: 'Your teacher looks at the sketches before the second evening.',
    rules: {
      points: 4,
      tries: 2,
      keep: 'last',
      mostFiles: 2,
      mostMegabytes: 20,
      rubric:
        'The chamber and its gates: 0 missing / 1 there\nTwo ponds beside it: 0 none / 1 one of them / 2 both, above one another\nLayers of water: 0 missing / 1 drawn',
      takes: { picture: true, document: true, sound: false, film: false },
    },
  },
  {
    id: 'ready-for-evening',
    kind: 'checklist',
    after: 'last',
    evidence: null,
    hold: 'shown',
    stem: 'For the second evening: what is done?',
    entries: {
      items: [
        { text: 'I have drawn my sketch of a lock with its ponds' },
        { text: 'I have filled in my page of the water book' },
        { text: 'I know which pound lies above lock six' },
      ],
    },
  },
]
