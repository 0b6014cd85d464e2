// Lesson 2 of the demo: “The Water Budget of a Flight”, a lecture.
import { edits } from '@fernbrake/core/lesson'
import climbs from '../films/water-that-climbs/moments.json' with { type: 'json' }
import moments from '../films/water-budget/moments.json' with { type: 'json' }
import {
  addFilm,
  addQuestion,
  ask,
  begin,
  place,
  type DemoFilm,
  type DemoQuestion,
  type Made,
  tellAbout,
  type Placed,
} from './making.ts'
import { BUDGET_QUESTIONS } from './budgetQuestions.ts'
import { WATER_THAT_CLIMBS } from './waterThatClimbs.ts'

export const WATER_BUDGET = {
  lessonId: 'water-budget',
  partId: 'the-lecture',
  mediaId: 'water-budget-film',
}

/** What the keeper of lock six said into a telephone. */
export const KEEPERS_VOICE = {
  mediaId: 'water-budget-keeper',
  words: {
    title: 'The keeper of lock six, Tuesday evening',
    alternative:
      'Lock six, Tuesday evening. Both ponds are full. Eight boats went up, and eight came down. We took turns, mostly.',
    credit: 'Harrowmere Navigation Trust',
    licence: 'Free for teaching within the Trust',
    sourceNote: 'Spoken into a telephone at the lock.',
    tags: ['lock', 'voice'],
  },
}

/** A page that ships with the server and stands in for one of the Trust’s. */
const LEVELS_PAGE = '/stand-ins/pages/water-levels'

/** Where the film of lesson 1 shows a chamber that fills. */
const FILLING_MS = climbs.spoken.find(({ id }) => id === 'low')!.fromMs

const PLACED: Placed[] = [
  {
    id: 'film-filling',
    from: 'rise',
    to: 'notDepth',
    text: 'The chamber filling, in the film of the first lesson',
    content: {
      form: 'film',
      mediaId: WATER_THAT_CLIMBS.mediaId,
      startMs: FILLING_MS,
      sound: false,
      fit: 'fill',
    },
    box: [0.77, 0.035, 0.22, 0.25],
  },
  {
    id: 'panel-lockful',
    from: 'lockful',
    to: 'carry',
    text: '22.0 m × 2.2 m × 2.4 m = 116.16 m³',
    content: { form: 'panel', title: 'One lockful' },
    box: [0.795, 0.05, 0.19, 0.26],
  },
  {
    id: 'button-pound',
    from: 'falls',
    to: 'aground',
    text: 'What is a pound?',
    content: { form: 'button' },
    box: [0.795, 0.06, 0.19, 0.13],
  },
  {
    id: 'voice-keeper',
    from: 'halved',
    to: 'more',
    text: 'Hear the keeper of lock six',
    content: {
      form: 'sound',
      mediaId: KEEPERS_VOICE.mediaId,
      begins: 'pressed',
      quiets: true,
      said: KEEPERS_VOICE.words.alternative,
    },
    box: [0.795, 0.06, 0.19, 0.16],
  },
  {
    id: 'page-levels',
    from: 'book',
    to: 'book',
    text: 'Water levels at Cantle Steps',
    content: { form: 'web', address: LEVELS_PAGE },
    box: [0.06, 0.19, 0.7, 0.69],
  },
  {
    id: 'link-levels',
    from: 'yours',
    to: 'last',
    text: 'The levels again',
    content: { form: 'link', address: LEVELS_PAGE, opens: 'inside' },
    box: [0.795, 0.06, 0.19, 0.12],
  },
]

const QUESTIONS: DemoQuestion[] = [
  {
    id: 'eleven-down',
    after: 'price',
    evidence: ['handsOn', 'price'],
    stem: 'A boat goes down all eleven locks. How much water does the top pound lose?',
    options: [
      ['Eleven lockfuls', false, 'Each lock passes on what it got from the one above.'],
      ['One lockful', true, ''],
      ['None: the boat takes its water along', false, 'The water runs down with the boat.'],
    ],
    hint: 'Where does the water go that leaves the first lock?',
    feedback: { right: 'Yes. It is paid once, at the top.', wrong: 'No. Follow one lockful down.' },
    explanation: 'What leaves one lock is of use in the next. Only the top pound has to give.',
    points: 1,
    hold: 'answered',
  },
  {
    id: 'mend-the-book',
    after: 'people',
    evidence: ['short', 'balance'],
    stem: 'Which of these would bring the top pound nearer to balance in a dry week?',
    several: true,
    options: [
      ['Letting boats take turns', true, ''],
      ['Mending a gate that leaks', true, ''],
      ['Opening a lower paddle at night', false, 'That lets water run away for nothing.'],
      ['Leaving locks full for the next boat up', false, 'A boat that comes up needs it empty.'],
    ],
    hint: 'Two of the four.',
    feedback: {
      right: 'Both. One spends less, the other loses less.',
      partly: 'Part of it. There are two.',
      wrong: 'No. Think of what is spent and what is lost.',
    },
    explanation: 'Taking turns halves what is spent; a tight gate lessens what is lost.',
    points: 2,
    hold: 'answered',
  },
  {
    id: 'which-layers',
    after: 'spent',
    evidence: ['layers', 'spent'],
    stem: 'Which layers of the full chamber will be used a second time?',
    options: [
      ['The two upper ones', true, ''],
      ['The two lower ones', false, 'They went down to the pound below.'],
      ['All four', false, 'Two of them were spent.'],
    ],
    hint: 'Which of them are in the ponds now?',
    feedback: { right: 'Yes. They wait in the ponds.', wrong: 'No. Here is the moment again.' },
    explanation: 'Water only runs down, so the ponds must be filled from the upper layers.',
    points: 1,
    hold: 'right',
    sendBack: true,
  },
]

/** Every edit of the lesson in the order in which a designer would have made them. */
export function editsOfWaterBudget(film: DemoFilm): Made {
  const making = begin('The Water Budget of a Flight', WATER_BUDGET.partId, moments)
  const { edit, partId, sentence } = making
  tellAbout(making, {
    summary:
      'What a boat costs in water, why the keepers let boats take turns, and how two ponds halve the price. A lecture for the second evening.',
    objectives: [
      'Work out the water that a passage takes',
      'Explain how side ponds save half of it',
      'Draw a lock with its ponds in cross-section',
    ],
    level: 'Second evening',
    tags: ['water', 'side ponds'],
    cover: { mediaId: WATER_BUDGET.mediaId, strength: 0.6 },
  })
  addFilm(making, { ...WATER_BUDGET, title: 'The Water Budget of a Flight' }, film)
  for (const question of QUESTIONS) addQuestion(making, question)
  for (const asked of BUDGET_QUESTIONS) ask(making, asked)
  for (const placed of PLACED) place(making, placed)
  edit(edits.setOverlayAction, {
    cueId: 'button-pound',
    action: {
      does: 'text',
      pauses: true,
      text: 'A pound is the level stretch of water between two locks. The top pound lies above the highest of them.',
    },
  })
  const small = { size: 0.036 }
  for (const cueId of ['panel-lockful', 'button-pound', 'voice-keeper', 'link-levels'])
    edit(edits.setOverlayLook, { cueId, look: small })
  const grow = { way: 'grow', side: 'right', ms: 400 } as const
  edit(edits.setTransition, { cueId: 'film-filling', at: 'comes', transition: grow })
  const fade = { way: 'fade', side: 'left', ms: 400 } as const
  for (const at of ['comes', 'goes'] as const)
    edit(edits.setTransition, { cueId: 'page-levels', at, transition: fade })
  edit(edits.addNote, { cueId: 'note-sketches', partId, atMs: sentence('sketch').fromMs })
  edit(edits.setNoteText, {
    cueId: 'note-sketches',
    text: 'They bring the sketches on paper to the second evening. Have pencils and squared paper ready.',
  })
  edit(edits.setEnding, {
    message: 'Thank you. Bring your page of the water book to the second evening.',
    pass: {
      share: 0.7,
      message: 'Well reckoned. Bring your page of the water book to the second evening.',
    },
  })
  return making.made()
}
