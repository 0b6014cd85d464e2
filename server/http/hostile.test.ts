// Files that are not what they seem: whatever is given to ffmpeg, it reads that file and nothing else.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { FfmpegError, joinStreams, probe, transform } from '../media/tools/ffmpeg.ts'
import { createFilmFolder, H264, PICTURE } from '../testing/films.ts'

const folder = mkdtempSync(join(tmpdir(), 'fernbrake-hostile-'))
const films = createFilmFolder()
afterAll(() => {
  rmSync(folder, { recursive: true, force: true })
  films.remove()
})

/** A file that only names another, under a name that says nothing. */
function naming(words: string): string {
  const path = join(folder, 'file')
  writeFileSync(path, words)
  return path
}

describe('a file that names another', () => {
  films.make('secret.ts', ...PICTURE, ...H264, '-f', 'mpegts')
  const secret = films.pathOf('secret.ts')
  it.each<[string, string]>([
    ['a playlist', `#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\n${secret}\n#EXT-X-ENDLIST\n`],
    [
      'a playlist by its address',
      `#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\nfile://${secret}\n#EXT-X-ENDLIST\n`,
    ],
    ['a script of cuts', `ffconcat version 1.0\nfile '${secret}'\n`],
    [
      'a manifest',
      `<?xml version="1.0"?><MPD xmlns="urn:mpeg:dash:schema:mpd:2011" type="static" mediaPresentationDuration="PT2S"><Period><AdaptationSet mimeType="video/mp4"><Representation id="a" bandwidth="1"><BaseURL>file://${secret}</BaseURL></Representation></AdaptationSet></Period></MPD>`,
    ],
  ])('as %s is not followed', async (_name, words) => {
    const path = naming(words)
    await expect(probe(path)).rejects.toThrow(FfmpegError)
    const picture = ['-frames:v', '1', '-update', '1']
    await expect(transform(path, picture, join(folder, 'out.jpg'))).rejects.toThrow(FfmpegError)
  })

  it('is no piece of a stream either, where it is put among them', async () => {
    const inner = naming(
      `#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\nhttp://127.0.0.1:9/x.ts\n#EXT-X-ENDLIST\n`,
    )
    const list = join(folder, 'list.m3u8')
    writeFileSync(list, `#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\n${inner}\n#EXT-X-ENDLIST\n`)
    await expect(joinStreams([list], join(folder, 'out.mp4'))).rejects.toThrow(FfmpegError)
  })
})
