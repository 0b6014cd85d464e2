// The pins of “Anatomy of a Lock”.
import type { NewThing, Pin } from '@fernbrake/core/lesson'
import type { Making } from './making.ts'

export const rust = { shape: 'kite', colour: '#A5461D' } as const
const slate = { shape: 'round', colour: '#385873' } as const
const fern = { shape: 'square', colour: '#24603F' } as const
const told = (text: string): Pin['opens'] => ({ what: 'text', text })

/** The pins of the still, in the order in which the water meets them. */
export function pinsOf({ sentence, partId }: Making, chroniclePartId: string): NewThing<Pin>[] {
  const stretch = (from: string, to: string) => ({
    block: 'stretch' as const,
    partId,
    fromMs: sentence(from).fromMs,
    toMs: sentence(to).toMs,
  })
  return [
    {
      id: 'pin-upper-pound',
      x: 0.9,
      y: 0.29,
      name: 'Upper pound',
      symbol: '',
      ...slate,
      opens: told(
        'The level stretch above the lock. A passage takes its water from here, and nobody gives it back.',
      ),
    },
    {
      id: 'pin-culvert',
      x: 0.735,
      y: 0.66,
      name: 'Culvert',
      symbol: '',
      ...slate,
      opens: {
        what: 'text',
        text: {
          blocks: [
            {
              block: 'paragraph',
              runs: [
                {
                  text: 'When the upper paddle is wound, water runs through here into the chamber.',
                },
              ],
            },
            stretch('low', 'third'),
          ],
        },
      },
    },
    {
      id: 'pin-sill',
      x: 0.685,
      y: 0.655,
      name: 'Sill',
      symbol: '!',
      ...rust,
      opens: {
        what: 'text',
        text: {
          blocks: [
            {
              block: 'paragraph',
              runs: [
                { text: 'The step on which the upper gates stand. ' },
                { text: 'A boat that goes down must stay clear of it.', marks: ['bold'] },
              ],
            },
            stretch('hang', 'catches'),
          ],
        },
      },
    },
    {
      id: 'pin-upper-gates',
      x: 0.73,
      y: 0.46,
      name: 'Upper gates',
      symbol: '',
      ...fern,
      opens: told(
        'Short, because they stand on the sill. They are pushed open only when the chamber is level with the upper pound.',
      ),
    },
    {
      id: 'pin-chamber',
      x: 0.48,
      y: 0.72,
      name: 'Chamber',
      symbol: '',
      ...slate,
      opens: told(
        'The room for water. At Cantle Steps it is 22.0 m long and 2.2 m wide, and lifts a boat by 2.4 m.',
      ),
    },
    {
      id: 'pin-lower-gates',
      x: 0.312,
      y: 0.6,
      name: 'Lower gates',
      symbol: '',
      ...fern,
      opens: told('Tall: they hold back a full chamber. In them sit the lower paddles.'),
    },
    {
      id: 'pin-gear',
      x: 0.775,
      y: 0.375,
      name: 'Paddle gear',
      symbol: '',
      ...fern,
      opens: {
        what: 'link',
        address: '/stand-ins/pages/water-levels',
        opens: 'inside',
        title: 'Water levels at Cantle Steps',
      },
    },
    {
      id: 'pin-history',
      x: 0.12,
      y: 0.42,
      name: 'Who built it?',
      symbol: '?',
      ...rust,
      opens: { what: 'part', partId: chroniclePartId },
    },
  ]
}
