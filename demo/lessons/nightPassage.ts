// Lesson 3 of the demo: “Night Passage”. A boat hangs on the sill in the dark; what is done first decides what follows.
import { edits, type Route } from '@fernbrake/core/lesson'
import {
  addBlocks,
  addFilm,
  askOnPage,
  beginWithoutFilm,
  type DemoFilm,
  tellAbout,
  type Made,
} from './making.ts'
import caught from '../films/night-passage/caught/moments.json' with { type: 'json' }
import faster from '../films/night-passage/faster/moments.json' with { type: 'json' }
import floats from '../films/night-passage/floats/moments.json' with { type: 'json' }
import pole from '../films/night-passage/pole/moments.json' with { type: 'json' }
import shouted from '../films/night-passage/shouted/moments.json' with { type: 'json' }
import stopped from '../films/night-passage/stopped/moments.json' with { type: 'json' }

export const NIGHT_PASSAGE = { lessonId: 'night-passage', link: 'cantle-steps-3' }

type Spoken = readonly { id: string; fromMs: number; toMs: number }[]
type Goal = Route['target']

/** The clips, each a film on the shelf. */
export const CLIPS = [
  { id: 'caught', title: 'Lock seven, ten at night', spoken: caught.spoken as Spoken },
  { id: 'stopped', title: 'The paddles drop', spoken: stopped.spoken as Spoken },
  { id: 'shouted', title: 'You shout', spoken: shouted.spoken as Spoken },
  { id: 'faster', title: 'You wind faster', spoken: faster.spoken as Spoken },
  { id: 'floats', title: 'She floats', spoken: floats.spoken as Spoken },
  { id: 'pole', title: 'The pole', spoken: pole.spoken as Spoken },
].map((clip) => ({ ...clip, partId: `night-${clip.id}`, mediaId: `night-passage-${clip.id}` }))

type ClipId = (typeof CLIPS)[number]['id']
const to = (id: ClipId): Goal => ({ to: 'part', partId: `night-${id}` })
const WRONG = 'night-wrong'
const MORNING = 'night-morning'
const toPage = (partId: string): Goal => ({ to: 'part', partId })

/** What is asked at the end of a clip, and where the answers lead. */
const FORKS: { at: ClipId; prompt: string; ways: [words: string, to: Goal][]; seconds?: number }[] =
  [
    {
      at: 'caught',
      prompt: 'What do you do first?',
      seconds: 20,
      ways: [
        ['Drop the lower paddles', to('stopped')],
        ['Shout to the crew', to('shouted')],
        ['Wind faster, so that she slides off', to('faster')],
      ],
    },
    {
      at: 'stopped',
      prompt: 'The water stands. What next?',
      ways: [
        ['Let water in from above, gently', to('floats')],
        ['Push her off with the pole', to('pole')],
      ],
    },
    {
      at: 'shouted',
      prompt: 'She hangs steeper. And now?',
      seconds: 12,
      ways: [
        ['Drop the lower paddles', to('stopped')],
        ['Wind faster', to('faster')],
      ],
    },
    {
      at: 'pole',
      prompt: 'Nothing is lost but the pole.',
      ways: [
        ['Let water in from above, gently', to('floats')],
        ['Ask how others do it', toPage(WRONG)],
      ],
    },
  ]

/** Every edit of the lesson; `films` are the clips once they have been prepared, by their ids. */
export function editsOfNightPassage(films: Readonly<Record<string, DemoFilm>>): Made {
  const making = beginWithoutFilm('Night Passage')
  const { edit } = making
  tellAbout(making, {
    summary:
      'A boat hangs on the sill of lock seven in the dark. You stand at the paddle. What you do first decides what follows.',
    objectives: ['Do the right thing first when a boat hangs', 'Say why it was the right thing'],
    level: 'Keepers on duty',
    tags: ['safety', 'night'],
    cover: { mediaId: CLIPS[0]!.mediaId, wash: '#22364A', strength: 0.55 },
  })
  edit(edits.setTheme, { theme: { accent: '#385873', ground: '#EEF1F3', reading: 'bitter' } })
  for (const { id, title, partId, mediaId } of CLIPS)
    addFilm({ ...making, partId, chapters: [] }, { mediaId, title }, films[id]!, `script-${id}`)
  addPages(making)
  for (const { at, prompt, ways, seconds } of FORKS) {
    const { partId, spoken } = CLIPS.find(({ id }) => id === at)!
    const cueId = `fork-${at}`
    const choiceIds = ways.map((_, index) => `${cueId}-${index + 1}`)
    const atMs = Math.ceil((spoken.at(-1)!.toMs + 300) / 40) * 40
    edit(edits.addFork, { cueId, partId, atMs, choiceIds: [choiceIds[0]!, choiceIds[1]!] })
    for (const choiceId of choiceIds.slice(2)) edit(edits.addChoice, { cueId, choiceId })
    edit(edits.setForkPrompt, { cueId, prompt })
    ways.forEach(([text, target], index) =>
      edit(edits.setChoice, { cueId, choiceId: choiceIds[index]!, change: { text, target } }),
    )
    // Who does nothing while the water falls has done something too.
    if (seconds)
      edit(edits.setForkRules, {
        cueId,
        rules: { countdownMs: seconds * 1000, defaultChoice: choiceIds.at(-1)! },
      })
  }
  addRoutes(making)
  return making.made()
}

function addPages(making: ReturnType<typeof beginWithoutFilm>): void {
  const { edit } = making
  edit(edits.addPart, { id: WRONG, kind: 'page', title: 'What the night watch says' })
  addBlocks(making, WRONG, [
    {
      id: 'wrong-text',
      kind: 'text',
      text: 'It happens to everybody once, {first name}. Look at what the water does, not at what the boat does: as long as it falls, everything else gets worse.',
      note: 'Lock seven has had a white line since the morning after the night passage of 1904.',
    },
    {
      id: 'wrong-fact',
      kind: 'fact',
      title: 'The order of the night',
      tone: 'rust',
      text: {
        blocks: [
          {
            block: 'list',
            ordered: true,
            items: [
              [{ text: 'Stop the water that leaves.' }],
              [{ text: 'Bring water back from above, slowly.' }],
              [{ text: 'Wait until she floats. Only then move her.' }],
            ],
          },
        ],
      },
    },
  ])
  edit(edits.addPart, { id: MORNING, kind: 'page', title: 'The morning after' })
  addBlocks(making, MORNING, [
    {
      id: 'morning-text',
      kind: 'text',
      text: 'The log says: lock 7, 22:10, Red Campion, down, caught and freed, 9 minutes. Nobody hurt.',
    },
  ])
  askOnPage(making, MORNING, {
    id: 'morning-order',
    kind: 'order',
    evidence: null,
    stem: 'A boat has caught on the sill. In which order?',
    entries: {
      items: [
        { text: 'Drop the lower paddles' },
        { text: 'Draw half an upper paddle' },
        { text: 'Wait until she floats' },
        { text: 'Move her past the white line' },
      ],
    },
    feedback: { right: 'Yes, in this order.', wrong: 'No. What makes everything else worse?' },
    rules: { points: 2, tries: 2, tryPenalty: 0.5 },
  })
}

function addRoutes({ edit }: ReturnType<typeof beginWithoutFilm>): void {
  const route = (id: string, fromId: string, target: Goal, words = '') => {
    edit(edits.addRoute, { id, fromId, target })
    if (words) edit(edits.setRoute, { routeId: id, change: { words } })
  }
  route('way-floats', 'night-floats', toPage(MORNING))
  route('way-faster', 'night-faster', toPage(WRONG))
  route('way-again', WRONG, to('caught'), 'Stand at lock seven once more')
  route(
    'way-leave',
    WRONG,
    {
      to: 'ending',
      message: 'The boat stays on the sill until Thursday. Come back before then, {first name}.',
    },
    'Leave it for tonight',
  )
  route('way-home', MORNING, {
    to: 'ending',
    message: 'You have brought Red Campion down the flight. Sleep well, {first name}.',
  })
  edit(edits.setGate, {
    partId: MORNING,
    gate: { condition: { if: 'visited', partId: 'night-floats' }, message: 'once she floats' },
  })
}
