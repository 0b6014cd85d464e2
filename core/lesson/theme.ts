// What learners see of a theme: its colours, moved as far as it takes for everything on them to be readable.
import { contrastOf, ENOUGH_CONTRAST, mixColours, standingOut } from '../colour/index.ts'
import type { Theme } from './aboutSchema.ts'

export const USUAL_THEME: Theme = {
  accent: '#24603F',
  ground: '#F5F3EA',
  reading: 'literata',
  interface: 'atkinson',
}

/** In so many steps a ground is made lighter. */
const GROUND_STEPS = 50
const WHITE = '#FFFFFF'
const BLACK = '#000000'
const INK = '#17231C'
/** What stands on the ground besides the accent: the lightest of the inks, and the colours of the kinds of cue. */
const ON_GROUND = ['#5B685F', '#A5461D', '#385873', '#693A62', '#7C5F00']
/** The grounds round moving pictures; they stay dark whatever the theme. */
const NIGHT = ['#0F1713', '#1A2620']

export interface ShownTheme {
  accent: string
  ground: string
  /** Whether a colour had to be moved from what was picked. */
  moved: { accent: boolean; ground: boolean }
  /** The values of the player's own tokens, by their names without `--theme-`. */
  tokens: Record<string, string>
}

/** The theme as learners get it. All colours are #RRGGBB. */
export function shownTheme(theme: Theme): ShownTheme {
  const ground = readableGround(theme.ground)
  const surface = mixColours(ground, WHITE, 0.6)
  const accent = standingOut(theme.accent, BLACK, [ground, surface, sunkIn(ground)])
  return {
    accent,
    ground,
    moved: {
      accent: accent !== theme.accent.toUpperCase(),
      ground: ground !== theme.ground.toUpperCase(),
    },
    tokens: { ...lightTokens(accent, ground, surface), ...nightTokens(theme.accent) },
  }
}

/** What is sunk into a ground, a little darker than it. */
const sunkIn = (ground: string) => mixColours(ground, INK, 0.05)

/** The ground, made no lighter than it takes for every ink to be read on it and on what is sunk into it. */
function readableGround(picked: string): string {
  for (let step = 0; step < GROUND_STEPS; step += 1) {
    const ground = mixColours(picked, WHITE, step / GROUND_STEPS)
    const isRead = ON_GROUND.every((ink) => contrastOf(ink, sunkIn(ground)) >= ENOUGH_CONTRAST)
    if (isRead) return ground
  }
  return WHITE
}

function lightTokens(accent: string, ground: string, surface: string): Record<string, string> {
  const soft = mixColours(accent, surface, 0.86)
  return {
    ground,
    surface,
    accent,
    'accent-soft': soft,
    'accent-deep': standingOut(mixColours(accent, BLACK, 0.3), BLACK, [soft]),
    'on-accent': contrastOf(accent, '#FFFDF8') >= contrastOf(accent, INK) ? '#FFFDF8' : INK,
    sunk: sunkIn(ground),
    line: mixColours(ground, INK, 0.14),
    'line-strong': standingOut(
      mixColours(ground, INK, 0.4),
      INK,
      [ground, surface, sunkIn(ground)],
      3,
    ),
  }
}

function nightTokens(picked: string): Record<string, string> {
  const accent = standingOut(picked, WHITE, NIGHT, 7)
  const soft = mixColours(accent, NIGHT[0]!, 0.78)
  return {
    'night-accent': accent,
    'night-accent-soft': soft,
    'night-accent-deep': standingOut(mixColours(accent, WHITE, 0.35), WHITE, [soft]),
  }
}
