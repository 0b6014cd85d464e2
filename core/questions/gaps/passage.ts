// Reads a passage with gaps. “The [gate|gates] hold the water” has one gap with two words that fit; “[gate ~ sill]” also
// offers a word that does not. A bracket that is meant as one is written twice: [[ or ]].

export interface Gap {
  /** Its number in the passage, from 1. */
  id: string
  fits: string[]
  /** Offered in this gap alone, beside those that fit. */
  wrong: string[]
}

export type Segment = { kind: 'words'; text: string } | { kind: 'gap'; gap: Gap }

export type PassageFault = 'openBracket' | 'strayBracket' | 'emptyGap'

export interface Passage {
  segments: Segment[]
  gaps: Gap[]
  /** What is wrong with it; what could be read is there all the same. */
  faults: PassageFault[]
}

/** More gaps than this are left as words. */
export const MOST_GAPS = 40

/** Reads any text; never throws. */
export function readPassage(text: string): Passage {
  const segments: Segment[] = []
  const gaps: Gap[] = []
  const faults: PassageFault[] = []
  let words = ''
  const endWords = () => {
    if (words !== '') segments.push({ kind: 'words', text: words })
    words = ''
  }
  let at = 0
  while (at < text.length) {
    const two = text.slice(at, at + 2)
    if (two === '[[' || two === ']]') {
      words += two[0]
      at += 2
    } else if (text[at] === '[') {
      const end = text.indexOf(']', at)
      if (end < 0 || gaps.length >= MOST_GAPS) {
        faults.push('openBracket')
        words += text.slice(at)
        break
      }
      const gap = readGap(text.slice(at + 1, end), gaps.length + 1)
      if (gap.fits.length === 0) faults.push('emptyGap')
      endWords()
      gaps.push(gap)
      segments.push({ kind: 'gap', gap })
      at = end + 1
    } else {
      if (text[at] === ']') faults.push('strayBracket')
      words += text[at]
      at += 1
    }
  }
  endWords()
  return { segments, gaps, faults }
}

function readGap(inside: string, number: number): Gap {
  const [right = '', ...wrong] = inside.split('~')
  return { id: String(number), fits: parted(right), wrong: wrong.flatMap(parted) }
}

/** The passage with something else written in its gaps. */
export function passageOf(text: string, write: (gap: Gap) => string): string {
  return readPassage(text)
    .segments.map((segment) =>
      segment.kind === 'gap'
        ? `[${write(segment.gap)}]`
        : segment.text.replace(/[[\]]/g, (bracket) => bracket + bracket),
    )
    .join('')
}

const parted = (text: string) =>
  text
    .split('|')
    .map((word) => word.trim().replace(/\s+/g, ' '))
    .filter((word) => word !== '')
