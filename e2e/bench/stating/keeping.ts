// The kept state of the figures, docs/performance.json: one entry a run, the newest last.
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { REPOSITORY } from '@fernbrake/server'
import { worseBy, type KeptFigure } from './judge.ts'
import type { Machine } from './machine.ts'
import { amount, type Judged } from './telling.ts'

const KEPT = join(REPOSITORY, 'docs', 'performance.json')
/** So many runs are kept; older ones say little about the code of today. */
const MOST_RUNS = 40

export interface Run {
  /** The day, ISO 8601. */
  on: string
  /** The commit that was measured. */
  commit: string
  machine: Machine
  figures: Record<string, KeptFigure>
}

export interface History {
  /** The newest of each figure, with all that is told of it. */
  figures: Judged[]
  /** Oldest first. */
  runs: Run[]
}

export function readHistory(): History {
  if (!existsSync(KEPT)) return { figures: [], runs: [] }
  return JSON.parse(readFileSync(KEPT, 'utf8')) as History
}

const rounded = (value: number) => Number(value.toPrecision(4))

/** Adds a run, of all figures or of some; several of one commit are one. */
export function keep(judged: readonly Judged[], machine: Machine): History {
  const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], {
    cwd: REPOSITORY,
    encoding: 'utf8',
  }).trim()
  const { figures: before, runs } = readHistory()
  const same = runs.at(-1)?.commit === commit ? runs.pop() : undefined
  const figures = Object.fromEntries(
    judged.map(({ id, middle, spread }) => [
      id,
      { middle: rounded(middle), spread: rounded(spread) },
    ]),
  )
  const on = new Date().toISOString().slice(0, 10)
  runs.push({
    on,
    commit,
    machine: {
      answersASecond: rounded(machine.answersASecond),
      scriptMs: rounded(machine.scriptMs),
      layoutMs: rounded(machine.layoutMs),
      sqlMs: rounded(machine.sqlMs),
    },
    figures: { ...same?.figures, ...figures },
  })
  const newest = new Map([...before, ...judged].map((figure) => [figure.id, figure]))
  const kept = { figures: [...newest.values()], runs: runs.slice(-MOST_RUNS) }
  writeFileSync(KEPT, `${JSON.stringify(kept, null, 2)}\n`)
  return kept
}

/** The newest that is kept of each figure. */
export function latest(runs: readonly Run[]): Map<string, KeptFigure> {
  return new Map(runs.flatMap(({ figures }) => Object.entries(figures)))
}

/** A sentence for each figure that became worse than what is kept of it by more than both spreads. */
export function worse(judged: readonly Judged[], runs: readonly Run[]): string[] {
  const kept = latest(runs)
  return judged.flatMap((figure) => {
    const before = kept.get(figure.id)
    const by = before ? worseBy(figure.aim, before, figure) : null
    if (!before || by === null) return []
    const of = (value: number) => amount(value, figure.unit)
    return [`${figure.what} [${figure.id}]: ${of(figure.middle)}, was ${of(before.middle)}`]
  })
}
