// A stream (HLS) is fetched piece by piece and put together to one film, so that it is as good to work with as any other.
import { mkdir, open, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { nanoid } from 'nanoid'
import {
  keyOfPiece,
  LONGEST_PLAYLIST,
  pickVariant,
  readPlaylist,
  writePlaylist,
  type Playlist,
  type PlaylistFault,
  type StreamPiece,
} from '@fernbrake/core/formats'
import { LARGEST_BYTES } from '@fernbrake/core/media'
import { joinStreams } from '../tools/ffmpeg.ts'
import { download } from './download.ts'
import { orUnusable, UnusableFilm, type Step } from './step.ts'

/** A lesson is watched beside its questions; a larger picture would only take longer. */
const MOST_HEIGHT = 1080
/** So many pieces come at a time. */
const AT_ONCE = 4

/** Endings under which pieces are kept; what has another is taken for the usual kind. */
const ENDINGS = new Set(['ts', 'aac', 'm4s', 'mp4', 'mp3', 'ac3'])

interface Found {
  words: string
  address: string
  signal: AbortSignal
}
type Segments = Extract<Playlist, { kind: 'segments' }>

/** Fetches the stream whose playlist was found; answers with where the film lies in the step's folder. */
export async function gatherStream(step: Step, found: Found): Promise<string> {
  const { signal } = found
  const lists = await listsOf(step, found)
  const pieces = lists.map(piecesOf)
  const all = pieces.flat().length
  const budget = { bytes: LARGEST_BYTES.film, done: 0 }
  const local: string[] = []
  for (const [index, list] of lists.entries()) {
    const folder = join(step.folder, `stream-${index}`)
    await mkdir(folder)
    await fetchPieces(step, folder, pieces[index]!, signal, budget, () =>
      step.onProgress(budget.done / all),
    )
    const path = join(folder, 'list.m3u8')
    const names = new Map(pieces[index]!.map((piece, at) => [keyOfPiece(piece), nameAt(piece, at)]))
    const nameOf = (piece: StreamPiece) => names.get(keyOfPiece(piece))!
    await writeFile(path, writePlaylist(list.segments, list.firstNumber, nameOf))
    local.push(path)
  }
  const film = join(step.folder, 'film.mp4')
  await orUnusable(joinStreams(local, film), 'unreadable')
  return film
}

/** The list of the picture that is taken, and that of its sound where that is apart. */
async function listsOf(step: Step, { words, address, signal }: Found): Promise<Segments[]> {
  const list = readable(readPlaylist(words, address))
  if (list.kind === 'segments') return [list]
  const variant = pickVariant(list.variants, MOST_HEIGHT)
  if (!variant) throw new UnusableFilm('unreadable')
  const addresses = [variant.address, ...(variant.sound ? [variant.sound] : [])]
  return Promise.all(addresses.map((one) => fetchList(step, one, signal)))
}

async function fetchList(step: Step, from: string, signal: AbortSignal): Promise<Segments> {
  const path = join(step.folder, `${nanoid()}.txt`)
  const wanted = { address: from, path, mostBytes: LONGEST_PLAYLIST, signal }
  const { address } = await download(step.context, wanted)
  const list = readable(readPlaylist(await readFile(path, 'utf8'), address))
  // A list of lists would lead on and on.
  if (list.kind !== 'segments') throw new UnusableFilm('unreadable')
  return list
}

function readable(list: Playlist | PlaylistFault): Playlist {
  if (typeof list === 'string') throw new UnusableFilm(list)
  return list
}

function nameAt({ address }: StreamPiece, at: number): string {
  const ending = /\.([a-z0-9]+)$/i.exec(new URL(address).pathname)?.[1]?.toLowerCase() ?? ''
  return `${at}.${ENDINGS.has(ending) ? ending : 'ts'}`
}

/** All that a list needs, each piece once: segments, what stands before them, keys. */
function piecesOf({ segments }: Segments): StreamPiece[] {
  const needed = segments.flatMap(({ key, start, ...segment }) => [
    ...(key ? [{ address: key.address, range: null }] : []),
    ...(start ? [start] : []),
    segment,
  ])
  return [...new Map(needed.map((piece) => [keyOfPiece(piece), piece])).values()]
}

/** Whether a piece is a list or a script in a piece's place, which would have us read what it names. */
async function namesOthers(path: string): Promise<boolean> {
  const file = await open(path)
  const { buffer, bytesRead } = await file.read(Buffer.alloc(512)).finally(() => file.close())
  return /^\s*(#EXT|ffconcat|<\?xml|<)/i.test(buffer.subarray(0, bytesRead).toString('latin1'))
}

/** Several at a time; what fails in one ends the others. */
async function fetchPieces(
  { context }: Step,
  folder: string,
  pieces: readonly StreamPiece[],
  outer: AbortSignal,
  budget: { bytes: number; done: number },
  onPiece: () => void,
): Promise<void> {
  const failing = new AbortController()
  const signal = AbortSignal.any([outer, failing.signal])
  const waiting = [...pieces.entries()].reverse()
  async function work(): Promise<void> {
    for (let next = waiting.pop(); next; next = waiting.pop()) {
      const [at, piece] = next
      const path = join(folder, nameAt(piece, at))
      const { address, range } = piece
      // No piece may be larger than what all of the film may still have.
      const wanted = { address, range, path, mostBytes: budget.bytes, signal }
      const { bytes } = await download(context, wanted)
      if (await namesOthers(path)) throw new UnusableFilm('unreadable')
      budget.bytes -= bytes
      if (budget.bytes < 0) throw new UnusableFilm('tooLarge')
      budget.done += 1
      onPiece()
    }
  }
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, work))
  } finally {
    failing.abort()
  }
}
