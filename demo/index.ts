// Loads the demo into an empty database: accounts, the film, lesson 1 published, and a class that has worked on it.
import { execFile } from 'node:child_process'
import { copyFile, mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
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
import { PADDLE_GEAR } from './lessons/waterOnThePicture.ts'
import { editsOfWaterThatClimbs, WATER_THAT_CLIMBS } from './lessons/waterThatClimbs.ts'

const FILMS = join(dirname(fileURLToPath(import.meta.url)), 'films')
/** The link of the demo's lesson, so that documentation can name it. */
export const DEMO_LINK = 'cantle-steps-1'
const CLASS_SEED = 1791
const DAY_MS = 24 * 60 * 60 * 1000
const PREPARING_LIMIT_MS = 600_000

/** Loads the demo into a database that has its schema and nothing else. */
export async function loadDemo(settings: Settings, today = new Date()): Promise<void> {
  const { context, close } = await openServer({ ...settings, runsJobs: true }, () => undefined)
  try {
    const designer = await createAccounts()
    await loadFilm(context, designer.id)
    await loadLesson(context, designer.id)
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

async function loadFilm(context: Context, ownerId: string): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-demo-'))
  try {
    const path = join(folder, 'film.mp4')
    await copyFile(join(FILMS, 'water-that-climbs', 'film.mp4'), path)
    await takeUpload(context, {
      id: WATER_THAT_CLIMBS.mediaId,
      ownerId,
      title: 'Water That Climbs',
      path,
      kind: 'film',
    })
    await untilPrepared(context, WATER_THAT_CLIMBS.mediaId)
    await changeWords(WATER_THAT_CLIMBS.mediaId, ownerId, FILM_WORDS)
    await loadStill(context, ownerId, folder)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

const FILM_WORDS = {
  description: 'How a lock lifts a boat, drawn as a cut through the lock. With captions.',
  credit: PADDLE_GEAR.words.credit,
  licence: PADDLE_GEAR.words.licence,
  tags: ['lock', 'film'],
}

/** Takes a still from the film and puts it on the shelf. */
async function loadStill(context: Context, ownerId: string, folder: string): Promise<void> {
  const { mediaId, atSeconds, crop, words } = PADDLE_GEAR
  const path = join(folder, 'still.png')
  const cut = `crop=${crop.width}:${crop.height}:${crop.x}:${crop.y},scale=iw*3:-1`
  const film = join(FILMS, 'water-that-climbs', 'film.mp4')
  const args = ['-v', 'error', '-ss', String(atSeconds), '-i', film, '-frames:v', '1', '-vf', cut]
  await promisify(execFile)('ffmpeg', [...args, path])
  const { title } = words
  await takeUpload(context, { id: mediaId, ownerId, title, path, kind: 'picture' })
  await untilPrepared(context, mediaId)
  await changeWords(mediaId, ownerId, words)
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

async function loadLesson(context: Context, ownerId: string): Promise<void> {
  const { lessonId, mediaId } = WATER_THAT_CLIMBS
  const [media] = await select<{ duration_ms: number }>(
    context.database,
    'SELECT duration_ms FROM media WHERE id = $1',
    [mediaId],
  )
  const captions = readCaptions(
    await readFile(join(FILMS, 'water-that-climbs', 'captions.en.vtt'), 'utf8'),
  )
  if (!captions.ok) throw new Error('The demo captions cannot be read')
  const owner = { id: ownerId, name: '', email: null, role: 'designer' as const }
  const { made } = editsOfWaterThatClimbs({
    durationMs: media!.duration_ms,
    captions: captions.lines,
  })
  await createLesson(context, owner, { id: lessonId, title: 'Water That Climbs', language: 'en' })
  const edits = made.map(({ name, patches }, index) => ({
    id: `demo-edit-${index}`,
    name,
    patches,
  }))
  const { revision } = await takeEdits(context, owner, lessonId, { revision: 0, edits })
  await publishEdition(context, owner, lessonId, { revision, number: 1 })
  await run(context.database, 'UPDATE lessons SET link_code = $2 WHERE id = $1', [
    lessonId,
    DEMO_LINK,
  ])
}

/** The class worked on the lesson over the last two weeks. */
async function loadClass(context: Context, today: Date): Promise<void> {
  const { lessonId, partId } = WATER_THAT_CLIMBS
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
    const records = simulateLearner(edition!.document, partId, persona, random, startMs)
    const attemptId = await openLink(DEMO_LINK, person)
    await takeRecords(
      context,
      attemptId,
      records,
      new Date(records.length > 0 ? startMs + 600_000 : startMs),
    )
    await run(context.database, 'UPDATE attempts SET opened_at = $2 WHERE id = $1', [
      attemptId,
      new Date(startMs),
    ])
  }
}
