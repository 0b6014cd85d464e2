// Loads the demo into an empty database: accounts, the shelf, the lessons, and the classes with their work.
import { execFile } from 'node:child_process'
import { copyFile, mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import type { Media, Person } from '@fernbrake/core/contract'
import { readCaptions } from '@fernbrake/core/formats'
import {
  changeWords,
  createAccount,
  createLesson,
  DEMO_PASSWORD,
  openServer,
  publishEdition,
  run,
  select,
  acceptEdits,
  acceptUpload,
  type Context,
  type Settings,
} from '@fernbrake/server'
import { loadClasses } from './classes/loadClasses.ts'
import type { DemoFilm, Made, MediumWords } from './lessons/making.ts'
import { ANATOMY, FLIGHT_DRY, FLIGHT_OPENED, NAVIGATION_MAP } from './lessons/aroundTheFilm.ts'
import { editsOfLockLog, LOCK_LOG, PLATES } from './lessons/lockLog.ts'
import { CLIPS, editsOfNightPassage, NIGHT_PASSAGE } from './lessons/nightPassage.ts'
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
  { ...WATER_BUDGET, folder: 'water-budget', link: LECTURE_LINK, build: editsOfWaterBudget },
  {
    ...WATER_THAT_CLIMBS,
    folder: 'water-that-climbs',
    link: DEMO_LINK,
    build: editsOfWaterThatClimbs,
  },
]
const PREPARING_LIMIT_MS = 600_000

/** Loads the demo into a database that has its schema and nothing else. */
export async function loadDemo(settings: Settings, today = new Date()): Promise<void> {
  const { context, close } = await openServer({ ...settings, runsJobs: true }, () => undefined)
  try {
    const [designer, learner] = await createAccounts()
    await loadShelf(context, designer.id)
    await keepLesson(context, designer.id, { ...LOCK_LOG, ...editsOfLockLog() })
    await loadNightPassage(context, designer.id)
    for (const lesson of LESSONS) await loadLesson(context, designer.id, lesson)
    await loadClasses(context, { teacher: designer, learner, today })
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

async function createAccounts(): Promise<[designer: Person, learner: Person]> {
  const people: Person[] = []
  for (const account of ACCOUNTS)
    people.push(await createAccount({ ...account, password: DEMO_PASSWORD, demo: true }))
  return [people[0]!, people[1]!]
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
    await acceptUpload(context, { id, ownerId, title: words.title, path, kind })
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
      id,
      kind: 'film',
      file: join(FILMS, folder, 'film.mp4'),
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
    id: KEEPERS_VOICE.mediaId,
    kind: 'sound',
    words: KEEPERS_VOICE.words,
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
      id: mediaId,
      kind: 'film',
      file: join(FILMS, folder, 'film.mp4'),
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
  const { revision } = await acceptEdits(context, owner, lessonId, { revision: 0, edits })
  await publishEdition(context, owner, lessonId, { revision, number: 1 })
  await run(context.database, 'UPDATE lessons SET link_code = $2, seen_by = $3 WHERE id = $1', [
    lessonId,
    link,
    // The two that teach without a course around them are there for everyone.
    [DEMO_LINK, NIGHT_PASSAGE.link].includes(link) ? 'everyone' : 'link',
  ])
}

export { editsOfWaterBudget, editsOfWaterThatClimbs }
