// The room of the lecture: a board on which everything is drawn, and the lecturer beside it.
import {
  COLOURS,
  faded,
  fillPath,
  fillRect,
  HEIGHT,
  strokeLine,
  WIDTH,
  type Context,
} from '../paint.ts'

/** The board's inside, in picture coordinates. */
export const BOARD = { left: 36, top: 34, right: 752, bottom: 492 } as const

export const INK_2 = '#45534A'
const GROUND = '#E4DDC8'
const FLOOR = '#CFC5AA'

export type Align = 'left' | 'center' | 'right'

/** Words on the board. */
export function write(
  c: Context,
  text: string,
  x: number,
  y: number,
  look: { size?: number; bold?: boolean; serif?: boolean; colour?: string; align?: Align } = {},
): void {
  const { size = 20, bold = false, serif = false, colour = COLOURS.ink, align = 'left' } = look
  c.font = `${bold ? 'bold ' : ''}${size}px "DejaVu ${serif ? 'Serif' : 'Sans'}"`
  c.textAlign = align
  c.textBaseline = 'middle'
  c.fillStyle = colour
  c.fillText(text, x, y)
}

export function drawRoom(c: Context): void {
  fillRect(c, GROUND, 0, 0, WIDTH, HEIGHT)
  fillRect(c, FLOOR, 0, 508, WIDTH, HEIGHT - 508)
  fillRect(c, COLOURS.wood, BOARD.left - 8, BOARD.top - 8, 732, 474)
  fillRect(c, COLOURS.paper, BOARD.left, BOARD.top, 716, 458)
}

/** What the board is about, at its top. */
export function heading(c: Context, text: string, alpha = 1): void {
  faded(c, alpha, () => {
    write(c, text, BOARD.left + 26, BOARD.top + 36, { size: 25, bold: true, serif: true })
    fillRect(c, COLOURS.fern, BOARD.left + 26, BOARD.top + 58, 44, 4)
  })
}

/** A sum, line by line; each appears with its share of `alphas`. */
export function sums(
  c: Context,
  lines: readonly string[],
  alphas: readonly number[],
  at: { x: number; y: number; step?: number },
): void {
  lines.forEach((line, index) =>
    faded(c, alphas[index] ?? 0, () =>
      write(c, line, at.x, at.y + index * (at.step ?? 36), { size: 19, bold: index % 2 === 1 }),
    ),
  )
}

/** A measure with its figure: a line with ends, from one point to another. */
export function measure(
  c: Context,
  from: readonly [number, number],
  to: readonly [number, number],
  text: string,
  alpha: number,
): void {
  faded(c, alpha, () => {
    strokeLine(c, COLOURS.rust, 2.5, [from, to])
    for (const [x, y] of [from, to]) {
      c.fillStyle = COLOURS.rust
      c.beginPath()
      c.arc(x, y, 4.5, 0, Math.PI * 2)
      c.fill()
    }
    const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
    c.font = 'bold 18px "DejaVu Sans"'
    const width = c.measureText(text).width + 16
    fillRect(c, COLOURS.paper, x - width / 2, y - 14, width, 28)
    write(c, text, x, y + 1, { size: 18, bold: true, colour: COLOURS.rust, align: 'center' })
  })
}

/** The lecturer, who moves an arm and speaks; `pointing` 0 to 1, `speaking` tells whether words are heard. */
export function drawLecturer(c: Context, ms: number, pointing: number, speaking: boolean): void {
  const x = 858
  const sway = Math.sin(ms / 1900) * 2
  const shoulder = 356
  fillPath(c, COLOURS.fern, [
    [x - 50 + sway, shoulder + 6],
    [x - 30 + sway, shoulder - 10],
    [x + 30 + sway, shoulder - 10],
    [x + 50 + sway, shoulder + 6],
    [x + 60, HEIGHT],
    [x - 60, HEIGHT],
  ])
  fillPath(c, COLOURS.paper, [
    [x - 13 + sway, shoulder - 10],
    [x + 13 + sway, shoulder - 10],
    [x + sway, shoulder + 34],
  ])
  arms(c, x + sway, shoulder, pointing)
  head(c, x + sway, shoulder, ms, speaking)
}

function arms(c: Context, x: number, shoulder: number, pointing: number): void {
  strokeLine(c, '#1B4830', 21, [
    [x + 44, shoulder + 14],
    [x + 58, shoulder + 86],
    [x + 26, shoulder + 132],
  ])
  const elbow = [x - 68, shoulder + 74 - 36 * pointing] as const
  const hand = [x - 52 - 52 * pointing, shoulder + 132 - 152 * pointing] as const
  strokeLine(c, '#1B4830', 21, [[x - 44, shoulder + 14], elbow, hand])
  c.fillStyle = '#D9A67E'
  c.beginPath()
  c.arc(hand[0], hand[1], 12, 0, Math.PI * 2)
  c.fill()
  faded(c, pointing, () => strokeLine(c, COLOURS.woodDark, 4, [hand, [hand[0] - 62, hand[1] - 46]]))
}

function head(c: Context, x: number, shoulder: number, ms: number, speaking: boolean): void {
  const y = shoulder - 58
  fillRect(c, '#CF9A72', x - 11, shoulder - 26, 22, 20)
  c.fillStyle = '#5B5148'
  c.beginPath()
  c.ellipse(x, y - 10, 39, 40, 0, 0, Math.PI * 2)
  c.fill()
  c.fillStyle = '#D9A67E'
  c.beginPath()
  c.ellipse(x - 3, y + 2, 31, 37, 0, 0, Math.PI * 2)
  c.fill()
  const blinks = ms % 4100 < 130
  for (const eye of [x - 16, x + 8]) {
    fillRect(c, COLOURS.iron, eye - 2.5, y - 4, 5, blinks ? 1.5 : 6)
    c.strokeStyle = COLOURS.iron
    c.lineWidth = 2
    c.strokeRect(eye - 9, y - 9, 18, 15)
  }
  const open = speaking ? 1.5 + 4.5 * Math.abs(Math.sin(ms / 92) * Math.sin(ms / 231)) : 1.2
  c.fillStyle = '#7A2F2A'
  c.beginPath()
  c.ellipse(x - 4, y + 21, 9, open, 0, 0, Math.PI * 2)
  c.fill()
}

/** A boat seen from the side, its waterline at `y`. */
export function drawSmallBoat(c: Context, x: number, y: number, facing: 1 | -1, size = 1): void {
  c.save()
  c.translate(x, y)
  c.scale(facing * size, size)
  fillPath(c, COLOURS.hull, [
    [-30, -6],
    [32, -6],
    [26, 7],
    [-27, 7],
  ])
  fillRect(c, COLOURS.cabin, -22, -17, 36, 11)
  fillRect(c, COLOURS.cabinTrim, -24, -19, 40, 2.5)
  c.restore()
}
