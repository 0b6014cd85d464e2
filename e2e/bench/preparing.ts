// Preparing a film (poster, waveform and pauses, filmstrip and shots) against one bare decode of it by ffmpeg.
import { execFileSync } from 'node:child_process'
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { REPOSITORY } from '@fernbrake/server'
import { putFilm, signedInCookie } from '../support/http.ts'
import type { RealServer } from '../support/server.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

const DEMO_FILM = join(REPOSITORY, 'demo/films/water-that-climbs/film.mp4')
/** The demo's film this many times in a row: an hour. */
const TIMES = 14

const DECODED = ['-map', '0:v', '-map', '0:a', '-f', 'null', '-']

/** A box of ISO/IEC 14496-12 that readers pass over, with this byte in it. */
function freeBox(byte: number): Buffer {
  return Buffer.from([0, 0, 0, 9, ...Buffer.from('free'), byte])
}

export async function measurePreparing({ url }: RealServer): Promise<Figure[]> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-bench-'))
  try {
    const film = join(folder, 'film.mp4')
    const repeat = ['-stream_loop', String(TIMES - 1), '-i', DEMO_FILM, '-c', 'copy', film]
    execFileSync('ffmpeg', ['-v', 'error', ...repeat])
    const bytes = await readFile(film)
    const bare: number[] = []
    const rounds = await inRounds(async (round) => {
      bare.push(timed(() => execFileSync('ffmpeg', ['-v', 'error', '-i', film, ...DECODED])))
      // What was prepared once is not prepared again: each round's film differs by what follows its last box.
      const ownMs = await prepare(url, Buffer.concat([bytes, freeBox(round)]))
      return ownMs / bare.at(-1)!
    })
    return [
      {
        id: 'preparing.hour',
        what: `Preparing a film of ${Math.round((TIMES * 261) / 60)} minutes, from its upload to the last shot, beside decoding it`,
        unit: 'x',
        rounds,
        aim: { most: 1.15 },
        limit: '1 ×, one decode',
        reference: `ffmpeg decoding it once ${(middle(bare) / 1000).toFixed(1)} s`,
      },
    ]
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

function timed(work: () => void): number {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** Puts the film in and waits until nothing is under way; the time from the last byte on, in ms. */
async function prepare(url: string, film: Buffer): Promise<number> {
  return (await putFilm(url, await signedInCookie(url), film)).preparedMs
}
