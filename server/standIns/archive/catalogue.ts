// What the stand-in archive has: pictures that the demo's generator has drawn, and sounds that are made when somebody asks
// for them. Things, people and terms are made up; the licences are real ones, so that looking for them can be tried.
import { join } from 'node:path'
import { REPOSITORY } from '../../settings.ts'

export interface HeldThing {
  id: string
  kind: 'picture' | 'sound'
  title: string
  maker: string
  words: string
  licence: string
  licenceAddress: string
  /** Of a picture, its file; of a sound, what it is made of: sources and filters as ffmpeg takes them. */
  made: string
}

const cc = (name: string) => `https://creativecommons.org/licenses/${name}/4.0/`
const CC0 = {
  licence: 'CC0 1.0',
  licenceAddress: 'https://creativecommons.org/publicdomain/zero/1.0/',
}
const BY = { licence: 'CC BY 4.0', licenceAddress: cc('by') }
const BY_SA = { licence: 'CC BY-SA 4.0', licenceAddress: cc('by-sa') }
const BY_NC = { licence: 'CC BY-NC 4.0', licenceAddress: cc('by-nc') }
const TRUST = { licence: 'Free for teaching within the Trust', licenceAddress: '' }
const SILENT = { licence: '', licenceAddress: '' }

const MAKERS = ['Odile Harcastle', 'Perrin Askew', 'Harrowmere Film Circle', 'Isolde Fenwick-Rae']
type Terms = Pick<HeldThing, 'licence' | 'licenceAddress'>

function picture(name: string, maker: number, terms: Terms, title: string, words: string) {
  const made = join(REPOSITORY, 'demo', 'pictures', `${name}.webp`)
  return { id: name, kind: 'picture' as const, title, maker: MAKERS[maker]!, words, ...terms, made }
}
function sound(
  id: string,
  maker: number,
  terms: Terms,
  title: string,
  words: string,
  made: string,
) {
  return { id, kind: 'sound' as const, title, maker: MAKERS[maker]!, words, ...terms, made }
}

const NOISE = 'anoisesrc=color=brown:seed=7:amplitude=0.7'
export const HELD: readonly HeldThing[] = [
  picture(
    'anatomy-of-a-lock',
    0,
    BY,
    'A lock, cut open',
    'Chamber, gates, paddles and sill of a lock with a boat in it.',
  ),
  picture(
    'navigation-map',
    1,
    BY_SA,
    'Map of the Navigation',
    'From Oxwith reservoir by Cantle Steps to the junction at Nethering.',
  ),
  picture(
    'flight-opened',
    2,
    BY_NC,
    'The flight, full of water',
    'Eleven locks climb the hill at Cantle Steps; a boat is on its way.',
  ),
  picture(
    'flight-dry',
    2,
    TRUST,
    'The flight, drained',
    'The locks at Cantle Steps without water, while the gates are mended.',
  ),
  picture(
    'gate-balance-beam',
    3,
    CC0,
    'Balance beam of a gate',
    'The long arm by which a gate is pushed.',
  ),
  picture('gate-heel-post', 3, CC0, 'Heel post of a gate', 'The post on which a gate turns.'),
  picture('gate-mitre', 3, BY, 'Mitre of two gates', 'Where two gates lean on each other.'),
  picture(
    'gate-collar',
    3,
    SILENT,
    'Collar of a gate',
    'The iron that holds the post to the wall.',
  ),
  picture('gate-gate-paddle', 1, BY, 'Gate paddle', 'A board in the gate that lets water through.'),
  picture(
    'gate-paddle-gear',
    1,
    BY_SA,
    'Paddle gear',
    'Rack, pinion and pawl by which a paddle is wound.',
  ),
  picture('gate-windlass', 0, CC0, 'Windlass', 'The crank a lock-keeper carries.'),
  picture('gate-footboard', 0, BY_NC, 'Footboard', 'The plank on which a gate is crossed.'),
  sound(
    'water-falling',
    1,
    CC0,
    'Water falling into a chamber',
    'A paddle is drawn, and the chamber of the lock fills. Twelve seconds.',
    `${NOISE}:duration=12,lowpass=f=1400,highpass=f=90,tremolo=f=3.3:d=0.25,afade=in:d=2,afade=out:st=9:d=3`,
  ),
  sound(
    'pawl-clicking',
    3,
    BY,
    'The pawl of the paddle gear',
    'A windlass is turned, and the pawl falls into the rack. Six seconds.',
    `aevalsrc='0.6*sin(2*PI*1900*t)*exp(-90*mod(t\\,0.33))+0.4*sin(2*PI*640*t)*exp(-60*mod(t\\,0.33))':duration=6`,
  ),
  sound(
    'passing-bell',
    0,
    BY_SA,
    'Bell of a boat',
    'Struck twice before a bend of the canal. Five seconds.',
    `aevalsrc='0.5*(sin(2*PI*880*t)+0.5*sin(2*PI*1762*t)+0.3*sin(2*PI*2650*t))*exp(-1.6*mod(t\\,2.4))':duration=5`,
  ),
  sound(
    'rain-on-cabin',
    2,
    BY_NC,
    'Rain on a cabin roof',
    'Steady rain, heard from inside a boat. Fifteen seconds.',
    `anoisesrc=color=pink:seed=3:amplitude=0.4:duration=15,highpass=f=700,lowpass=f=6000,afade=in:d=1,afade=out:st=13:d=2`,
  ),
  sound(
    'engine-idling',
    2,
    TRUST,
    'Engine of a boat, idling',
    'One cylinder, below the bridge at Nethering. Eight seconds.',
    `aevalsrc='0.7*sin(2*PI*62*t)*exp(-14*mod(t\\,0.28))+0.2*sin(2*PI*117*t)*exp(-20*mod(t\\,0.28))':duration=8`,
  ),
]
