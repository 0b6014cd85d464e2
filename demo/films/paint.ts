// The palette of the films and small drawing helpers on a canvas context.
import { GlobalFonts, type SKRSContext2D } from '@napi-rs/canvas'

export type Context = SKRSContext2D

export const WIDTH = 960
export const HEIGHT = 540

export const COLOURS = {
  sky: '#F6DFBC',
  skyLow: '#FAEBD3',
  sun: '#F9E9C0',
  hillFar: '#B4C795',
  hillMid: '#97B37F',
  hillNear: '#7E9F6D',
  earth: '#8A6F52',
  earthDark: '#755C43',
  stone: '#B9AB95',
  stoneLine: '#A39580',
  water: '#5B94AF',
  waterDeep: '#4C86A1',
  waterLine: '#BBD8E3',
  wood: '#5A4130',
  woodDark: '#41301F',
  iron: '#2B2A28',
  hull: '#8E2F23',
  cabin: '#1F4B3B',
  cabinTrim: '#E9C46A',
  paper: '#FFFDF8',
  ink: '#17231C',
  rust: '#A5461D',
  fern: '#24603F',
  line: '#D9D3C2',
} as const

const FONT_FILES = [
  'DejaVuSans.ttf',
  'DejaVuSans-Bold.ttf',
  'DejaVuSerif.ttf',
  'DejaVuSerif-Bold.ttf',
]

/** Makes the fonts of Debian's fonts-dejavu-core known to the canvas. */
export function loadFonts(): void {
  for (const file of FONT_FILES)
    GlobalFonts.registerFromPath(`/usr/share/fonts/truetype/dejavu/${file}`)
}

export function fillRect(
  c: Context,
  colour: string,
  x: number,
  y: number,
  w: number,
  h: number,
): void {
  c.fillStyle = colour
  c.fillRect(x, y, w, h)
}

export function fillPath(
  c: Context,
  colour: string,
  points: readonly (readonly [number, number])[],
): void {
  c.fillStyle = colour
  c.beginPath()
  points.forEach(([x, y], index) => (index === 0 ? c.moveTo(x, y) : c.lineTo(x, y)))
  c.closePath()
  c.fill()
}

export function strokeLine(
  c: Context,
  colour: string,
  width: number,
  points: readonly (readonly [number, number])[],
): void {
  c.strokeStyle = colour
  c.lineWidth = width
  c.lineCap = 'round'
  c.lineJoin = 'round'
  c.beginPath()
  points.forEach(([x, y], index) => (index === 0 ? c.moveTo(x, y) : c.lineTo(x, y)))
  c.stroke()
}

/** Draws with a share of opacity. */
export function faded(c: Context, alpha: number, draw: () => void): void {
  if (alpha <= 0.004) return
  c.save()
  c.globalAlpha *= Math.min(1, alpha)
  draw()
  c.restore()
}

/** A label on paper with a thin pointer to what it names. */
export function label(
  c: Context,
  text: string,
  x: number,
  y: number,
  pointX: number,
  pointY: number,
  alpha: number,
): void {
  faded(c, alpha, () => {
    c.font = 'bold 17px "DejaVu Sans"'
    const width = c.measureText(text).width + 24
    strokeLine(c, COLOURS.ink, 1.5, [
      [x, y],
      [pointX, pointY],
    ])
    c.fillStyle = COLOURS.ink
    c.beginPath()
    c.arc(pointX, pointY, 4, 0, Math.PI * 2)
    c.fill()
    fillRect(c, COLOURS.paper, x - width / 2, y - 17, width, 34)
    c.strokeStyle = COLOURS.ink
    c.lineWidth = 1.5
    c.strokeRect(x - width / 2, y - 17, width, 34)
    c.fillStyle = COLOURS.ink
    c.textAlign = 'center'
    c.textBaseline = 'middle'
    c.fillText(text, x, y + 1)
  })
}
