// Every kind of film file that may be put in, made by ffmpeg, through the whole chain of preparing.
import { execFileSync } from 'node:child_process'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { pausesFileSchema, shotsFileSchema } from '@fernbrake/core/contract'
import { createFilmFolder, H264, putIn, settled } from '../testing/films.ts'
import { startTestServer, type Agent, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let agent: Agent
const films = createFilmFolder()
beforeAll(async () => {
  server = await startTestServer({ runsJobs: true })
  agent = (await server.signedIn('designer')).agent
})
afterAll(async () => {
  await server.stop()
  films.remove()
})

const prepared = async (file: Buffer, name?: string) =>
  settled(agent, await putIn(agent, file, name))
const picture = (size = '160x90', rate = '25', seconds = 2) =>
  ['-f', 'lavfi', '-i', `testsrc2=size=${size}:rate=${rate}:duration=${seconds}`] as const
const TONE = ['-f', 'lavfi', '-i', 'sine=duration=2'] as const
const MOVIE = [...picture(), ...TONE]
const AAC = ['-c:a', 'aac']
const EVERYTHING = ['filmstrip', 'original', 'pauses', 'peaks', 'poster', 'shots']

describe('containers', () => {
  it.each<[ending: string, plays: boolean, args: string[]]>([
    ['mp4', true, [...MOVIE, ...H264, ...AAC]],
    ['mov', true, [...MOVIE, ...H264, ...AAC]],
    ['webm', true, [...MOVIE, '-c:v', 'libvpx', '-deadline', 'realtime', '-c:a', 'libopus']],
    ['mkv', false, [...MOVIE, ...H264, ...AAC]],
    ['avi', false, [...MOVIE, '-c:v', 'mpeg4', '-c:a', 'mp2']],
    ['wmv', false, [...MOVIE, '-c:v', 'wmv2', '-c:a', 'wmav2']],
    ['flv', false, [...MOVIE, '-c:v', 'flv1', '-c:a', 'aac', '-ar', '44100']],
    ['mpg', false, [...MOVIE, '-c:v', 'mpeg2video', '-c:a', 'mp2']],
    ['3gp', false, [...picture('176x144'), ...TONE, '-c:v', 'h263', ...AAC]],
  ])('%s (played as it is: %s)', async (ending, plays, args) => {
    const media = await prepared(films.make(`film.${ending}`, ...args), `film.${ending}`)
    expect(media).toMatchObject({ state: 'ready', hasSound: true, frameRate: '25' })
    expect(Math.abs(media.durationMs! - 2000)).toBeLessThan(150)
    const files = media.files.filter((kind) => kind !== 'playable')
    expect(files).toEqual(EVERYTHING)
    expect(media.files.includes('playable')).toBe(!plays)
    expect(media.jobs.every((job) => job.state === 'done' && job.progress === 1)).toBe(true)
  })
})

describe('films that are made otherwise', () => {
  it('with frames at uneven distances', async () => {
    const uneven = ['-vf', "select='not(mod(n,3))+lt(mod(n,50),20)'", '-fps_mode', 'vfr']
    const media = await prepared(films.make('vfr.mp4', ...MOVIE, ...uneven, ...H264, ...AAC))
    expect(media.state).toBe('ready')
    expect(media.files).toEqual(EVERYTHING)
  })
  it('by a recorder that sets its few pictures at odd milliseconds', async () => {
    const few = ['-vf', "select='not(mod(n,67))+not(mod(n,89))'", '-fps_mode', 'passthrough']
    const recorded = ['-c:v', 'libvpx', '-deadline', 'realtime', '-c:a', 'libopus', '-live', '1']
    const made = [...picture('160x90', '1000'), ...TONE, ...few, ...recorded]
    const media = await prepared(films.make('recorded.webm', ...made))
    expect(media).toMatchObject({ state: 'ready', frameRate: '60' })
    expect(media.files).toEqual([...EVERYTHING, 'playable'].toSorted())
  })
  it('at 29.97 frames a second', async () => {
    const film = films.make('ntsc.mp4', ...picture('160x90', '30000/1001'), ...H264)
    expect(await prepared(film)).toMatchObject({ state: 'ready', frameRate: '29.97' })
  })
  it('with six channels of sound', async () => {
    const six = ['-f', 'lavfi', '-i', 'anoisesrc=duration=2:color=pink', '-ac', '6']
    const media = await prepared(films.make('six.mp4', ...picture(), ...six, ...H264, ...AAC))
    expect(media).toMatchObject({ state: 'ready', hasSound: true })
    expect(media.files).toEqual(EVERYTHING)
  })
  it('of the old shape, four by three', async () => {
    const media = await prepared(films.make('old.mp4', ...picture('160x120'), ...H264))
    expect(media).toMatchObject({ state: 'ready', width: 160, height: 120, hasSound: false })
    expect(media.files).toEqual(['filmstrip', 'original', 'poster', 'shots'])
  })
  it('with a cover picture beside the film', async () => {
    const cover = films.pathOf('cover.jpg')
    films.make('cover.jpg', ...picture('64x64', '1', 1), '-frames:v', '1')
    const film = films.pathOf('plain.mp4')
    films.make('plain.mp4', ...MOVIE, ...H264, ...AAC)
    const inputs = ['-i', cover, '-i', film, '-map', '0:v', '-map', '1:v', '-map', '1:a']
    const marked = films.make(
      'covered.mp4',
      ...inputs,
      '-c',
      'copy',
      '-disposition:v:0',
      'attached_pic',
    )
    expect(await prepared(marked)).toMatchObject({ state: 'ready', width: 160, height: 90 })
  })
  it('of an hour', async () => {
    const still = ['-f', 'lavfi', '-i', 'color=size=64x36:rate=1:duration=3600']
    const media = await prepared(films.make('long.mp4', ...still, ...H264, '-g', '600'))
    expect(media).toMatchObject({ state: 'ready', durationMs: 3_600_000 })
    expect(media.files).toContain('filmstrip')
  })
})

const fileOf = async (mediaId: string, kind: string) =>
  (await agent.get(`/api/media/${mediaId}/files/${kind}`).expect(200)).body as unknown

describe('what is found in a film', () => {
  it('shots, where ffmpeg’s scene filter finds them as well', async () => {
    const colours = [
      'testsrc=s=160x90',
      'smptebars=s=160x90',
      'mandelbrot=s=160x90',
      'rgbtestsrc=s=160x90',
    ]
    const inputs = colours.flatMap((source) => ['-f', 'lavfi', '-t', '1.6', '-i', source])
    const joined = `[0:v]fps=25[a];[1:v]fps=25[b];[2:v]fps=25[c];[3:v]fps=25[d];[a][b][c][d]concat=n=4`
    const film = films.make('shots.mp4', ...inputs, '-filter_complex', joined, ...H264)
    const media = await prepared(film)
    const { shots } = shotsFileSchema.parse(await fileOf(media.id, 'shots'))
    expect(shots).toEqual(scenesOf(films.pathOf('shots.mp4')))
    expect(shots).toHaveLength(3)
  })
  it('pauses, where the sound was taken away', async () => {
    const noise = 'anoisesrc=duration=4:color=pink:seed=7:amplitude=0.5'
    const quiet = "volume='if(between(t,1,1.8)+between(t,3,3.6),0.001,1)':eval=frame"
    const sound = ['-f', 'lavfi', '-i', noise, '-af', quiet]
    const film = films.make('pauses.mp4', ...picture('160x90', '25', 4), ...sound, ...H264, ...AAC)
    const { id } = await prepared(film)
    const { pauses } = pausesFileSchema.parse(await fileOf(id, 'pauses'))
    expect(pauses).toHaveLength(2)
    for (const [index, [fromMs, toMs]] of [
      [1000, 1800],
      [3000, 3600],
    ].entries()) {
      expect(Math.abs(pauses[index]!.fromMs - fromMs!)).toBeLessThan(60)
      expect(Math.abs(pauses[index]!.toMs - toMs!)).toBeLessThan(60)
    }
  })
})

/** The times, in ms, at which ffmpeg's scene score is above 0.3. */
function scenesOf(path: string): number[] {
  const args = ['-v', 'error', '-i', path, '-vf', "select='gt(scene,0.3)',metadata=print:file=-"]
  const told = execFileSync('ffmpeg', [...args, '-f', 'null', '-']).toString()
  return [...told.matchAll(/pts_time:([\d.]+)/g)].map(([, seconds]) =>
    Math.round(Number(seconds) * 1000),
  )
}
