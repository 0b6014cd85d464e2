// The Lock-keeper's Quiz, which follows the film of lesson 1: what somebody must know who stands at a paddle alone.
import { edits } from '@fernbrake/core/lesson'
import type { Block, RichText } from '@fernbrake/core/fields'
import { askInQuiz, type DemoWords, type Making } from './making.ts'

export const LOCK_KEEPERS_QUIZ = { partId: 'lock-keepers-quiz' }
const { partId } = LOCK_KEEPERS_QUIZ

const option = (text: string, right: boolean, feedback = '') => ({ text, right, feedback })

const AT_THE_GATES: DemoWords[] = [
  {
    id: 'who-opens',
    kind: 'choice',
    evidence: ['level', 'onlyNow'],
    stem: 'The chamber is filling. When can the upper gates be opened?',
    entries: {
      options: [
        option('When the chamber is level with the upper pound', true),
        option('When the boat has risen above the sill', false, 'The water still holds them shut.'),
        option('When the paddle is wound fully up', false, 'Then the water has only just begun.'),
      ],
    },
    feedback: {
      right: 'Yes. Until then the water holds them.',
      wrong: 'No. What holds them shut?',
    },
    explanation: 'While one side stands higher, the weight of the water holds the gates shut.',
    rules: { points: 1 },
  },
  {
    id: 'gates-let-water',
    kind: 'trueFalse',
    evidence: ['notGates', 'notGates'],
    stem: 'If you are in a hurry, a gate may be opened a little to let water in.',
    feedback: { right: 'Never, indeed.', wrong: 'Never. The film says what is used instead.' },
    explanation: 'Gates are never used to let water in or out. That is the work of the paddles.',
    rules: { points: 1, right: false },
  },
  {
    id: 'name-the-step',
    kind: 'shortText',
    evidence: ['upperGates', 'sill'],
    stem: 'What is the step called on which the upper gates stand?',
    hint: 'Four letters.',
    entries: {
      listed: ['sill', 'the sill'].map((text) => ({ text, as: 'words', share: 1, feedback: '' })),
    },
    feedback: { right: 'Yes, the sill.', wrong: 'No. It was shown under the upper gates.' },
    explanation: 'The sill is the most dangerous thing in the lock.',
    rules: { points: 1 },
  },
]

const A_BOAT_IN_TROUBLE: DemoWords[] = [
  {
    id: 'caught-order',
    kind: 'order',
    evidence: ['catches', 'again'],
    stem: 'The stern has caught on the sill. What do you do, in which order?',
    entries: {
      items: [
        { text: 'Drop the lower paddles' },
        { text: 'Let water in from above, gently' },
        { text: 'Wait until the boat floats' },
        { text: 'Move her well forward of the mark' },
      ],
    },
    feedback: {
      right: 'Yes. So she floats again.',
      wrong: 'No. First stop the water that leaves.',
    },
    explanation: 'Stop the fall first, then bring the water back slowly, then begin again.',
    rules: { points: 2, tries: 2, tryPenalty: 0.5 },
  },
  {
    id: 'danger-pairs',
    kind: 'match',
    evidence: ['half', 'third'],
    stem: 'What happens if it is forgotten?',
    entries: {
      pairs: [
        { left: 'Half the paddle first', right: 'The boat is thrown against the gate' },
        { left: 'Staying before the mark', right: 'The stern hangs on the sill' },
        { left: 'Shutting the lock behind the boat', right: 'Water leaves the pound unseen' },
      ],
      extras: [{ text: 'The gates swing open by themselves' }],
    },
    feedback: {
      right: 'Each of them, yes.',
      partly: 'Part of it.',
      wrong: 'No. Watch it once more.',
    },
    explanation: 'Every rule of the lock keeps one of these from happening.',
    rules: { points: 3, tries: 2, tryPenalty: 0.25 },
  },
]

const IN_YOUR_OWN_WORDS: DemoWords[] = [
  {
    id: 'lockfuls',
    kind: 'number',
    evidence: ['cubic', 'cubic'],
    stem: 'Three boats go up one after another, each in a chamber of its own filling. How much water leaves the upper pound?',
    hint: 'One filling takes about 116 m³.',
    feedback: { right: 'Yes, three lockfuls.', wrong: 'No. Each boat costs one filling.' },
    explanation: '3 × 116 m³ = 348 m³.',
    rules: { points: 2, value: 348, tolerance: { by: 'relative', share: 0.02 }, unit: 'm³' },
  },
  {
    id: 'tell-a-crew',
    kind: 'longText',
    evidence: null,
    stem: 'A crew has never been through a lock. Tell them in three sentences what they must never do, and why.',
    explanation: '',
    rules: { points: 3, tries: 1 },
  },
  {
    id: 'how-sure',
    kind: 'scale',
    evidence: null,
    stem: 'How sure are you that you could work a lock alone?',
  },
]

const paragraph = (text: string) => ({ block: 'paragraph' as const, runs: [{ text }] })

/** A section, with a stretch of the film or a page shown before its questions where one is named. */
function addSection(
  { edit, sentence, partId: filmId }: Making,
  {
    sectionId,
    title,
    told,
    film,
    page,
  }: {
    sectionId: string
    title: string
    told: string
    film?: [from: string, to: string]
    page?: Extract<Block, { block: 'page' }>
  },
  isFirst: boolean,
): void {
  if (!isFirst) edit(edits.addQuizSection, { partId, sectionId, title })
  const stretch = film && {
    block: 'stretch' as const,
    partId: filmId,
    fromMs: sentence(film[0]).fromMs,
    toMs: sentence(film[1]).toMs,
  }
  const more = [stretch, page].filter((block) => block !== undefined)
  const instructions: RichText = more.length > 0 ? { blocks: [paragraph(told), ...more] } : told
  edit(edits.setQuizSection, { partId, sectionId, change: { title, instructions } })
}

const SECTIONS = [
  {
    sectionId: 'gates',
    title: 'At the gates',
    questions: AT_THE_GATES,
    told: 'What you must know before you touch anything.',
  },
  {
    sectionId: 'trouble',
    title: 'A boat in trouble',
    questions: A_BOAT_IN_TROUBLE,
    told: 'Watch once more how a boat is caught. Then answer as if you stood at the lower paddle.',
    film: ['hang', 'flood'] as [string, string],
  },
  {
    sectionId: 'words',
    title: 'In your own words',
    questions: IN_YOUR_OWN_WORDS,
    told: 'One sum, and something for your teacher to read. The levels of the day may help you to think.',
    page: {
      ...({ block: 'page', opens: 'inside', address: '/stand-ins/pages/water-levels' } as const),
      title: 'Water levels at Cantle Steps',
    },
  },
]

/** Adds the quiz after the film. */
export function addLockKeepersQuiz(making: Making): void {
  const { edit } = making
  edit(edits.addQuizPart, { id: partId, title: 'Lock-keeper’s Quiz', sectionId: 'gates' })
  edit(edits.setQuizInstructions, {
    partId,
    text: 'Eight questions, {first name}, about ten minutes. Nothing is timed, and you may leave and come back. You are told how you did when you hand in.',
  })
  edit(edits.setQuizRules, {
    partId,
    rules: { layout: 'onePage', tells: 'atEnd', rewatch: 'afterwards', shuffle: false },
  })
  SECTIONS.forEach(({ questions, ...section }, index) => {
    addSection(making, section, index === 0)
    for (const asked of questions)
      askInQuiz(making, { partId, sectionId: section.sectionId }, asked)
  })
  edit(edits.setQuizEnding, {
    partId,
    change: {
      message: 'Look again at what was not right: each answer is in the film.',
      pass: { share: 0.7, message: 'You may take a paddle on the first evening, {first name}.' },
    },
  })
}
