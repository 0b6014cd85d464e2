// Lesson 1 of the demo: “Water That Climbs”, built with the same edits that the bench makes.
import { edits } from '@fernbrake/core/lesson'
import {
  addFilm,
  addQuestion,
  ask,
  begin,
  type DemoFilm,
  type DemoQuestion,
  type Made,
  tellAbout,
  type Making,
} from './making.ts'
import {
  addAnatomy,
  addChronicle,
  addPageBefore,
  ANATOMY_PART,
  FLIGHT_OPENED,
} from './aroundTheFilm.ts'
import { addLockKeepersQuiz } from './lockKeepersQuiz.ts'
import { addWhatLiesOnThePicture } from './waterOnThePicture.ts'
import { askRecap, FURTHER_KINDS } from './waterQuestions.ts'
import moments from '../films/water-that-climbs/moments.json' with { type: 'json' }

export const WATER_THAT_CLIMBS = {
  lessonId: 'water-that-climbs',
  partId: 'the-film',
  mediaId: 'water-that-climbs-film',
}

const { partId } = WATER_THAT_CLIMBS

const QUESTIONS: DemoQuestion[] = [
  {
    id: 'why-steps',
    after: 'eleven',
    evidence: ['slope', 'steps'],
    stem: 'Why is the hill at Cantle Steps cut into steps?',
    options: [
      ['Because water lies flat only on a level', true, ''],
      [
        'Because a boat is too heavy for a slope',
        false,
        'The film speaks of the water, not of the weight of boats.',
      ],
      [
        'Because the hill would slide without walls',
        false,
        'The walls hold the water, not the hill.',
      ],
    ],
    hint: 'What did the water do on the bare hillside?',
    feedback: {
      right: 'Yes. On a slope the water would run away.',
      wrong: 'Not quite. Think of the water poured on the hillside.',
    },
    explanation:
      'A canal is level water. To climb, it needs one level after another, and a lock between each two.',
    points: 1,
    hold: 'answered',
  },
  {
    id: 'before-filling',
    after: 'tied',
    evidence: ['shut', 'tied'],
    stem: 'What has the keeper made sure of before winding the upper paddle?',
    several: true,
    options: [
      ['The lower gates are shut', true, ''],
      ['Both lower paddles are down', true, ''],
      ['The boat is tied fore and aft', true, ''],
      ['The upper gates are open', false, 'They cannot be: the water above still holds them shut.'],
    ],
    hint: 'Three of the four.',
    feedback: {
      right: 'All three. Now the chamber can fill.',
      partly: 'Part of it. Each one matters: think of where the water would go.',
      wrong: 'No. Watch what the keeper does before the paddle.',
    },
    explanation:
      'An open lower paddle or gate would let the water straight through, and a loose boat is thrown about.',
    points: 2,
    hold: 'answered',
  },
  {
    id: 'which-way',
    after: 'flood',
    evidence: ['down', 'flood'],
    stem: 'Which way was the boat travelling when its stern caught on the sill?',
    options: [
      ['Up, while the chamber was filling', false, 'Going up, the water rises away from the sill.'],
      ['Down, while the chamber was emptying', true, ''],
      ['Neither: it was tied at the upper gate', false, 'Watch where its bow points.'],
    ],
    hint: 'What was the water doing?',
    feedback: {
      right: 'Yes. The water falls, the stern stays.',
      wrong: 'No. Here is the moment again.',
    },
    explanation:
      'Going down, whatever lies above the sill is left hanging. Going up, it floats free.',
    points: 2,
    hold: 'right',
    sendBack: true,
  },
]

const OVERLAYS = [
  {
    id: 'note-half',
    from: 'half',
    to: 'half',
    text: 'First half, then full',
    box: { x: 0.05, y: 0.08, width: 0.3, height: 0.1 },
  },
  {
    id: 'note-volume',
    from: 'cubic',
    to: 'cubic',
    text: '116 m³ for one passage',
    box: { x: 0.05, y: 0.08, width: 0.34, height: 0.1 },
  },
  {
    id: 'note-level',
    from: 'onlyNow',
    to: 'beam',
    text: 'Level on both sides: the gates can move',
    box: { x: 0.26, y: 0.09, width: 0.52, height: 0.1 },
  },
  {
    id: 'note-caught',
    from: 'catches',
    to: 'catches',
    text: 'Caught: close below, then fill from above',
    box: { x: 0.22, y: 0.09, width: 0.54, height: 0.1 },
  },
] as const

const ENDING = {
  message: 'Thank you. Bring what you were unsure of to the first evening at Cantle Steps.',
  pass: {
    share: 0.6,
    message: 'Well kept. You are ready to stand at a paddle on the first evening at Cantle Steps.',
  },
}

/** Every edit of the lesson in the order in which a designer would have made them. */
export function editsOfWaterThatClimbs(film: DemoFilm): Made {
  const making = begin('Water That Climbs', partId, moments)
  const { edit, sentence } = making
  tellAbout(making, {
    summary:
      'How a lock lifts a boat up a hill, and what a lock-keeper must never forget. For the first evening of the course.',
    objectives: [
      'Say in your own words how water lifts a boat',
      'Name the parts of a lock that a keeper works',
      'Do the steps of a passage in the right order',
    ],
    level: 'First evening',
    tags: ['locks', 'water', 'safety'],
    cover: { mediaId: FLIGHT_OPENED.id, strength: 0.65 },
  })
  addPageBefore(making)
  addFilm(making, { ...WATER_THAT_CLIMBS, title: 'Water That Climbs' }, film)
  for (const overlay of OVERLAYS) addOverlay(making, overlay)
  for (const question of QUESTIONS) addQuestion(making, question)
  for (const asked of FURTHER_KINDS) ask(making, asked)
  askRecap(making)
  addWhatLiesOnThePicture(making)
  edit(edits.addNote, { cueId: 'note-windlass', partId, atMs: sentence('half').fromMs })
  edit(edits.setNoteText, {
    cueId: 'note-windlass',
    text: 'Bring a windlass to the first evening: half of them have never held one.',
  })
  edit(edits.setEnding, ENDING)
  addChronicle(making)
  addAnatomy(making)
  edit(edits.movePart, { partId: ANATOMY_PART, by: -1 })
  addLockKeepersQuiz(making)
  return making.made()
}

function addOverlay(
  { edit, sentence }: Making,
  { id: cueId, from, to, text, box }: (typeof OVERLAYS)[number],
): void {
  const span = { fromMs: sentence(from).fromMs, toMs: sentence(to).toMs }
  edit(edits.addOverlay, { cueId, partId, ...span, text })
  edit(edits.setOverlayBox, { cueId, box })
}
