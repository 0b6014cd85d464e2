// Reads caption files away from the thread that draws the page: a file may have hundreds of thousands of lines.
import { decodeText } from '@fernbrake/core/fields'
import { LONGEST_CAPTION_FILE, readCaptions, type CaptionResult } from '@fernbrake/core/formats'

export interface CaptionFile {
  id: number
  file: File
}

export interface CaptionsRead {
  id: number
  /** Null where the file cannot be opened, for instance because it was moved away meanwhile. */
  read: CaptionResult | null
}

/** A character takes at most four bytes in UTF-8, so a file larger than this is too long whatever stands in it. */
const MOST_BYTES = LONGEST_CAPTION_FILE * 4
/** What holds no lines of text, such as a workbook, is read as a file without any. */
const NO_TEXT = readCaptions('')
const TOO_LONG: CaptionResult = { ok: false, faults: [{ line: 1, code: 'tooMany' }] }

async function read(file: File): Promise<CaptionResult | null> {
  if (file.size > MOST_BYTES) return TOO_LONG
  try {
    const text = decodeText(new Uint8Array(await file.arrayBuffer()))
    return text === null ? NO_TEXT : readCaptions(text)
  } catch {
    return null
  }
}

addEventListener('message', ({ data }: MessageEvent<CaptionFile>) => {
  void read(data.file).then((answer) =>
    postMessage({ id: data.id, read: answer } satisfies CaptionsRead),
  )
})
