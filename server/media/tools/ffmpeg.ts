// Calls ffmpeg and ffprobe: argument arrays, never a shell; a time limit; only files that we named ourselves.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import type { SoundTrack } from '@fernbrake/core/contract'
import { cleanText, cutText } from '@fernbrake/core/fields'

/** Longest that a single step may take, in ms: six hours, enough for a long film on a slow machine. */
const LONGEST_STEP_MS = 6 * 60 * 60 * 1000
/** What we read: forms that hold what they show, none that only name other files, such as playlists and scripts of cuts. */
const FORMATS =
  'aac,ac3,aiff,amr,ape,asf,avi,caf,eac3,flac,flv,gif,gif_pipe,image2,jpeg_pipe,m4v,matroska,mov,mp3,' +
  'mpeg,mpegts,mpegvideo,ogg,png_pipe,wav,w64,webp_pipe,wv'
/** Local files only, and only such as hold what they show: no crafted file makes us fetch or read anything else. */
const INPUT_RULES = ['-protocol_whitelist', 'file', '-format_whitelist', FORMATS]
/** A list of pieces is ours alone, written by us, of pieces whose content was looked at. */
const LIST_RULES = ['-protocol_whitelist', 'file,crypto', '-allowed_extensions', 'ALL']
const LIST_FORMATS = ['-format_whitelist', `hls,${FORMATS}`]

export class FfmpegError extends Error {}

interface Run {
  args: string[]
  onOutput?: (chunk: Buffer) => void
}

function run(program: 'ffmpeg' | 'ffprobe', { args, onOutput }: Run): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      timeout: LONGEST_STEP_MS,
    })
    let complaint = ''
    child.stdout.on('data', (chunk: Buffer) => onOutput?.(chunk))
    child.stderr.on('data', (chunk: Buffer) => {
      complaint = (complaint + chunk.toString()).slice(-2000)
    })
    child.on('error', reject)
    child.on('close', (code) =>
      code === 0
        ? resolve()
        : reject(new FfmpegError(`${program} ended with ${code}: ${complaint}`)),
    )
  })
}

export interface ProbedSound extends SoundTrack {
  codec: string
}

export interface Probed {
  container: string
  durationMs: number
  video: {
    codec: string
    pixelFormat: string | null
    width: number
    height: number
    framesPerSecond: number
  } | null
  /** The sounds that run along it, in the order of the file. */
  sounds: ProbedSound[]
  /** The one that players begin with. */
  usualSound: number
  /** Whether the file tells more than it shows: where and with what it was filmed, by whom, or whatever else was written in. */
  tellsMore: boolean
}

/** What ffmpeg says of every file, and what it takes to show it; nothing of these is anybody's. */
const TECHNICAL_TAGS = new Set([
  'major_brand',
  'minor_version',
  'compatible_brands',
  'encoder',
  'handler_name',
  'vendor_id',
  'language',
  'rotate',
  'duration',
  'alpha_mode',
  'bps',
  'number_of_frames',
  'number_of_bytes',
  '_statistics_tags',
  '_statistics_writing_app',
])

const isTelling = (tags: Readonly<Record<string, unknown>> = {}): boolean =>
  Object.keys(tags).some((name) => !TECHNICAL_TAGS.has(name.toLowerCase().replace(/-\w+$/, '')))

/** What is in a film file. Throws FfmpegError where it cannot be read. */
export async function probe(path: string): Promise<Probed> {
  let text = ''
  await run('ffprobe', {
    args: [
      '-v',
      'error',
      ...INPUT_RULES,
      '-print_format',
      'json',
      '-show_format',
      '-show_streams',
      '-show_chapters',
      path,
    ],
    onOutput: (chunk) => (text += chunk.toString()),
  })
  return readProbe(JSON.parse(text) as ProbeJson)
}

interface ProbeStream {
  codec_type?: string
  codec_name?: string
  pix_fmt?: string
  width?: number
  height?: number
  avg_frame_rate?: string
  duration?: string
  channels?: number
  disposition?: { attached_pic?: number; default?: number }
  tags?: Record<string, string>
  side_data_list?: { rotation?: number }[]
}

interface ProbeJson {
  format?: { format_name?: string; duration?: string; tags?: Record<string, string> }
  streams?: ProbeStream[]
  chapters?: unknown[]
}

/** Codecs of pictures and sound; whatever else runs along, such as a track of places, tells more than is shown. */
const isShown = ({ codec_type: type, disposition }: ProbeStream) =>
  type === 'audio' || (type === 'video' && disposition?.attached_pic !== 1)

function readProbe({ format, streams = [], chapters = [] }: ProbeJson): Probed {
  const video = streams.find((s) => s.codec_type === 'video' && s.disposition?.attached_pic !== 1)
  const audio = streams.filter((s) => s.codec_type === 'audio').slice(0, MOST_SOUNDS)
  const seconds = Number(format?.duration ?? video?.duration ?? audio[0]?.duration ?? 0)
  return {
    container: format?.format_name ?? '',
    durationMs: Number.isFinite(seconds) ? Math.round(seconds * 1000) : 0,
    video: video ? readVideo(video) : null,
    sounds: audio.map(readSound),
    usualSound: Math.max(
      0,
      audio.findIndex((s) => s.disposition?.default === 1),
    ),
    tellsMore:
      chapters.length > 0 ||
      isTelling(format?.tags) ||
      streams.some((stream) => !isShown(stream) || isTelling(stream.tags)),
  }
}

/** More sounds than these are not told of; a film has one, or a handful of languages. */
const MOST_SOUNDS = 32
const LONGEST_SOUND_TITLE = 100
const isLanguage = (tag: string) => /^[a-z]{2,3}(-[a-z0-9]{1,8})*$/i.test(tag) && tag !== 'und'

function readSound({ codec_name: codec = '', channels = 0, tags = {} }: ProbeStream): ProbedSound {
  const tagged = new Map(Object.entries(tags).map(([name, text]) => [name.toLowerCase(), text]))
  const language = tagged.get('language') ?? ''
  return {
    codec,
    language: isLanguage(language) ? language : '',
    title: cutText(cleanText(tagged.get('title') ?? '').trim(), LONGEST_SOUND_TITLE),
    channels,
  }
}

function readVideo(stream: ProbeStream): NonNullable<Probed['video']> {
  const rotation = Number(
    stream.side_data_list?.find((s) => s.rotation !== undefined)?.rotation ??
      stream.tags?.rotate ??
      0,
  )
  const turned = Math.abs(rotation) % 180 === 90
  const [width, height] = [stream.width ?? 0, stream.height ?? 0]
  const [frames, seconds] = (stream.avg_frame_rate ?? '0/1').split('/').map(Number)
  return {
    codec: stream.codec_name ?? '',
    pixelFormat: stream.pix_fmt ?? null,
    width: turned ? height : width,
    height: turned ? width : height,
    framesPerSecond: seconds ? frames! / seconds : 0,
  }
}

/**
 * Runs ffmpeg on one input; `onProgress` hears how far into the film it is, in ms. `fromSeconds` skips what comes
 * before without decoding all of it.
 */
export async function transform(
  input: string,
  args: string[],
  output: string,
  { onProgress, fromSeconds = 0 }: { onProgress?: (ms: number) => void; fromSeconds?: number } = {},
): Promise<void> {
  await run('ffmpeg', {
    args: [
      '-y',
      '-v',
      'error',
      '-nostdin',
      '-progress',
      'pipe:1',
      ...INPUT_RULES,
      // A jump to the beginning is none, but pictures that are read as a stream would not survive it.
      ...(fromSeconds > 0 ? ['-ss', String(fromSeconds)] : []),
      '-i',
      input,
      ...args,
      output,
    ],
    onOutput: readProgress((ms) => onProgress?.(ms)),
  })
}

/** Writes a sound that is made of sources and filters alone. */
export async function synthesise(sources: string, output: string): Promise<void> {
  const input = ['-f', 'lavfi', '-i', sources]
  await run('ffmpeg', { args: ['-y', '-v', 'error', '-nostdin', ...input, '-ac', '1', output] })
}

/** Makes a file of each of several inputs, all in the same way: starting ffmpeg takes longer than a picture does. */
export async function transformEach(
  files: readonly { input: string; output: string }[],
  args: readonly string[],
): Promise<void> {
  await run('ffmpeg', {
    args: [
      '-y',
      '-v',
      'error',
      '-nostdin',
      ...files.flatMap(({ input }) => [...INPUT_RULES, '-i', input]),
      ...files.flatMap(({ output }, index) => ['-map', `${index}:v:0`, ...args, output]),
    ],
  })
}

/** Writes a film as a stream (HLS) into a folder: `all.m3u8` and numbered pieces; nothing is coded anew. */
export async function writeStream(film: string, folder: string): Promise<void> {
  const pieces = ['-f', 'hls', '-hls_time', '6', '-hls_playlist_type', 'vod']
  const names = ['-hls_segment_filename', join(folder, '%d.ts'), join(folder, 'all.m3u8')]
  await run('ffmpeg', {
    args: [
      '-y',
      '-v',
      'error',
      '-nostdin',
      ...INPUT_RULES,
      '-i',
      film,
      '-c',
      'copy',
      ...pieces,
      ...names,
    ],
  })
}

/** Puts lists of pieces (HLS) that lie in folders of ours together to one MP4; nothing is coded anew. */
export async function joinStreams(lists: readonly string[], output: string): Promise<void> {
  // What is locked with a key that lies beside it is opened on the way.
  await run('ffmpeg', {
    args: [
      '-y',
      '-v',
      'error',
      '-nostdin',
      ...lists.flatMap((list) => [...LIST_RULES, ...LIST_FORMATS, '-f', 'hls', '-i', list]),
      '-map',
      '0:V:0',
      '-map',
      lists.length > 1 ? '1:a:0' : '0:a:0?',
      '-c',
      'copy',
      '-movflags',
      '+faststart',
      output,
    ],
  })
}

/**
 * Reads what `-progress` writes and hands on how far it says it is, in ms. Reports come cut anywhere, and several at
 * once: the last one whole in a piece counts, for it says how long the whole was when ffmpeg ends.
 */
export function readProgress(onProgress: (ms: number) => void): (chunk: Buffer) => void {
  let rest = ''
  return (chunk) => {
    const text = rest + chunk.toString()
    const whole = text.slice(0, text.lastIndexOf('\n') + 1)
    rest = text.slice(whole.length)
    const told = [...whole.matchAll(/^out_time_us=(\d+)$/gm)].at(-1)
    if (told) onProgress(Number(told[1]) / 1000)
  }
}

/** How long a file runs that does not say so itself, in ms: its packets are read, nothing is decoded. */
export async function measureLength(input: string): Promise<number> {
  let lastMs = 0
  const onProgress = (ms: number) => (lastMs = ms)
  await transform(input, ['-map', '0:V:0', '-c', 'copy', '-f', 'null'], '-', { onProgress })
  return Math.round(lastMs)
}

/** Decodes one of the sounds to mono 16-bit samples and hands them on in pieces. */
export async function decodeSound(
  { input, track = 0 }: { input: string; track?: number },
  sampleRate: number,
  onSamples: (samples: Int16Array) => void,
): Promise<void> {
  const args = [
    '-map',
    `0:a:${track}`,
    '-ac',
    '1',
    '-ar',
    String(sampleRate),
    '-f',
    's16le',
    'pipe:1',
  ]
  await decode(input, args, 2, (bytes) => onSamples(new Int16Array(Uint8Array.from(bytes).buffer)))
}

export interface FilmstripWanted {
  /** Frames a second as a fraction; frames of uneven distance are brought to it. */
  rate: string
  /** Size of the grey frames handed on. */
  frame: { width: number; height: number }
  strip: { everyMs: number; columns: number; rows: number; height: number; output: string }
}

/** Decodes the pictures once: every frame is handed on small and grey, and a filmstrip is written. */
export async function decodePictures(
  input: string,
  { rate, frame, strip }: FilmstripWanted,
  onFrame: (frame: Uint8Array) => void,
): Promise<void> {
  const { width, height } = frame
  const filter = [
    `[0:V:0]split=2[a][b]`,
    `[a]fps=${rate}:start_time=0,scale=${width}:${height}:flags=fast_bilinear,format=gray[grey]`,
    `[b]fps=1000/${strip.everyMs}:start_time=0:round=up,scale=-2:${strip.height},tile=${strip.columns}x${strip.rows}[strip]`,
  ].join(';')
  const args = ['-filter_complex', filter, '-map', '[grey]', '-f', 'rawvideo', 'pipe:1']
  args.push('-map', '[strip]', '-frames:v', '1', '-update', '1', '-q:v', '5', strip.output)
  await decode(input, args, width * height, (bytes) => {
    for (let at = 0; at < bytes.length; at += width * height)
      onFrame(bytes.subarray(at, at + width * height))
  })
}

/** Runs ffmpeg on one input and hands on what it writes to its output, in whole units of `unit` bytes. */
async function decode(
  input: string,
  args: string[],
  unit: number,
  onBytes: (bytes: Buffer) => void,
): Promise<void> {
  let rest = Buffer.alloc(0)
  await run('ffmpeg', {
    args: ['-y', '-v', 'error', '-nostdin', ...INPUT_RULES, '-i', input, ...args],
    onOutput: (chunk) => {
      const bytes = rest.length > 0 ? Buffer.concat([rest, chunk]) : chunk
      const whole = bytes.length - (bytes.length % unit)
      if (whole > 0) onBytes(bytes.subarray(0, whole))
      rest = Buffer.from(bytes.subarray(whole))
    },
  })
}
