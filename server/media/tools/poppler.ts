// Reads PDFs with Poppler's programs: argument arrays, never a shell; limits of time and memory; only files that we named.
import { spawn } from 'node:child_process'

/** Longest that one call may take, in ms; a page takes a fraction of a second. */
const LONGEST_CALL_MS = 60_000
/** A page may hold a picture far larger than its file: memory in bytes. */
const MOST_MEMORY_BYTES = 2 * 1024 ** 3
/** Words that are taken from a document, at the most. */
const MOST_WORDS_BYTES = 2_000_000

export class PdfError extends Error {
  readonly isLocked: boolean
  constructor(complaint: string) {
    super(`The PDF cannot be read: ${complaint}`)
    this.isLocked = /password|encrypt/i.test(complaint)
  }
}

function call(program: 'pdfinfo' | 'pdftoppm' | 'pdftotext', args: string[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const limits = [`--as=${MOST_MEMORY_BYTES}`, '--core=0', program]
    const child = spawn('prlimit', [...limits, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      timeout: LONGEST_CALL_MS,
      killSignal: 'SIGKILL',
    })
    let said = ''
    let complaint = ''
    child.stdout.on('data', (chunk: Buffer) => {
      if (said.length < MOST_WORDS_BYTES) said += chunk.toString()
    })
    child.stderr.on('data', (chunk: Buffer) => {
      complaint = (complaint + chunk.toString()).slice(-2000)
    })
    child.on('error', reject)
    child.on('close', (code) => (code === 0 ? resolve(said) : reject(new PdfError(complaint))))
  })
}

/** How many pages a PDF has. Throws PdfError where it cannot be read, or only with a password. */
export async function countPages(path: string): Promise<number> {
  const told = await call('pdfinfo', [path])
  const pages = Number(/^Pages:\s+(\d+)$/m.exec(told)?.[1])
  if (!Number.isInteger(pages) || pages < 1) throw new PdfError('it has no pages')
  return pages
}

/** The longer side of each of the first pages, in points. */
export async function pageLengths(path: string, count: number): Promise<number[]> {
  const told = await call('pdfinfo', ['-f', '1', '-l', String(count), path])
  const lengths: number[] = []
  for (const [, page, width, height] of told.matchAll(
    /^Page\s+(\d+) size:\s+([\d.]+) x ([\d.]+)/gm,
  ))
    lengths[Number(page) - 1] = Math.max(Number(width), Number(height))
  return lengths
}

/** Draws a page, from 1, as `<output>.png`, no wider or higher than `pixels`. */
export async function drawPage(
  path: string,
  page: number,
  output: string,
  pixels: number,
): Promise<void> {
  const which = ['-f', String(page), '-l', String(page), '-singlefile']
  await call('pdftoppm', [...which, '-png', '-scale-to', String(pixels), path, output])
}

/** The words on the first pages, each in reading order; of very many words the last are left out. */
export async function wordsOfPages(path: string, count: number): Promise<string[]> {
  const words = await call('pdftotext', ['-l', String(count), '-enc', 'UTF-8', path, '-'])
  const pages = words.split('\f')
  return Array.from({ length: count }, (_, index) => pages[index] ?? '')
}
