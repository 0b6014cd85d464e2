// Where an overlay lies and how it looks until somebody says otherwise.
import type { OverlayForm } from '../overlaySchema.ts'
import type { OverlayCue } from '../schema.ts'

/** The usual box and look of this form; a fresh copy each time. */
export function usualOverlay(form: OverlayForm['form']): Pick<OverlayCue, 'box' | 'look'> {
  const words = { ink: '#17231C', fill: '#FFFDF8', size: 0.045, align: 'start' } as const
  const drawn = { ...words, ink: '#A5461D', fill: null, corner: 0 }
  const line = { colour: '#A5461D', width: 0.008 }
  switch (form) {
    case 'panel':
      return { box: { x: 0.06, y: 0.08, width: 0.42, height: 0.34 }, look: words }
    case 'picture':
      return { box: { x: 0.06, y: 0.1, width: 0.3, height: 0.4 }, look: { ...words, fill: null } }
    case 'button':
    case 'link':
      return {
        box: { x: 0.06, y: 0.08, width: 0.26, height: 0.12 },
        look: { ...words, ink: '#FFFDF8', fill: '#385873', align: 'centre' },
      }
    case 'box':
    case 'ellipse':
      return { box: { x: 0.3, y: 0.3, width: 0.3, height: 0.3 }, look: { ...drawn, border: line } }
    case 'arrow':
      return {
        box: { x: 0.3, y: 0.42, width: 0.3, height: 0.12 },
        look: { ...drawn, border: line },
      }
    case 'sound':
      return {
        box: { x: 0.06, y: 0.08, width: 0.34, height: 0.11 },
        look: { ...words, size: 0.04 },
      }
    case 'film':
      return {
        box: { x: 0.62, y: 0.06, width: 0.34, height: 0.34 },
        look: { ...words, fill: '#17231C', border: { colour: '#F3ECD8', width: 0.005 } },
      }
    case 'web':
      return { box: { x: 0.5, y: 0.08, width: 0.46, height: 0.7 }, look: words }
    case 'cover':
      return {
        box: { x: 0.3, y: 0.3, width: 0.3, height: 0.3 },
        look: { ...words, fill: '#17231C', corner: 0 },
      }
    case 'text':
    case 'label':
      return { box: { x: 0.06, y: 0.08, width: 0.4, height: 0.12 }, look: words }
  }
}

/** What an overlay of a form holds until somebody says otherwise; a fresh copy each time. */
export function usualContent(name: OverlayForm['form']): OverlayForm {
  switch (name) {
    case 'label':
      return { form: name, to: { x: 0.5, y: 0.5 } }
    case 'panel':
      return { form: name, title: '' }
    case 'sound':
      return { form: name, mediaId: null, begins: 'withFilm', quiets: true }
    case 'film':
      return { form: name, mediaId: null, startMs: 0, sound: false, fit: 'fill' }
    case 'link':
    case 'web':
      return { form: name, address: null }
    case 'picture':
      return { form: name, mediaId: null, fit: 'whole' }
    case 'text':
    case 'button':
    case 'box':
    case 'ellipse':
    case 'arrow':
    case 'cover':
      return { form: name }
  }
}

/** Gives an overlay that becomes another form that form's usual box and look, as far as nobody has chosen its own. */
export function becomeUsual(
  cue: Pick<OverlayCue, 'box' | 'look'>,
  from: OverlayForm['form'],
  to: OverlayForm['form'],
): void {
  const [before, after] = [usualOverlay(from), usualOverlay(to)]
  const isSame = (one: object, other: object) =>
    JSON.stringify(Object.entries(one).sort()) === JSON.stringify(Object.entries(other).sort())
  if (isSame(cue.box, before.box)) cue.box = after.box
  if (isSame(cue.look, before.look)) cue.look = after.look
}
