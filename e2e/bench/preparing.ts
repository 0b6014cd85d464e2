// Preparing a film (poster, waveform and pauses, filmstrip and shots) against one bare decode of it by ffmpeg.
import { execFileSync } from 'node:child_process'
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { REPOSITORY } from '@fernbrake/server'
import { putFilm, signedInCookie } from '../support/http.ts'
import type { RealServer } from '../support/server.ts'
import type { Figure } from './figure.ts'

const DEMO_FILM = join(REPOSITORY, 'demo/films/water-that-climbs/film.mp4')
/** The demo's film this many times in a row: an hour. */
const TIMES = 14

export async function measurePreparing({ url }: RealServer): Promise<Figure> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-bench-'))
  try {
    const film = join(folder, 'film.mp4')
    const repeat = ['-stream_loop', String(TIMES - 1), '-i', DEMO_FILM, '-c', 'copy', film]
    execFileSync('ffmpeg', ['-v', 'error', ...repeat])
    const bareMs = timed(() =>
      execFileSync('ffmpeg', [
        '-v',
        'error',
        '-i',
        film,
        '-map',
        '0:v',
        '-map',
        '0:a',
        '-f',
        'null',
        '-',
      ]),
    )
    const ownMs = await prepare(url, await readFile(film))
    return {
      what: `Preparing a film of ${Math.round((TIMES * 261) / 60)} minutes, from its upload to the last shot`,
      value: `${(ownMs / 1000).toFixed(1)} s = ${(ownMs / bareMs).toFixed(2)} × the bare decode`,
      reference: `ffmpeg decoding it once ${(bareMs / 1000).toFixed(1)} s`,
      aim: 'at most 1.3 ×',
    }
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
