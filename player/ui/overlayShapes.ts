// Where an overlay's box and pointer line lie, and how it comes and goes.
import type { Box, Point, Transition, WholeOverlay } from '@fernbrake/core/lesson'

const percent = (share: number) => `${share * 100}%`
const ALIGN = { start: 'start', centre: 'center', end: 'end' } as const
const FONT = { interface: 'var(--interface)', reading: 'var(--reading)', mono: 'var(--mono)' }
/** On a small stage letters become no smaller than this; smaller ones would be there and say nothing. */
const LEAST_LETTERS_PX = 11
/** These lie as large as their box says; the others grow where their words need more room. */
const EXACT = ['picture', 'box', 'ellipse', 'arrow', 'cover', 'panel', 'film', 'web']

/** The style of an overlay's box, and the point that it turns and grows about. */
export function placeStyle({ box, look, content, rotation }: WholeOverlay) {
  const { form } = content
  const isDrawn = form !== 'arrow'
  const height = EXACT.includes(form)
    ? { height: percent(box.height) }
    : { minHeight: percent(box.height) }
  return {
    origin: `${percent(box.x + box.width / 2)} ${percent(box.y + box.height / 2)}`,
    box: {
      left: percent(box.x),
      top: percent(box.y),
      width: percent(box.width),
      ...height,
      color: look.ink,
      background: isDrawn ? (look.fill ?? 'transparent') : 'transparent',
      opacity: look.opacity,
      fontFamily: FONT[look.font],
      fontSize: `max(${LEAST_LETTERS_PX}px, ${look.size * 100}cqh)`,
      textAlign: ALIGN[look.align],
      justifyContent: form === 'panel' ? 'flex-start' : ALIGN[look.align],
      borderRadius: form === 'ellipse' ? '50%' : `${look.corner * 100}cqh`,
      ...(look.border && isDrawn
        ? { border: `${look.border.width * 100}cqh solid ${look.border.colour}` }
        : {}),
      ...(rotation === 0 ? {} : { transform: `rotate(${rotation}deg)` }),
    },
  }
}

/** The line from a label to what it names, from the box's nearest edge; null where that lies under the box. */
export function pointerLine(box: Box, to: Point): { from: Point; to: Point } | null {
  const from = {
    x: Math.min(Math.max(to.x, box.x), box.x + box.width),
    y: Math.min(Math.max(to.y, box.y), box.y + box.height),
  }
  return from.x === to.x && from.y === to.y ? null : { from, to }
}

const AWAY = { left: '-60% 0', right: '60% 0', top: '0 -60%', bottom: '0 60%' } as const

/** The picture an overlay comes from, or goes to, for the browser to animate. */
export function awayFrame({ way, side }: Transition): Keyframe {
  switch (way) {
    case 'fade':
      return { opacity: 0 }
    case 'slide':
      return { opacity: 0, translate: AWAY[side] }
    case 'grow':
      return { opacity: 0, scale: '0.2' }
  }
}
