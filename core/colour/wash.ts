// A wash of colour over a picture, and how well letters read on it.
import { contrastRatio, ENOUGH_CONTRAST, relativeLuminance, washedLight } from './colour.ts'

/** Which letters stand on a washed picture: light as paper, or dark as ink. */
export type WashLetters = 'paper' | 'ink'

export const WASH_LETTERS: Record<WashLetters, string> = { paper: '#FFFDF8', ink: '#17231C' }
/** In how many steps a wash grows from nothing to all, and the share of pixels that may fall short. */
const STEPS = 20
const LEFT_OUT = 0.1

/**
 * The contrast (1 to 21) that letters reach on a picture under a wash, on nine tenths of its pixels; and which letters
 * reach most. `pixels` are RGBA, four bytes each; `strength` is how much of the wash covers, 0 to 1.
 */
export function washedContrast(
  pixels: Uint8ClampedArray,
  wash: string,
  strength: number,
): { letters: WashLetters; contrast: number } {
  const light = washedLight(pixels, wash, strength).sort()
  const at = (share: number) => light[Math.round(share * (light.length - 1))] ?? 0
  // Light letters are hardest to read on the lightest pixels, dark ones on the darkest.
  const paper = contrastRatio(relativeLuminance(WASH_LETTERS.paper), at(1 - LEFT_OUT))
  const ink = contrastRatio(relativeLuminance(WASH_LETTERS.ink), at(LEFT_OUT))
  return paper >= ink ? { letters: 'paper', contrast: paper } : { letters: 'ink', contrast: ink }
}

/** The weakest wash of a colour, from `from` on, on which letters can be read; 1 where none is enough. */
export function enoughWash(pixels: Uint8ClampedArray, wash: string, from: number): number {
  // Counted in whole steps: what is given back is exactly what was tried.
  for (let step = Math.ceil(from * STEPS); step < STEPS; step += 1)
    if (washedContrast(pixels, wash, step / STEPS).contrast >= ENOUGH_CONTRAST) return step / STEPS
  return 1
}
