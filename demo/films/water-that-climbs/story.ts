// Where everything in the lock is at a given moment of the film. No drawing here: times in, positions out.
import { ramp, through, type Times } from '../times.ts'

export interface LockState {
  /** 0 level with the lower pound, 1 with the upper. */
  level: number
  lowerGate: number
  upperGate: number
  lowerPaddle: number
  upperPaddle: number
  /** Middle of the boat in picture coordinates, and where its bow points; null when it is out of the picture. */
  boat: { x: number; facing: 1 | -1 } | null
  /** Where the keeper stands, in picture coordinates. */
  keeperX: number
  winding: boolean
}

const LOWER_GEAR_X = 262
const UPPER_GEAR_X = 742

/** The lock on the way up: from the first look inside to the closed lock. */
export function goingUp(ms: number, t: Times): LockState {
  const level = through(ms, [
    [0, 0],
    [t.from('upperPaddle') + 500, 0],
    [t.to('upperPaddle') + 700, 0.16],
    [t.from('lowerPaddle') + 300, 0.16],
    [t.to('lowerPaddle') + 1500, 0],
    [t.from('low'), 0],
    [t.from('third'), 0.33],
    [t.from('weak'), 0.86],
    [t.from('level'), 1],
  ])
  const upperPaddle = through(ms, [
    [0, 0],
    [t.from('upperPaddle'), 0],
    [t.from('upperPaddle') + 900, 1],
    [t.to('upperPaddle') + 500, 1],
    [t.to('upperPaddle') + 1200, 0],
    [t.to('tied') - 2200, 0],
    [t.from('low'), 0.5],
    [t.from('third') + 2200, 0.5],
    [t.to('third'), 1],
    [t.from('closed') + 2500, 1],
    [t.to('closed') - 1000, 0],
  ])
  const lowerPaddle = through(ms, [
    [0, 0],
    [t.from('lowerPaddle') - 400, 0],
    [t.from('lowerPaddle') + 500, 1],
    [t.to('lowerPaddle') + 1400, 1],
    [t.to('lowerPaddle') + 2000, 0],
  ])
  return {
    level,
    upperPaddle,
    lowerPaddle,
    lowerGate: through(ms, [
      [0, 0],
      [t.from('equal') + 1800, 0],
      [t.to('equal') + 900, 1],
      [t.from('shut'), 1],
      [t.from('shut') + 3600, 0],
    ]),
    upperGate: through(ms, [
      [0, 0],
      [t.from('beam') + 300, 0],
      [t.to('beam') + 900, 1],
      [t.from('closed'), 1],
      [t.from('closed') + 2600, 0],
    ]),
    boat:
      ms < t.from('boat') - 500
        ? null
        : {
            facing: 1,
            x: through(ms, [
              [t.from('boat') - 500, -160],
              [t.to('boat') - 500, 88],
              [t.from('moveIn') - 300, 88],
              [t.to('moveIn') + 1600, 462],
              [t.from('leaves') - 200, 462],
              [t.to('closed'), 1180],
            ]),
          },
    keeperX: through(ms, [
      [0, UPPER_GEAR_X],
      [t.to('upperPaddle') + 700, UPPER_GEAR_X],
      [t.from('lowerPaddle') - 300, LOWER_GEAR_X],
      [t.to('shut') - 500, LOWER_GEAR_X],
      [t.from('tied') + 1800, UPPER_GEAR_X],
    ]),
    winding: isMoving(ms, (at) => goingUpPaddles(at, t)),
  }
}

function goingUpPaddles(ms: number, t: Times): number {
  const windows: [number, number][] = [
    [t.from('upperPaddle'), t.from('upperPaddle') + 900],
    [t.from('lowerPaddle') - 400, t.from('lowerPaddle') + 500],
    [t.to('tied') - 2200, t.from('low')],
    [t.from('third') + 2200, t.to('third')],
    [t.from('closed') + 2500, t.to('closed') - 1000],
  ]
  return windows.reduce((sum, [from, to]) => sum + ramp(ms, from, to), 0)
}

function isMoving(ms: number, value: (ms: number) => number): boolean {
  return Math.abs(value(ms + 60) - value(ms - 60)) > 0.004
}

/** The lock on the way down: the stern is caught on the sill, freed, and the boat goes down safely. */
export function goingDown(ms: number, t: Times): LockState {
  const level = through(ms, [
    [0, 1],
    [t.to('down') - 2500, 1],
    [t.from('hang') + 2600, 0.68],
    [t.from('catches') - 300, 0.3],
    [t.from('catches') + 2600, 0.28],
    [t.to('catches') + 900, 0.78],
    [t.from('again') + 2600, 0.78],
    [t.from('itDoesNot') - 700, 0.05],
  ])
  const lowerPaddle = through(ms, [
    [0, 0],
    [t.to('down') - 3600, 0],
    [t.to('down') - 2300, 1],
    [t.from('catches') + 900, 1],
    [t.from('catches') + 2300, 0],
    [t.from('again') + 1700, 0],
    [t.from('again') + 2800, 1],
  ])
  const upperPaddle = through(ms, [
    [0, 0],
    [t.from('catches') + 2900, 0],
    [t.from('catches') + 4200, 0.6],
    [t.to('catches') + 500, 0.6],
    [t.to('catches') + 1100, 0],
  ])
  return {
    level,
    lowerPaddle,
    upperPaddle,
    lowerGate: 0,
    upperGate: through(ms, [
      [0, 1],
      [t.from('down') + 3300, 1],
      [t.from('down') + 5200, 0],
    ]),
    boat: {
      facing: -1,
      x: through(ms, [
        [t.from('down') - 1500, 1120],
        [t.from('down') + 3200, 545],
        [t.from('again') + 200, 545],
        [t.from('again') + 2400, 455],
      ]),
    },
    keeperX: through(ms, [
      [0, LOWER_GEAR_X],
      [t.from('catches') + 2300, LOWER_GEAR_X],
      [t.from('catches') + 3300, UPPER_GEAR_X],
      [t.to('catches') + 1100, UPPER_GEAR_X],
      [t.from('again') + 1700, LOWER_GEAR_X],
    ]),
    winding: isMoving(ms, (at) => goingDownPaddles(at, t)),
  }
}

function goingDownPaddles(ms: number, t: Times): number {
  const windows: [number, number][] = [
    [t.to('down') - 3600, t.to('down') - 2300],
    [t.from('catches') + 900, t.from('catches') + 2300],
    [t.from('catches') + 2900, t.from('catches') + 4200],
    [t.to('catches') + 500, t.to('catches') + 1100],
    [t.from('again') + 1700, t.from('again') + 2800],
  ]
  return windows.reduce((sum, [from, to]) => sum + ramp(ms, from, to), 0)
}
