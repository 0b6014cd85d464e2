// Draws, speaks, captions and encodes the demo films. Needs Debian's ffmpeg, festival, festvox-us-slt-hts and
// fonts-dejavu-core; no network. Its results lie beside it and are committed, so starting the demo draws nothing.
//   npm run films -w demo                           every film
//   npm run films -w demo -- water-budget           one film; night-passage: its six clips
//   npm run films -w demo -- water-budget 61000     one frame at that many ms, as a PNG in the folder for temporary files
import { createCanvas } from '@napi-rs/canvas'
import { spawn, execFileSync } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { writeWebVtt } from '@fernbrake/core/formats'
import { HEIGHT, loadFonts, WIDTH } from './paint.ts'
import { SAMPLE_RATE, speak, writeWav, type Spoken } from './speech.ts'
import { Times, type Chapter, type Film } from './times.ts'
import { NIGHT_PASSAGE } from './night-passage/clips.ts'
import { WATER_BUDGET } from './water-budget/frame.ts'
import { WATER_THAT_CLIMBS } from './water-that-climbs/frame.ts'

const FRAMES_PER_SECOND = 25
const FILMS: readonly Film[] = [WATER_THAT_CLIMBS, WATER_BUDGET, ...NIGHT_PASSAGE]
const here = dirname(fileURLToPath(import.meta.url))

interface Narrated {
  spoken: Spoken[]
  chapters: Chapter[]
  track: Int16Array
  durationMs: number
}

function narrate({ narration, pauseMs, closingMs }: Film, folder: string): Narrated {
  const pieces: { fromMs: number; samples: Int16Array }[] = []
  const spoken: Spoken[] = []
  const chapters: Chapter[] = []
  let ms = 0
  for (const { id, text, beforeMs = 0, chapter } of narration) {
    if (chapter)
      chapters.push({
        title: chapter,
        fromMs: chapters.length === 0 ? 0 : wholeFrame(ms + beforeMs / 2),
      })
    ms = wholeFrame(ms + beforeMs)
    const samples = speak(text, folder, id)
    const toMs = ms + Math.round((samples.length / SAMPLE_RATE) * 1000)
    spoken.push({ id, fromMs: ms, toMs })
    pieces.push({ fromMs: ms, samples })
    ms = toMs + pauseMs
  }
  const durationMs = wholeFrame(ms + closingMs)
  const track = new Int16Array(Math.round((durationMs / 1000) * SAMPLE_RATE))
  for (const { fromMs, samples } of pieces)
    track.set(samples, Math.round((fromMs / 1000) * SAMPLE_RATE))
  return { spoken, chapters, track, durationMs }
}

const wholeFrame = (ms: number) => Math.round(ms / 40) * 40

async function encode(film: Film, narrated: Narrated, folder: string): Promise<void> {
  const lossless = join(folder, 'picture.mkv')
  const raw = [
    '-f',
    'rawvideo',
    '-pix_fmt',
    'rgba',
    '-s',
    `${WIDTH}x${HEIGHT}`,
    '-r',
    String(FRAMES_PER_SECOND),
  ]
  const ffmpeg = spawn(
    'ffmpeg',
    [
      '-y',
      '-v',
      'error',
      ...raw,
      '-i',
      '-',
      '-c:v',
      'libx264',
      '-qp',
      '0',
      '-preset',
      'ultrafast',
      '-pix_fmt',
      'yuv420p',
      lossless,
    ],
    { stdio: ['pipe', 'inherit', 'inherit'] },
  )
  await drawAll(film, narrated, async (frame) => {
    if (!ffmpeg.stdin.write(frame)) await once(ffmpeg.stdin, 'drain')
  })
  ffmpeg.stdin.end()
  const [code] = (await once(ffmpeg, 'close')) as [number]
  if (code !== 0) throw new Error(`ffmpeg ended with ${code}`)
  twoPasses(film, lossless, folder)
}

async function drawAll(
  film: Film,
  { spoken, chapters, durationMs }: Narrated,
  take: (frame: Buffer) => Promise<void>,
): Promise<void> {
  const canvas = createCanvas(WIDTH, HEIGHT)
  const context = canvas.getContext('2d')
  const times = new Times(spoken)
  const frames = Math.round((durationMs / 1000) * FRAMES_PER_SECOND)
  for (let frame = 0; frame < frames; frame += 1) {
    film.drawFrame(context, (frame * 1000) / FRAMES_PER_SECOND, times, chapters, durationMs)
    await take(Buffer.from(canvas.data()))
  }
}

function twoPasses(film: Film, picture: string, folder: string): void {
  const speech = join(folder, 'speech.wav')
  const target = join(here, film.folder, 'film.mp4')
  const video = [
    '-c:v',
    'libx264',
    '-preset',
    'slower',
    '-tune',
    'animation',
    '-b:v',
    String(film.videoBitsPerSecond),
    '-g',
    '125',
    '-pix_fmt',
    'yuv420p',
  ]
  const log = join(folder, 'pass')
  const run = (args: string[]) =>
    execFileSync('ffmpeg', ['-y', '-v', 'error', ...args], { stdio: 'inherit' })
  run(['-i', picture, ...video, '-pass', '1', '-passlogfile', log, '-an', '-f', 'null', '-'])
  const audio = [
    '-af',
    'loudnorm=I=-18:TP=-2',
    '-ar',
    '32000',
    '-c:a',
    'aac',
    '-b:a',
    String(film.audioBitsPerSecond),
    '-ac',
    '1',
  ]
  run([
    '-i',
    picture,
    '-i',
    speech,
    ...video,
    '-pass',
    '2',
    '-passlogfile',
    log,
    ...audio,
    '-movflags',
    '+faststart',
    target,
  ])
}

/** Another voice: the same synthesizer, deeper. */
function speakNote(
  film: Film,
  { file, text }: { file: string; text: string },
  folder: string,
): void {
  const wav = join(folder, 'note.wav')
  writeWav(wav, speak(text, folder, 'spoken-note'))
  const deeper = `asetrate=${Math.round(SAMPLE_RATE * 0.8)},atempo=1.2,loudnorm=I=-18:TP=-2`
  const args = ['-af', deeper, '-ar', '32000', '-c:a', 'aac', '-b:a', '48k', '-ac', '1']
  const target = join(here, film.folder, file)
  execFileSync('ffmpeg', ['-y', '-v', 'error', '-i', wav, ...args, target], { stdio: 'inherit' })
}

function writeWords({ folder, narration }: Film, { spoken, chapters }: Narrated): void {
  const texts = new Map(narration.map(({ id, text }) => [id, text]))
  const lines = spoken.map(({ id, fromMs, toMs }) => ({ fromMs, toMs, text: texts.get(id)! }))
  const words = (name: string) => join(here, folder, name)
  writeFileSync(words('captions.en.vtt'), writeWebVtt(lines))
  writeFileSync(words('moments.json'), JSON.stringify({ chapters, spoken }, null, 2) + '\n')
}

async function make(film: Film, moments: readonly number[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-film-'))
  try {
    const narrated = narrate(film, folder)
    if (moments.length > 0) return drawSingle(film, narrated, moments)
    writeWav(join(folder, 'speech.wav'), narrated.track)
    writeWords(film, narrated)
    for (const note of film.spokenNotes ?? []) speakNote(film, note, folder)
    await encode(film, narrated, folder)
    console.log(`${film.folder}: ${(narrated.durationMs / 1000).toFixed(1)} s written`)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

function drawSingle(
  film: Film,
  { spoken, chapters, durationMs }: Narrated,
  moments: readonly number[],
): void {
  const canvas = createCanvas(WIDTH, HEIGHT)
  for (const ms of moments) {
    film.drawFrame(canvas.getContext('2d'), ms, new Times(spoken), chapters, durationMs)
    writeFileSync(join(tmpdir(), `frame-${ms}.png`), canvas.toBuffer('image/png'))
  }
}

const [wanted, ...moments] = process.argv.slice(2)
loadFonts()
for (const film of FILMS)
  if (!wanted || film.folder === wanted || film.folder.startsWith(`${wanted}/`))
    await make(film, moments.map(Number))
