// Formulas typed between dollar signs, as people who write TeX do: $x^2$ in a line, $$x^2$$ on a line of its own. A dollar
// sign opens a formula only where no space follows it, and ends one only where none stands before and no digit after, so
// that “from $5 to $6” stays as it is; \$ is always a dollar sign. (The rule is that of several writers of TeX in plain text.)
import { isSameText, simplest, type Block, type RichText, type Run } from '../fields/index.ts'

/** Formulas longer than this are left as they are typed. */
const LONGEST_TEX = 2000

/** What was typed, with its formulas read; a plain string where there are none. */
export function readFormulas(typed: string): RichText {
  if (!typed.includes('$')) return typed
  const blocks = typed.split('\n').map(readLine)
  const hasFormula = blocks.some(
    (block) =>
      block.block === 'formula' ||
      (block.block === 'paragraph' && block.runs.some((run) => 'tex' in run)),
  )
  return hasFormula ? { blocks } : typed
}

function readLine(line: string): Block {
  const own = /^\s*\$\$(.+)\$\$\s*$/.exec(line)
  if (own && !own[1]!.includes('$$') && own[1]!.trim() !== '')
    return { block: 'formula', tex: own[1]!.trim().slice(0, LONGEST_TEX) }
  return { block: 'paragraph', runs: readRuns(line) }
}

function readRuns(line: string): Run[] {
  const runs: Run[] = []
  let words = ''
  const endWords = () => {
    if (words !== '') runs.push({ text: words })
    words = ''
  }
  let at = 0
  while (at < line.length) {
    const formula = line[at] === '$' ? formulaAt(line, at) : null
    if (formula) {
      endWords()
      runs.push({ tex: formula.tex })
      at = formula.end
    } else if (line.startsWith('\\$', at)) {
      words += '$'
      at += 2
    } else words += line[at++]
  }
  endWords()
  return runs
}

function formulaAt(line: string, from: number): { tex: string; end: number } | null {
  if (/^\$(?:\s|\$|$)/.test(line.slice(from))) return null
  for (let at = from + 1; at < line.length; at += 1) {
    if (line[at] === '\\') at += 1
    else if (line[at] === '$') {
      const isEnd = !/\s/.test(line[at - 1]!) && !/\d/.test(line[at + 1] ?? '')
      const tex = line.slice(from + 1, at)
      return isEnd && tex.length <= LONGEST_TEX ? { tex, end: at + 1 } : null
    }
  }
  return null
}

/** A text as it would be typed; null where it holds what cannot be typed: marks, lists, tables, media. */
export function typeFormulas(text: RichText): string | null {
  if (typeof text === 'string') return text
  const lines: string[] = []
  for (const block of text.blocks) {
    if (block.block === 'formula') lines.push(`$$${block.tex}$$`)
    else if (block.block === 'paragraph') {
      const line = typeRuns(block.runs)
      if (line === null) return null
      lines.push(line)
    } else return null
  }
  const typed = lines.join('\n')
  // Whatever would not be read back as it was is better left alone.
  return isSameText(readFormulas(typed), simplest(text)) ? typed : null
}

function typeRuns(runs: readonly Run[]): string | null {
  if (runs.some((run) => 'text' in run && (run.marks?.length ?? 0) > 0)) return null
  return runs
    .map((run) => ('tex' in run ? `$${run.tex}$` : run.text.replaceAll('$', '\\$')))
    .join('')
}
