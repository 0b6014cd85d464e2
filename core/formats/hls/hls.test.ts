import { describe, expect, it } from 'vitest'
import { pickVariant, readPlaylist, writePlaylist, type StreamPiece } from './index.ts'

const AT = 'https://films.example/locks/index.m3u8'
const read = (...lines: string[]) => readPlaylist(['#EXTM3U', ...lines].join('\r\n'), AT)
function segmentsOf(...lines: string[]) {
  const list = read(...lines, '#EXT-X-ENDLIST')
  if (typeof list === 'string' || list.kind !== 'segments') throw new Error(JSON.stringify(list))
  return list
}

describe('a list of variants', () => {
  const list = read(
    '#EXT-X-MEDIA:TYPE=AUDIO,GROUP-ID="low",NAME="English",DEFAULT=YES,URI="sound/en.m3u8"',
    '#EXT-X-MEDIA:TYPE=AUDIO,GROUP-ID="low",NAME="Deutsch",URI="sound/de.m3u8"',
    '#EXT-X-STREAM-INF:BANDWIDTH=800000,RESOLUTION=640x360,CODECS="avc1.4d401e,mp4a.40.2",AUDIO="low"',
    '360.m3u8',
    '#EXT-X-STREAM-INF:BANDWIDTH=9000000,RESOLUTION=3840x2160',
    '/4k/index.m3u8',
    '#EXT-X-STREAM-INF:BANDWIDTH=4000000,RESOLUTION=1920x1080',
    'https://other.example/1080.m3u8',
  )
  if (typeof list === 'string' || list.kind !== 'variants') throw new Error('no variants')
  const { variants } = list

  it('is read with whole addresses, and its sound where that is apart', () => {
    expect(variants).toEqual([
      {
        address: 'https://films.example/locks/360.m3u8',
        bandwidth: 800_000,
        height: 360,
        sound: 'https://films.example/locks/sound/en.m3u8',
      },
      {
        address: 'https://films.example/4k/index.m3u8',
        bandwidth: 9_000_000,
        height: 2160,
        sound: null,
      },
      {
        address: 'https://other.example/1080.m3u8',
        bandwidth: 4_000_000,
        height: 1080,
        sound: null,
      },
    ])
  })

  it.each([
    [1080, 1080],
    [720, 360],
    [4320, 2160],
    [100, 360],
  ])('of it, for a height of at most %i, the one of %i is taken', (most, height) => {
    expect(pickVariant(variants, most)?.height).toBe(height)
  })

  it('may be empty', () => expect(pickVariant([], 1080)).toBeNull())
})

describe('a list of segments', () => {
  it('is as long as all of them', () => {
    const list = segmentsOf('#EXTINF:6.006,', 'a.ts', '#EXTINF:3.5,Last', 'b.ts')
    expect(list.durationMs).toBe(9506)
    expect(list.segments.map(({ address }) => address)).toEqual([
      'https://films.example/locks/a.ts',
      'https://films.example/locks/b.ts',
    ])
  })

  it('may be ranges of one file, each going on where the one before ended', () => {
    const list = segmentsOf(
      '#EXT-X-MAP:URI="all.mp4",BYTERANGE="700@0"',
      '#EXTINF:4,',
      '#EXT-X-BYTERANGE:1000@700',
      'all.mp4',
      '#EXTINF:4,',
      '#EXT-X-BYTERANGE:900',
      'all.mp4',
    )
    expect(list.segments.map(({ range }) => range)).toEqual([
      { from: 700, bytes: 1000 },
      { from: 1700, bytes: 900 },
    ])
    expect(list.segments[1]!.start).toEqual({
      address: 'https://films.example/locks/all.mp4',
      range: { from: 0, bytes: 700 },
    })
  })

  it('says which key opens which', () => {
    const list = segmentsOf(
      '#EXTINF:4,',
      'a.ts',
      '#EXT-X-KEY:METHOD=AES-128,URI="k",IV=0x0A',
      '#EXTINF:4,',
      'b.ts',
      '#EXT-X-KEY:METHOD=NONE',
      '#EXTINF:4,',
      'c.ts',
    )
    expect(list.segments.map(({ key }) => key)).toEqual([
      null,
      { address: 'https://films.example/locks/k', iv: '0x0A' },
      null,
    ])
  })

  it('written for other files and read again is the same', () => {
    const { segments, firstNumber } = segmentsOf(
      '#EXT-X-MEDIA-SEQUENCE:7',
      '#EXT-X-MAP:URI="start.mp4"',
      '#EXTINF:4.004,',
      '1.m4s',
      '#EXT-X-KEY:METHOD=AES-128,URI="key"',
      '#EXTINF:4,',
      '2.m4s',
      '#EXT-X-DISCONTINUITY',
      '#EXT-X-KEY:METHOD=NONE',
      '#EXT-X-MAP:URI="other.mp4"',
      '#EXTINF:2,',
      '3.m4s',
    )
    const nameOf = ({ address }: StreamPiece) => address.split('/').at(-1)!
    const again = readPlaylist(writePlaylist(segments, firstNumber, nameOf), AT)
    expect(again).toMatchObject({ segments, firstNumber: 7 })
  })
})

it.each([
  ['what is none', readPlaylist('<html>', AT), 'unreadable'],
  ['an empty one', read('#EXT-X-ENDLIST'), 'unreadable'],
  ['one that goes on', read('#EXTINF:4,', 'a.ts'), 'endless'],
  [
    'one that only some devices open',
    read('#EXT-X-KEY:METHOD=SAMPLE-AES,URI="k"', '#EXTINF:4,', 'a.ts', '#EXT-X-ENDLIST'),
    'guarded',
  ],
  [
    'files of the machine',
    read('#EXTINF:4,', 'file:///etc/passwd', '#EXT-X-ENDLIST'),
    'unreadable',
  ],
  [
    'ranges that are none',
    read('#EXTINF:4,', '#EXT-X-BYTERANGE:-5', 'a.ts', '#EXT-X-ENDLIST'),
    'unreadable',
  ],
])('%s is refused', (_what, list, fault) => expect(list).toBe(fault))
