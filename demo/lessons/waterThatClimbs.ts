// Lesson 1 of the demo: “Water That Climbs”, built with the same edits that the bench makes.
import {
  edits,
  emptyLesson,
  runEdit,
  type Edit,
  type EditMade,
  type Lesson,
} from '@fernbrake/core/lesson'
import type { CaptionLine } from '@fernbrake/core/formats'
import { addWhatLiesOnThePicture } from './waterOnThePicture.ts'
import moments from '../films/water-that-climbs/moments.json' with { type: 'json' }

export const WATER_THAT_CLIMBS = {
  lessonId: 'water-that-climbs',
  partId: 'the-film',
  mediaId: 'water-that-climbs-film',
}

const { partId } = WATER_THAT_CLIMBS

interface DemoQuestion {
  id: string
  /** The question comes after this sentence. */
  after: string
  evidence: [string, string]
  stem: string
  several?: boolean
  options: [text: string, right: boolean, feedback: string][]
  hint: string
  feedback: { right: string; partly?: string; wrong: string }
  explanation: string
  points: number
  hold: 'shown' | 'answered' | 'right'
  sendBack?: boolean
}

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
    id: 'what-moves-water',
    after: 'lowerPaddle',
    evidence: ['notGates', 'lowerPaddle'],
    stem: 'What lets water into the chamber, and out of it?',
    options: [
      ['The gates', false, 'The gates only let boats through.'],
      ['The paddles', true, ''],
      ['The sill', false, 'The sill is the step below the upper gates.'],
    ],
    hint: 'The keeper winds them with a windlass.',
    feedback: {
      right: 'Yes. Small shutters, low down.',
      wrong: 'No. Look again at what the keeper winds.',
    },
    explanation:
      'Gates hold the water back; paddles let it through. A gate is moved only when both sides are level.',
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
    id: 'where-from',
    after: 'cubic',
    evidence: ['weight', 'cubic'],
    stem: 'Where does the water that lifts the boat come from?',
    options: [
      ['From the pound below, by a pump', false, 'Nothing pumps this water.'],
      ['From the pound above, by its own weight', true, ''],
      ['From a spring under the chamber', false, 'There is only stone under the chamber.'],
    ],
    hint: '',
    feedback: {
      right: 'Yes. Every boat takes a chamberful down the hill.',
      wrong: 'No. Follow the pale strokes in the picture.',
    },
    explanation:
      'Each filling takes about 116 cubic metres out of the upper pound. That is why locks are kept shut.',
    points: 1,
    hold: 'shown',
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

const spoken = new Map(moments.spoken.map((sentence) => [sentence.id, sentence]))

function sentence(id: string): { fromMs: number; toMs: number } {
  const found = spoken.get(id)
  if (!found) throw new Error(`The film has no sentence ${id}`)
  return found
}

/** Every edit of the lesson in the order in which a designer would have made them. */
export function editsOfWaterThatClimbs(film: {
  durationMs: number
  captions: readonly CaptionLine[]
}): { lesson: Lesson; made: EditMade[] } {
  let lesson = emptyLesson('Water That Climbs')
  const made: EditMade[] = []
  const edit = <A>(kind: Edit<A>, args: A) => {
    const outcome = runEdit(lesson, kind, args)
    if (!outcome.ok) throw new Error(`${kind.name}: ${JSON.stringify(outcome.issues)}`)
    lesson = outcome.lesson
    if (outcome.made.patches.length > 0) made.push(outcome.made)
  }
  edit(edits.setLessonText, {
    field: 'summary',
    text: 'How a lock lifts a boat up a hill, and what a lock-keeper must never forget. For the first evening of the course.',
  })
  edit(edits.addFilmPart, { id: partId, title: 'Water That Climbs' })
  edit(edits.attachFilm, {
    partId,
    mediaId: WATER_THAT_CLIMBS.mediaId,
    durationMs: film.durationMs,
    frameRate: '25',
  })
  edit(edits.importScript, {
    id: 'script-en',
    partId,
    language: 'en',
    lines: film.captions.map((line, index) => ({ id: `line-${index + 1}`, ...line })),
  })
  moments.chapters.forEach(({ title, fromMs }, index) =>
    edit(edits.addBookmark, { cueId: `chapter-${index + 1}`, partId, atMs: fromMs, title }),
  )
  for (const overlay of OVERLAYS) addOverlay(edit, overlay)
  for (const question of QUESTIONS) addQuestion(edit, question)
  addWhatLiesOnThePicture({ edit, partId, sentence })
  edit(edits.addNote, { cueId: 'note-windlass', partId, atMs: sentence('half').fromMs })
  edit(edits.setNoteText, {
    cueId: 'note-windlass',
    text: 'Bring a windlass to the first evening: half of them have never held one.',
  })
  edit(edits.setEnding, ENDING)
  return { lesson, made }
}

type MakeEdit = <A>(kind: Edit<A>, args: A) => void

function addOverlay(edit: MakeEdit, { id, from, to, text, box }: (typeof OVERLAYS)[number]): void {
  edit(edits.addOverlay, {
    cueId: id,
    partId,
    fromMs: sentence(from).fromMs,
    toMs: sentence(to).toMs,
    text,
  })
  edit(edits.setOverlayBox, { cueId: id, box })
}

function addQuestion(edit: MakeEdit, question: DemoQuestion): void {
  const cueId = `ask-${question.id}`
  const questionId = question.id
  const optionIds = question.options.map((_, index) => `${question.id}-${index + 1}`)
  const evidence = {
    fromMs: sentence(question.evidence[0]).fromMs,
    toMs: sentence(question.evidence[1]).toMs,
  }
  // Asked when the sentence and its picture have come to rest: the frame that is held answers nothing by itself.
  const atMs = Math.ceil((sentence(question.after).toMs + 300) / 40) * 40
  edit(edits.addQuestion, {
    cueId,
    questionId,
    optionIds: [optionIds[0]!, optionIds[1]!],
    partId,
    atMs,
    evidence,
  })
  for (const field of ['stem', 'hint', 'explanation'] as const)
    edit(edits.setQuestionText, { questionId, field, text: question[field] })
  for (const outcome of ['right', 'partly', 'wrong'] as const)
    edit(edits.setFeedback, { questionId, outcome, text: question.feedback[outcome] ?? '' })
  edit(edits.setSeveral, { questionId, several: question.several ?? false })
  question.options.forEach(([text, right, feedback], index) => {
    const optionId = optionIds[index]!
    if (index >= 2) edit(edits.addOption, { questionId, optionId })
    edit(edits.setOptionText, { questionId, optionId, field: 'text', text })
    edit(edits.setOptionText, { questionId, optionId, field: 'feedback', text: feedback })
    if (right || index === 0) edit(edits.setOptionRight, { questionId, optionId, right })
  })
  edit(edits.setQuestionRules, {
    questionId,
    rules: { points: question.points, tryPenalty: 0.25, tries: 3 },
  })
  edit(edits.setHold, { cueId, hold: question.hold, sendBack: question.sendBack ?? false })
}
