// Reads caption files away from the thread that draws the page: a file may have hundreds of thousands of lines.
import {
  decodeAs,
  LONGEST_CAPTION_FILE,
  readCaptions,
  recogniseEncoding,
  type CaptionResult,
  type Encoding,
} from '@fernbrake/core/formats'

export interface CaptionFile {
  id: number
  file: File
  /** What its bytes stand for, as somebody says; without it that is recognised. */
  encoding?: Encoding
}

export interface ReadFile {
  read: CaptionResult
  encoding: Encoding
  /** False where somebody has to say whether the signs are right. */
  isSure: boolean
  /** Some of its words that would be others in another encoding. */
  sample: string[]
}

export interface CaptionsRead {
  id: number
  /** Null where the file cannot be opened, for instance because it was moved away meanwhile. */
  read: ReadFile | null
}

/** A character takes at most four bytes in UTF-8, so a file larger than this is too long whatever stands in it. */
const MOST_BYTES = LONGEST_CAPTION_FILE * 4
const MOST_SAMPLED = 5

const unread = (read: CaptionResult): ReadFile => ({
  read,
  encoding: 'utf-8',
  isSure: true,
  sample: [],
})

async function readFile(file: File, wanted?: Encoding): Promise<ReadFile | null> {
  if (file.size > MOST_BYTES) return unread({ ok: false, faults: [{ line: 1, code: 'tooMany' }] })
  try {
    const bytes = new Uint8Array(await file.arrayBuffer())
    const found = wanted ? { encoding: wanted, isSure: true } : recogniseEncoding(bytes)
    // What holds no lines of text, such as a workbook, is read as a file without any.
    if (!found) return unread(readCaptions(''))
    const read = readCaptions(decodeAs(bytes, found.encoding))
    return { read, ...found, sample: read.ok ? sampleOf(read.lines) : [] }
  } catch {
    return null
  }
}

function sampleOf(lines: readonly { text: string }[]): string[] {
  const telling = lines.filter(({ text }) => /[^\u0020-\u007e\n]/.test(text))
  return telling.slice(0, MOST_SAMPLED).map(({ text }) => text)
}

addEventListener('message', ({ data: { id, file, encoding } }: MessageEvent<CaptionFile>) => {
  void readFile(file, encoding).then((read) => postMessage({ id, read } satisfies CaptionsRead))
})
