// Draws, speaks, captions and encodes the demo films. Needs Debian's ffmpeg, festival, festvox-us-slt-hts and
// fonts-dejavu-core; no network. Its results lie beside it and are committed, so starting the demo draws nothing.
//   npm run films -w demo            the whole film
//   npm run films -w demo -- 61000   one frame at that many ms, as frame.png in the folder for temporary files
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
import { drawFrame, type Chapter } from './water-that-climbs/frame.ts'
import { CLOSING_MS, NARRATION, USUAL_PAUSE_MS } from './water-that-climbs/narration.ts'
import { Times } from './water-that-climbs/story.ts'

const FRAMES_PER_SECOND = 25
/** Together these keep the film under 4 MB at about four and a half minutes. */
const VIDEO_BITS_PER_SECOND = 74_000
const AUDIO_BITS_PER_SECOND = 36_000

const here = join(dirname(fileURLToPath(import.meta.url)), 'water-that-climbs')

interface Narrated {
  spoken: Spoken[]
  chapters: Chapter[]
  track: Int16Array
  durationMs: number
}

function narrate(folder: string): Narrated {
  const pieces: { fromMs: number; samples: Int16Array }[] = []
  const spoken: Spoken[] = []
  const chapters: Chapter[] = []
  let ms = 0
  for (const { id, text, beforeMs = 0, chapter } of NARRATION) {
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
    ms = toMs + USUAL_PAUSE_MS
  }
  const durationMs = wholeFrame(ms + CLOSING_MS)
  const track = new Int16Array(Math.round((durationMs / 1000) * SAMPLE_RATE))
  for (const { fromMs, samples } of pieces)
    track.set(samples, Math.round((fromMs / 1000) * SAMPLE_RATE))
  return { spoken, chapters, track, durationMs }
}

const wholeFrame = (ms: number) => Math.round(ms / 40) * 40

async function encode(narrated: Narrated, folder: string, target: string): Promise<void> {
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
    {
      stdio: ['pipe', 'inherit', 'inherit'],
    },
  )
  await drawAll(narrated, async (frame) => {
    if (!ffmpeg.stdin.write(frame)) await once(ffmpeg.stdin, 'drain')
  })
  ffmpeg.stdin.end()
  const [code] = (await once(ffmpeg, 'close')) as [number]
  if (code !== 0) throw new Error(`ffmpeg ended with ${code}`)
  twoPasses(lossless, join(folder, 'speech.wav'), folder, target)
}

async function drawAll(
  { spoken, chapters, durationMs }: Narrated,
  take: (frame: Buffer) => Promise<void>,
): Promise<void> {
  const canvas = createCanvas(WIDTH, HEIGHT)
  const context = canvas.getContext('2d')
  const times = new Times(spoken)
  const frames = Math.round((durationMs / 1000) * FRAMES_PER_SECOND)
  for (let frame = 0; frame < frames; frame += 1) {
    drawFrame(context, (frame * 1000) / FRAMES_PER_SECOND, times, chapters, durationMs)
    await take(Buffer.from(canvas.data()))
  }
}

function twoPasses(picture: string, speech: string, folder: string, target: string): void {
  const video = [
    '-c:v',
    'libx264',
    '-preset',
    'slower',
    '-tune',
    'animation',
    '-b:v',
    String(VIDEO_BITS_PER_SECOND),
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
    String(AUDIO_BITS_PER_SECOND),
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

function writeWords({ spoken, chapters }: Narrated): void {
  const texts = new Map(NARRATION.map(({ id, text }) => [id, text]))
  const lines = spoken.map(({ id, fromMs, toMs }) => ({ fromMs, toMs, text: texts.get(id)! }))
  writeFileSync(join(here, 'captions.en.vtt'), writeWebVtt(lines))
  writeFileSync(join(here, 'moments.json'), JSON.stringify({ chapters, spoken }, null, 2) + '\n')
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-film-'))
  try {
    loadFonts()
    const narrated = narrate(folder)
    writeWav(join(folder, 'speech.wav'), narrated.track)
    const single = process.argv.slice(2).map(Number)
    if (single.length > 0) return drawSingle(narrated, single)
    writeWords(narrated)
    await encode(narrated, folder, join(here, 'film.mp4'))
    console.log(`Film of ${(narrated.durationMs / 1000).toFixed(1)} s written`)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

function drawSingle({ spoken, chapters, durationMs }: Narrated, moments: number[]): void {
  const canvas = createCanvas(WIDTH, HEIGHT)
  for (const ms of moments) {
    drawFrame(canvas.getContext('2d'), ms, new Times(spoken), chapters, durationMs)
    writeFileSync(join(tmpdir(), `frame-${ms}.png`), canvas.toBuffer('image/png'))
  }
}

await main()
