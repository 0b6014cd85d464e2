// The calm spot: where on the stage an overlay disturbs least and reads best, over the whole time it is shown.
// Frames are small; every figure of a place comes from sums over the frames, so that hundreds of places cost little.

import { contrastOf, ENOUGH_CONTRAST, greyOf, mixColours } from '../colour/index.ts'

/** One small frame: relative luminance (WCAG 2.2), 0 to 1, row by row. */
export interface LightFrame {
  width: number
  height: number
  light: Float32Array
}

/** A rectangle in shares of the stage. */
export interface StageBox {
  x: number
  y: number
  width: number
  height: number
}

export interface CalmWish {
  box: StageBox
  /** The colour of the letters, #RRGGBB. */
  ink: string
  /** The ground beneath the letters, #RRGGBB, and how much of it covers; null for none. */
  fill: { colour: string; opacity: number } | null
  /** How much of the whole box covers what lies beneath it, 0 to 1. */
  opacity: number
  /** What shares the stage at the same time. */
  others: readonly StageBox[]
  /** Captions run at the foot of the stage. */
  captions: boolean
}

export interface Spot {
  box: StageBox
  /** Mean steepness of the picture beneath, 0 to 1. */
  clutter: number
  /** Mean change from frame to frame beneath, 0 to 1. */
  change: number
  /** Contrast of the letters, 1 to 21, that nine tenths of the pixels beneath reach or pass. */
  contrast: number
  /** Share of the box that other overlays or captions cover as well. */
  overlap: number
  /** What these add up to; less is calmer. */
  cost: number
}

/** Where captions run: the lowest fifth, without the margins. */
export const CAPTION_ZONE: StageBox = { x: 0.08, y: 0.82, width: 0.84, height: 0.16 }
const PLACES_ACROSS = 24
const PLACES_DOWN = 24
const BEST = 3
/** What lies nearer to the stage's edge looks as if it slipped off, as a share of the stage. */
const MARGIN = 0.03
const BINS = 64
/** How much each figure weighs, so that usual values of all of them are alike. */
const WEIGHT = { clutter: 6, change: 6, contrast: 1.5, overlap: 2 }

/**
 * Looks for calmer spots of the overlay's size. `frames` are those of its time, all of one size, at least one.
 * `best` are up to three places that do not lie on each other, the calmest first; `here` is where it lies now.
 */
export function calmSpots(
  frames: readonly LightFrame[],
  wish: CalmWish,
): { here: Spot; best: Spot[] } {
  const judge = judgeOf(frames, wish)
  const { width, height } = wish.box
  const spots: Spot[] = []
  for (let row = 0; row <= PLACES_DOWN; row += 1)
    for (let column = 0; column <= PLACES_ACROSS; column += 1) {
      const x = placeOf(column / PLACES_ACROSS, width)
      const y = placeOf(row / PLACES_DOWN, height)
      spots.push(judge({ x, y, width, height }))
    }
  spots.sort((a, b) => a.cost - b.cost)
  const best: Spot[] = []
  for (const spot of spots) {
    if (best.length === BEST) break
    if (best.every((other) => shareCovered(spot.box, other.box) === 0)) best.push(spot)
  }
  return { here: judge(wish.box), best }
}

/** A place of the grid, kept off the stage's edges as far as the box leaves room for that. */
function placeOf(share: number, size: number): number {
  const most = Math.max(0, 1 - size - MARGIN)
  return Math.min(Math.max(share, Math.min(MARGIN, most)), most)
}

/** Share of `box` that lies under `other`. */
export function shareCovered(box: StageBox, other: StageBox): number {
  const across = Math.min(box.x + box.width, other.x + other.width) - Math.max(box.x, other.x)
  const down = Math.min(box.y + box.height, other.y + other.height) - Math.max(box.y, other.y)
  return across <= 0 || down <= 0 ? 0 : (across * down) / (box.width * box.height)
}

/** A frame is looked at this often, in ms, and no more than so many. */
const LOOK_EVERY_MS = 2000
const MOST_LOOKS = 60

/** When to look at an overlay's time: at its beginning, every two seconds, and in each shot; sorted, in ms. */
export function timesToLookAt(fromMs: number, toMs: number, shots: readonly number[]): number[] {
  const everyMs = Math.max(LOOK_EVERY_MS, (toMs - fromMs) / (MOST_LOOKS / 2))
  const times = new Set<number>()
  for (let ms = fromMs; ms < toMs; ms += everyMs) times.add(Math.round(ms))
  const within = shots.filter((ms) => ms > fromMs && ms < toMs)
  const step = Math.max(1, Math.ceil(within.length / (MOST_LOOKS / 2)))
  within.forEach((ms, index) => index % step === 0 && times.add(ms))
  return [...times].sort((a, b) => a - b)
}

interface Pixels {
  left: number
  top: number
  right: number
  bottom: number
}

/** The pixels of a frame that a box covers, at least one. */
function pixelsOf(box: StageBox, width: number, height: number): Pixels {
  const left = Math.min(width - 1, Math.floor(box.x * width))
  const top = Math.min(height - 1, Math.floor(box.y * height))
  const right = Math.min(width, Math.max(left + 1, Math.round((box.x + box.width) * width)))
  const bottom = Math.min(height, Math.max(top + 1, Math.round((box.y + box.height) * height)))
  return { left, top, right, bottom }
}

function judgeOf(frames: readonly LightFrame[], wish: CalmWish): (box: StageBox) => Spot {
  const { width, height } = frames[0]!
  const tones = frames.map(({ light }) => light.map(Math.sqrt))
  const clutterSums = summed(meanOf(tones.map((tone) => steepness(tone, width, height))), width)
  const changes = tones.slice(1).map((tone, index) => difference(tones[index]!, tone))
  const changeSums = changes.length > 0 ? summed(meanOf(changes), width) : null
  const contrastAt = contrastFinder(frames, wish)
  const occupied = wish.captions ? [...wish.others, CAPTION_ZONE] : wish.others
  return (box) => {
    const pixels = pixelsOf(box, width, height)
    const clutter = meanIn(clutterSums, width, pixels)
    const change = changeSums ? meanIn(changeSums, width, pixels) : 0
    const contrast = contrastAt(pixels)
    const overlap = Math.min(
      1,
      occupied.reduce((sum, other) => sum + shareCovered(box, other), 0),
    )
    const lacking = Math.max(0, (ENOUGH_CONTRAST - contrast) / ENOUGH_CONTRAST)
    const cost =
      WEIGHT.clutter * clutter +
      WEIGHT.change * change +
      WEIGHT.contrast * lacking +
      WEIGHT.overlap * overlap
    return { box, clutter, change, contrast, overlap, cost }
  }
}

/** How steeply tone changes at each pixel, to the right and downwards. */
function steepness(tone: Float32Array, width: number, height: number): Float32Array {
  const steep = new Float32Array(tone.length)
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = y * width + x
      const across = x + 1 < width ? tone[at + 1]! - tone[at]! : 0
      const down = y + 1 < height ? tone[at + width]! - tone[at]! : 0
      steep[at] = Math.hypot(across, down)
    }
  return steep
}

const difference = (a: Float32Array, b: Float32Array) =>
  a.map((value, at) => Math.abs(value - b[at]!))

function meanOf(pictures: readonly Float32Array[]): Float32Array {
  const mean = new Float32Array(pictures[0]!.length)
  for (const picture of pictures)
    for (let at = 0; at < mean.length; at += 1) mean[at]! += picture[at]! / pictures.length
  return mean
}

/** Sums over all rectangles that begin at the upper left (Crow 1984), one row and column larger than the picture. */
function summed(picture: Float32Array, width: number): Float64Array {
  const height = picture.length / width
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y += 1) {
    let row = 0
    for (let x = 0; x < width; x += 1) {
      row += picture[y * width + x]!
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row
    }
  }
  return sums
}

function meanIn(sums: Float64Array, width: number, pixels: Pixels): number {
  const { left, top, right, bottom } = pixels
  const at = (x: number, y: number) => sums[y * (width + 1) + x]!
  const sum = at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top)
  return Math.max(0, sum) / ((right - left) * (bottom - top))
}

/**
 * What letters and their ground come out as over a colour, mixed in sRGB as browsers do (CSS Compositing 1): the whole box is
 * laid over what is beneath it with its opacity.
 */
export function coloursOver(
  beneath: string,
  { ink, fill, opacity }: Pick<CalmWish, 'ink' | 'fill' | 'opacity'>,
): { ink: string; ground: string } {
  return {
    ink: mixColours(beneath, ink, opacity),
    ground: fill ? mixColours(beneath, fill.colour, fill.opacity * opacity) : beneath,
  }
}

/** Finds the contrast that nine tenths of the pixels under a rectangle reach, over all frames. */
function contrastFinder(frames: readonly LightFrame[], wish: CalmWish) {
  const { width } = frames[0]!
  // Bins are even in tone, which is how the eye sees steps.
  const binOf = (light: number) => Math.min(BINS - 1, Math.floor(Math.sqrt(light) * BINS))
  const binned = frames.map(({ light }) => Uint8Array.from(light, binOf))
  const contrasts = Array.from({ length: BINS }, (_, bin) => {
    const { ink, ground } = coloursOver(greyOf(((bin + 0.5) / BINS) ** 2), wish)
    return contrastOf(ink, ground)
  })
  const fromLeast = contrasts.map((_, bin) => bin).sort((a, b) => contrasts[a]! - contrasts[b]!)
  const counts = new Uint32Array(BINS)
  return ({ left, top, right, bottom }: Pixels): number => {
    counts.fill(0)
    for (const bins of binned)
      for (let y = top; y < bottom; y += 1)
        for (let at = y * width + left; at < y * width + right; at += 1) counts[bins[at]!]! += 1
    const tenth = (frames.length * (right - left) * (bottom - top)) / 10
    let seen = 0
    for (const bin of fromLeast) {
      seen += counts[bin]!
      if (seen > tenth) return contrasts[bin]!
    }
    return contrasts[fromLeast.at(-1)!]!
  }
}
