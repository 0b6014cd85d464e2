// Loads the demo into an empty database: accounts, the shelf, two lessons, and a class that has worked on the first.
import { execFile } from 'node:child_process'
import { copyFile, mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import type { Media } from '@fernbrake/core/contract'
import { readCaptions } from '@fernbrake/core/formats'
import { createRandom, drawPersona, simulateLearner } from '@fernbrake/core/rehearsal'
import {
  changeWords,
  createAccount,
  createLesson,
  DEMO_PASSWORD,
  openLink,
  openServer,
  publishEdition,
  run,
  select,
  takeEdits,
  takeRecords,
  takeUpload,
  type Context,
  type Settings,
} from '@fernbrake/server'
import { SKIPPERS, SPRING_INTAKE } from './classes/springIntake.ts'
import type { DemoFilm, Made, MediumWords } from './lessons/making.ts'
import {
  ANATOMY,
  ANATOMY_PART,
  BEFORE_PART,
  CHRONICLE_PART,
  FLIGHT_DRY,
  FLIGHT_OPENED,
  NAVIGATION_MAP,
} from './lessons/aroundTheFilm.ts'
import { editsOfLockLog, LOCK_LOG, PLATES } from './lessons/lockLog.ts'
import { CLIPS, editsOfNightPassage, NIGHT_PASSAGE } from './lessons/nightPassage.ts'
import { LOCK_KEEPERS_QUIZ } from './lessons/lockKeepersQuiz.ts'
import { editsOfWaterBudget, KEEPERS_VOICE, WATER_BUDGET } from './lessons/waterBudget.ts'
import { PADDLE_GEAR } from './lessons/waterOnThePicture.ts'
import { editsOfWaterThatClimbs, WATER_THAT_CLIMBS } from './lessons/waterThatClimbs.ts'

const HERE = dirname(fileURLToPath(import.meta.url))
const FILMS = join(HERE, 'films')
const PICTURES = [ANATOMY, NAVIGATION_MAP, FLIGHT_OPENED, FLIGHT_DRY, ...PLATES]
/** The link of the demo's lesson, so that documentation can name it. */
export const DEMO_LINK = 'cantle-steps-1'
/** The link of the lesson that is a film alone. */
export const LECTURE_LINK = 'cantle-steps-2'
/** The lessons round a film; the first comes last, so that it stands first among the newest. */
const LESSONS: readonly DemoLesson[] = [
  {
    ...WATER_BUDGET,
    ...{ folder: 'water-budget', link: LECTURE_LINK, build: editsOfWaterBudget },
  },
  {
    ...WATER_THAT_CLIMBS,
    ...{ folder: 'water-that-climbs', link: DEMO_LINK, build: editsOfWaterThatClimbs },
  },
]
const CLASS_SEED = 1791
const DAY_MS = 24 * 60 * 60 * 1000
const PREPARING_LIMIT_MS = 600_000

/** Loads the demo into a database that has its schema and nothing else. */
export async function loadDemo(settings: Settings, today = new Date()): Promise<void> {
  const { context, close } = await openServer({ ...settings, runsJobs: true }, () => undefined)
  try {
    const designer = await createAccounts()
    await loadShelf(context, designer.id)
    await keepLesson(context, designer.id, { ...LOCK_LOG, ...editsOfLockLog() })
    await loadNightPassage(context, designer.id)
    for (const lesson of LESSONS) await loadLesson(context, designer.id, lesson)
    await loadClass(context, today)
  } finally {
    await close()
  }
}

const ACCOUNTS = [
  {
    id: 'demo-designer',
    name: 'Merrin Coldwell',
    email: 'designer@harrowmere.example',
    role: 'designer',
  },
  {
    id: 'demo-learner',
    name: 'Tam Oakshott',
    email: 'learner@harrowmere.example',
    role: 'learner',
  },
  { id: 'demo-keeper', name: 'Isolde Farrow', email: 'keeper@harrowmere.example', role: 'keeper' },
] as const

async function createAccounts() {
  const people = []
  for (const account of ACCOUNTS)
    people.push(await createAccount({ ...account, password: DEMO_PASSWORD, demo: true }))
  return people[0]!
}

/** Puts a file of the demo on the shelf and waits until it is prepared. */
async function putOnShelf(
  context: Context,
  ownerId: string,
  { id, kind, file, words }: { id: string; kind: Media['kind']; file: string; words: MediumWords },
): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-demo-'))
  try {
    const path = join(folder, 'file')
    await copyFile(file, path)
    await takeUpload(context, { id, ownerId, title: words.title, path, kind })
    await untilPrepared(context, id)
    await changeWords(id, ownerId, words)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

async function loadShelf(context: Context, ownerId: string): Promise<void> {
  const { credit, licence } = PADDLE_GEAR.words
  const film = (id: string, folder: string, title: string, description: string) =>
    putOnShelf(context, ownerId, {
      ...{ id, kind: 'film', file: join(FILMS, folder, 'film.mp4') },
      words: { title, description, credit, licence, tags: ['lock', 'film'] },
    })
  await film(
    WATER_THAT_CLIMBS.mediaId,
    'water-that-climbs',
    'Water That Climbs',
    'How a lock lifts a boat, drawn as a cut through the lock. With captions.',
  )
  await film(
    WATER_BUDGET.mediaId,
    'water-budget',
    'The Water Budget of a Flight',
    'A lecture with a drawn board: what a boat costs in water. With captions.',
  )
  await putOnShelf(context, ownerId, {
    ...{ id: KEEPERS_VOICE.mediaId, kind: 'sound', words: KEEPERS_VOICE.words },
    file: join(FILMS, 'water-budget', 'keeper.m4a'),
  })
  await loadStill(context, ownerId)
  for (const { id, file, words } of PICTURES)
    await putOnShelf(context, ownerId, {
      id,
      kind: 'picture',
      file: join(HERE, 'pictures', file),
      words,
    })
}

/** Takes a still from the film and puts it on the shelf. */
async function loadStill(context: Context, ownerId: string): Promise<void> {
  const { mediaId, atSeconds, crop, words } = PADDLE_GEAR
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-demo-'))
  try {
    const file = join(folder, 'still.png')
    const cut = `crop=${crop.width}:${crop.height}:${crop.x}:${crop.y},scale=iw*3:-1`
    const film = join(FILMS, 'water-that-climbs', 'film.mp4')
    const args = ['-v', 'error', '-ss', String(atSeconds), '-i', film, '-frames:v', '1', '-vf', cut]
    await promisify(execFile)('ffmpeg', [...args, file])
    await putOnShelf(context, ownerId, { id: mediaId, kind: 'picture', file, words })
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

async function untilPrepared({ database }: Context, mediaId: string): Promise<void> {
  const until = Date.now() + PREPARING_LIMIT_MS
  while (Date.now() < until) {
    const open = await select<{ state: string }>(
      database,
      "SELECT state FROM media_jobs WHERE media_id = $1 AND state <> 'done'",
      [mediaId],
    )
    if (open.some((job) => job.state === 'failed'))
      throw new Error('The demo film could not be prepared')
    if (open.length === 0) return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new Error('Preparing the demo film took too long')
}

interface DemoLesson {
  lessonId: string
  mediaId: string
  folder: string
  link: string
  build: (film: DemoFilm) => Made
}

/** A film of the demo as it is on the shelf, with its captions. */
async function readDemoFilm(
  { database }: Context,
  { mediaId, folder }: { mediaId: string; folder: string },
): Promise<DemoFilm> {
  const [media] = await select<{ duration_ms: number }>(
    database,
    'SELECT duration_ms FROM media WHERE id = $1',
    [mediaId],
  )
  const captions = readCaptions(await readFile(join(FILMS, folder, 'captions.en.vtt'), 'utf8'))
  if (!captions.ok) throw new Error('The demo captions cannot be read')
  return { durationMs: media!.duration_ms, captions: captions.lines }
}

/** Makes a lesson round one film. */
async function loadLesson(context: Context, ownerId: string, given: DemoLesson): Promise<void> {
  const { lessonId, link, build } = given
  const film = await readDemoFilm(context, given)
  await keepLesson(context, ownerId, { lessonId, link, ...build(film) })
}

/** Makes the lesson of six clips. */
async function loadNightPassage(context: Context, ownerId: string): Promise<void> {
  const { credit, licence } = PADDLE_GEAR.words
  const films: Record<string, DemoFilm> = {}
  for (const { id, mediaId, title } of CLIPS) {
    const folder = join('night-passage', id)
    await putOnShelf(context, ownerId, {
      ...{ id: mediaId, kind: 'film', file: join(FILMS, folder, 'film.mp4') },
      words: { title: `Night Passage: ${title}`, credit, licence, tags: ['lock', 'night', 'film'] },
    })
    films[id] = await readDemoFilm(context, { mediaId, folder })
  }
  await keepLesson(context, ownerId, { ...NIGHT_PASSAGE, ...editsOfNightPassage(films) })
}

/** Keeps a lesson with the edits that made it, publishes its first edition and gives it its link. */
async function keepLesson(
  context: Context,
  ownerId: string,
  { lessonId, link, lesson, made }: Made & { lessonId: string; link: string },
): Promise<void> {
  const owner = { id: ownerId, name: '', email: null, role: 'designer' as const }
  const { title, language } = lesson
  await createLesson(context, owner, { id: lessonId, title, language })
  const edits = made.map(({ name, patches }, index) => ({
    id: `demo-edit-${index}`,
    name,
    patches,
  }))
  const { revision } = await takeEdits(context, owner, lessonId, { revision: 0, edits })
  await publishEdition(context, owner, lessonId, { revision, number: 1 })
  await run(context.database, 'UPDATE lessons SET link_code = $2, seen_by = $3 WHERE id = $1', [
    ...[lessonId, link],
    // The two that teach without a course around them are there for everyone.
    [DEMO_LINK, NIGHT_PASSAGE.link].includes(link) ? 'everyone' : 'link',
  ])
}

/** The parts of lesson 1, and how long after the beginning a learner comes to each, in ms. */
const FIRST_PARTS = [
  { partId: BEFORE_PART, afterMs: 0 },
  { partId: WATER_THAT_CLIMBS.partId, afterMs: 120_000 },
]
const LATER_PARTS = [
  { partId: ANATOMY_PART, afterMs: 1_200_000 },
  { partId: CHRONICLE_PART, afterMs: 1_500_000 },
  { partId: LOCK_KEEPERS_QUIZ.partId, afterMs: 1_700_000 },
]

/** The class worked on the lesson over the last two weeks. */
async function loadClass(context: Context, today: Date): Promise<void> {
  const { lessonId } = WATER_THAT_CLIMBS
  const random = createRandom(CLASS_SEED)
  const [edition] = await select<{ document: Parameters<typeof simulateLearner>[0] }>(
    context.database,
    'SELECT document FROM editions WHERE lesson_id = $1 AND number = 1',
    [lessonId],
  )
  for (const [index, name] of SPRING_INTAKE.entries()) {
    const email = `${name.toLowerCase().replace(/[^a-z]+/g, '.')}@harrowmere.example`
    const id = `spring-${index + 1}`
    // Nobody signs in as these; their password is not known to anyone.
    const person = await createAccount({
      id,
      name,
      email,
      role: 'learner',
      password: random.id() + random.id(),
    })
    const persona = { ...drawPersona(random), skips: SKIPPERS.includes(name) }
    const startMs = today.getTime() - Math.round((1 + random.next() * 13) * DAY_MS)
    // Who saw the film to its end mostly went on, after a pause.
    const goesOn = persona.patience >= 1 && random.chance(0.85)
    const parts = goesOn ? [...FIRST_PARTS, ...LATER_PARTS] : FIRST_PARTS
    const records = parts.flatMap(({ partId, afterMs }) =>
      simulateLearner(edition!.document, partId, persona, random, startMs + afterMs),
    )
    const attemptId = await openLink(context, DEMO_LINK, person)
    await takeRecords(
      context,
      attemptId,
      records,
      new Date(records.length > 0 ? startMs + 2_400_000 : startMs),
    )
    await run(context.database, 'UPDATE attempts SET opened_at = $2 WHERE id = $1', [
      attemptId,
      new Date(startMs),
    ])
  }
}

export { editsOfWaterBudget, editsOfWaterThatClimbs }
