// What lies on the film of lesson 1 besides plain words, and the fork near its end.
import { edits, type OverlayAction } from '@fernbrake/core/lesson'
import { place, type Making, type Placed } from './making.ts'

/** A still from the film: the keeper at the paddle gear. */
export const PADDLE_GEAR = {
  mediaId: 'water-paddle-gear',
  atSeconds: 78,
  /** Of the film's 960 × 540 pixels. */
  crop: { width: 180, height: 150, x: 660, y: 150 },
  words: {
    title: 'The paddle gear',
    alternative: 'A keeper beside a white post with a crank: the paddle gear of the upper gates.',
    credit: 'Harrowmere Navigation Trust',
    licence: 'Free for teaching within the Trust',
    sourceNote: 'Taken from our own film at 1:18.',
    tags: ['lock', 'paddle', 'still'],
  },
}

const PLACED: Placed[] = [
  {
    id: 'picture-gear',
    from: 'paddle',
    to: 'paddle',
    text: PADDLE_GEAR.words.alternative,
    content: { form: 'picture', mediaId: PADDLE_GEAR.mediaId, fit: 'fill' },
    box: [0.38, 0.06, 0.2, 0.3],
  },
  {
    id: 'button-windlass',
    from: 'paddle',
    to: 'upperPaddle',
    text: 'What is a windlass?',
    content: { form: 'button' },
    box: [0.04, 0.06, 0.31, 0.11],
  },
  {
    id: 'label-inlet',
    from: 'low',
    to: 'low',
    text: 'Here the water comes in',
    content: { form: 'label', to: { x: 0.665, y: 0.82 } },
    box: [0.7, 0.66, 0.28, 0.14],
  },
  {
    id: 'arrow-culvert',
    from: 'weight',
    to: 'weight',
    text: 'From the pound above, down',
    content: { form: 'arrow' },
    box: [0.68, 0.64, 0.14, 0.1],
    degrees: 120,
  },
  {
    id: 'box-level',
    from: 'level',
    to: 'level',
    text: 'One level, from gate to pound',
    content: { form: 'box' },
    box: [0.32, 0.46, 0.66, 0.1],
  },
  {
    id: 'panel-closed',
    from: 'closed',
    to: 'closed',
    content: { form: 'panel' as const, title: 'Before you walk away' },
    text: 'Gates shut. Paddles down. Windlass in your hand.',
    box: [0.05, 0.06, 0.36, 0.3],
  },
  {
    id: 'ring-mark',
    from: 'mark',
    to: 'mark',
    text: 'The mark on the chamber wall',
    content: { form: 'ellipse' },
    box: [0.6, 0.4, 0.12, 0.3],
  },
  {
    id: 'link-evening',
    from: 'itDoesNot',
    to: 'upDown',
    text: 'The first evening',
    content: { form: 'link', address: 'https://harrowmere.example/first-evening' },
    box: [0.06, 0.08, 0.24, 0.11],
  },
]

/** The film's own labels would give the answer away, so they are hidden until it is given. */
const COVERS = [
  { id: 'cover-lower', fill: '#4E89A6', box: { x: 0.045, y: 0.815, width: 0.18, height: 0.09 } },
  { id: 'cover-upper', fill: '#86694B', box: { x: 0.74, y: 0.795, width: 0.19, height: 0.09 } },
] as const

const WINDLASS: OverlayAction = {
  does: 'text',
  text: 'A windlass is a crank with a square socket. It fits the spindle of the paddle gear, and it comes off again: never leave it there.',
  pauses: true,
}

/** Places it all. */
export function addWhatLiesOnThePicture(making: Making): void {
  for (const placed of PLACED) place(making, placed)
  const { edit, partId, sentence } = making
  edit(edits.setOverlayAction, { cueId: 'button-windlass', action: WINDLASS })
  const line = { colour: '#F3ECD8', width: 0.011 }
  edit(edits.setOverlayLook, { cueId: 'arrow-culvert', look: { border: line } })
  const grow = { way: 'grow', side: 'left', ms: 500 } as const
  edit(edits.setTransition, { cueId: 'ring-mark', at: 'comes', transition: grow })
  for (const at of ['comes', 'goes'] as const)
    edit(edits.setTransition, {
      cueId: 'panel-closed',
      at,
      transition: { way: 'slide', side: 'left', ms: 400 },
    })
  for (const { id: cueId, fill, box } of COVERS) {
    const { toMs } = sentence('lowerPaddle')
    const content = { form: 'cover' } as const
    edit(edits.addOverlay, { cueId, partId, fromMs: toMs, toMs: toMs + 900, text: '', content })
    edit(edits.setOverlayBox, { cueId, box })
    edit(edits.setOverlayLook, { cueId, look: { fill } })
    const shown = { when: 'untilAnswered', cueId: 'ask-what-moves-water' } as const
    edit(edits.setOverlayShown, { cueId, shown })
  }
  const look = { ink: '#FFFDF8', fill: '#385873', size: 0.045, align: 'centre' } as const
  edit(edits.keepLook, { id: 'look-slate', name: 'Slate', look })
  addFork(making)
}

/** Whoever wants to sees once more how a boat is caught; whoever does not choose goes on. */
function addFork({ edit, partId, sentence }: Making): void {
  const cueId = 'fork-again'
  const [again, on] = ['fork-again-yes', 'fork-again-no'] as const
  const atMs = Math.ceil((sentence('again').toMs + 300) / 40) * 40
  edit(edits.addFork, { cueId, partId, atMs, choiceIds: [again, on] })
  edit(edits.setForkPrompt, {
    cueId,
    prompt: 'The sill is what you must never forget. Do you want to see it once more?',
  })
  edit(edits.setChoice, {
    cueId,
    choiceId: again,
    change: {
      text: 'Show me the sill once more',
      target: { to: 'time', atMs: sentence('teeth').fromMs },
    },
  })
  edit(edits.setChoice, { cueId, choiceId: on, change: { text: 'I will remember it. Go on' } })
  edit(edits.setForkRules, { cueId, rules: { countdownMs: 30_000, defaultChoice: on } })
  const hurry = 'overlay-hurry'
  edit(edits.addOverlay, {
    cueId: hurry,
    partId,
    fromMs: atMs,
    toMs: atMs + 1000,
    text: 'The film goes on in a moment',
  })
  edit(edits.setOverlayBox, { cueId: hurry, box: { x: 0.24, y: 0.08, width: 0.52, height: 0.1 } })
  edit(edits.setOverlayShown, {
    cueId: hurry,
    shown: { when: 'countdown', cueId, fromShare: 0.7, toShare: 1 },
  })
}
