// docs/performance.md and docs/performance.svg: every figure with its aim and limit, how far it is from it, and its history.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { REPOSITORY } from '@fernbrake/server'
import type { History, Run } from './keeping.ts'
import { aimInWords, amount, type Judged } from './telling.ts'

const BARS = '▁▂▃▄▅▆▇█'
const POINTS = 12
const [WIDTH, ROW, TOP, LEFT, SCALE] = [1340, 26, 56, 740, 340]
/** Letters of a figure's name that have room beside the drawing. */
const MOST_LETTERS = 112
/** A figure twice as far as its aim, or half of it, lies at the edge of the drawing. */
const EDGE = 2

/** The last values of a figure as small bars, so that a change is seen at a glance. */
export function bars(values: readonly number[]): string {
  const last = values.slice(-POINTS)
  const [low, high] = [Math.min(...last), Math.max(...last)]
  const step = (value: number) =>
    high === low ? 3 : Math.round(((value - low) / (high - low)) * 7)
  return last.map((value) => BARS[step(value)]).join('')
}

const historyOf = (id: string, runs: readonly Run[]) =>
  runs.flatMap(({ figures }) => figures[id]?.middle ?? [])

const cell = (text: string) => text.replaceAll('|', '\\|')

function row(figure: Judged, runs: readonly Run[]): string {
  const { id, what, unit, aim, limit, middle, spread, verdict, reference } = figure
  const history = historyOf(id, runs)
  const now = `${amount(middle, unit)} ± ${amount(spread, unit)}`
  return `| ${[what, now, aimInWords(aim, unit), verdict, limit ?? '', reference, bars(history)].map(cell).join(' | ')} |`
}

const MARKS = { met: '#2F6B4F', missed: '#A63D2F', 'not told apart': '#8A6A1F' }
const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

/** How much worse than its aim, as a factor: 1 is the aim, 2 twice as slow or half as many. */
export function distance({ aim, middle }: Pick<Judged, 'aim' | 'middle'>): number {
  if ('most' in aim) return aim.most === 0 ? (middle === 0 ? 1 : EDGE) : middle / aim.most
  return middle === 0 ? EDGE : aim.least / middle
}

function line(figure: Judged, index: number): string {
  const y = TOP + index * ROW
  const along = Math.min(
    1,
    Math.max(-1, Math.log(Math.max(distance(figure), 1e-6)) / Math.log(EDGE)),
  )
  const [x, colour] = [LEFT + SCALE / 2 + (along * SCALE) / 2, MARKS[figure.verdict]]
  const { what } = figure
  const name = what.length > MOST_LETTERS ? `${what.slice(0, MOST_LETTERS - 1)}…` : what
  return `<text x="${LEFT - 14}" y="${y + 4}" text-anchor="end">${escaped(name)}</text>
<path d="M${LEFT} ${y}H${LEFT + SCALE}" stroke="#D8D6CC"/>
<path d="M${LEFT + SCALE / 2} ${y}H${x.toFixed(1)}" stroke="${colour}" stroke-width="6"/>
<circle cx="${x.toFixed(1)}" cy="${y}" r="5" fill="${colour}"/>
<text x="${LEFT + SCALE + 14}" y="${y + 4}">${escaped(`${amount(figure.middle, figure.unit)} · ${figure.verdict}`)}</text>`
}

function drawing(judged: readonly Judged[]): string {
  const height = TOP + judged.length * ROW
  const middleX = LEFT + SCALE / 2
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" font-family="system-ui, sans-serif" font-size="12" fill="#22302A" role="img" aria-label="How far each figure is from its aim">
<rect width="${WIDTH}" height="${height}" fill="#FBFAF5"/>
<text x="${LEFT}" y="24">half of it</text><text x="${middleX}" y="24" text-anchor="middle">the aim</text><text x="${LEFT + SCALE}" y="24" text-anchor="end">twice as far</text>
<path d="M${middleX} 32V${height - 8}" stroke="#22302A" stroke-dasharray="3 3"/>
${judged.map(line).join('\n')}
</svg>
`
}

/** Writes the page and its drawing: the newest of each figure, with its history. */
export function drawHistory({ figures: judged, runs }: History): void {
  const { on, commit, machine } = runs.at(-1)!
  const page = `# How fast it is

Written by \`npm run bench -- --keep\`, last on ${on} at ${commit}; the numbers of every run are in \`performance.json\`. Each figure is the
middle of its rounds ± the width of their middle half; times of work are those of the calibrated machine, which reads 636,000 JSON answers
a second (this one: ${amount(machine.answersASecond, '/s')}). “Not told apart” is said where the rounds lie further apart than the figure from its aim.

![How far each figure is from its aim](performance.svg)

| figure | measured | aim | | limit | measured beside it | history |
| --- | --- | --- | --- | --- | --- | --- |
${judged.map((figure) => row(figure, runs)).join('\n')}
`
  writeFileSync(join(REPOSITORY, 'docs', 'performance.md'), page)
  writeFileSync(join(REPOSITORY, 'docs', 'performance.svg'), drawing(judged))
}
