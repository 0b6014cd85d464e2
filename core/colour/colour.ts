// Colours: how light they are, how far apart, and what comes of mixing them.

/** Text should have this contrast at least (WCAG 2.2, 1.4.3). */
export const ENOUGH_CONTRAST = 4.5
/** In so many steps a colour is moved towards another. */
const STEPS = 50

/** Relative luminance of a colour #RRGGBB (WCAG 2.2). */
export function relativeLuminance(colour: string): number {
  const channel = (at: number) => linear(Number.parseInt(colour.slice(at, at + 2), 16))
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5)
}

/** A channel from 0 to 255 as linear light from 0 to 1. */
function linear(value: number): number {
  const share = value / 255
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
}

const LINEAR = Float32Array.from({ length: 256 }, (_, value) => linear(value))

/** Relative luminance of each pixel of an RGBA picture, four bytes each. */
export function lightOfPixels(pixels: Uint8ClampedArray): Float32Array {
  const light = new Float32Array(pixels.length / 4)
  for (let at = 0; at < light.length; at += 1)
    light[at] =
      0.2126 * LINEAR[pixels[at * 4]!]! +
      0.7152 * LINEAR[pixels[at * 4 + 1]!]! +
      0.0722 * LINEAR[pixels[at * 4 + 2]!]!
  return light
}

/** The same under a wash of a colour that covers to `strength`, 0 to 1. */
export function washedLight(
  pixels: Uint8ClampedArray,
  wash: string,
  strength: number,
): Float32Array {
  const mixed = new Uint8ClampedArray(pixels.length)
  for (let channel = 0; channel < 3; channel += 1) {
    const own = Number.parseInt(wash.slice(1 + channel * 2, 3 + channel * 2), 16) * strength
    for (let at = channel; at < pixels.length; at += 4)
      mixed[at] = pixels[at]! * (1 - strength) + own
  }
  return lightOfPixels(mixed)
}

/** The grey #RRGGBB of a relative luminance. */
export function greyOf(light: number): string {
  const share = light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055
  const value = Math.round(Math.min(1, Math.max(0, share)) * 255)
  return `#${value.toString(16).padStart(2, '0').repeat(3)}`.toUpperCase()
}

/** Contrast of two luminances, 1 to 21 (WCAG 2.2). */
export function contrastRatio(a: number, b: number): number {
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
}

/** Contrast of two colours #RRGGBB, 1 to 21 (WCAG 2.2). */
export const contrastOf = (a: string, b: string) =>
  contrastRatio(relativeLuminance(a), relativeLuminance(b))

/** A colour #RRGGBB with `share` (0 to 1) of another in it, mixed as the browser mixes what is half transparent. */
export function mixColours(colour: string, other: string, share: number): string {
  const channel = (at: number) => {
    const [one, two] = [colour, other].map((hex) => Number.parseInt(hex.slice(at, at + 2), 16))
    return Math.round(one! * (1 - share) + two! * share)
      .toString(16)
      .padStart(2, '0')
  }
  return `#${channel(1)}${channel(3)}${channel(5)}`.toUpperCase()
}

/**
 * The colour, moved no further towards `goal` than it needs to stand out from everything in `against` with this
 * contrast; `goal` itself where nothing between is enough.
 */
export function standingOut(
  colour: string,
  goal: string,
  against: readonly string[],
  contrast = ENOUGH_CONTRAST,
): string {
  for (let step = 0; step < STEPS; step += 1) {
    const moved = mixColours(colour, goal, step / STEPS)
    if (against.every((other) => contrastOf(moved, other) >= contrast)) return moved
  }
  return goal.toUpperCase()
}
