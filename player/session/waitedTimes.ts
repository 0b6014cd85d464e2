// How long questions with a countdown have been open, kept on this device: a closed tab does not give time back.
import { keepHere, readKept } from './onDevice.ts'

const keyOf = (seed: string) => `fernbrake-waited ${seed}`
const isTime = (value: unknown): value is number => typeof value === 'number' && value >= 0

/** What was kept; nothing where something else lies there. */
export function readWaited(seed: string): Record<string, number> {
  const kept = readKept(keyOf(seed))
  if (typeof kept !== 'object' || kept === null) return {}
  return Object.fromEntries(
    Object.entries(kept).filter((one): one is [string, number] => isTime(one[1])),
  )
}

export const keepWaited = (seed: string, waited: Readonly<Record<string, number>>) =>
  keepHere(keyOf(seed), waited)
