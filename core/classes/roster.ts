// What will happen when a roster is taken in, told before it happens.
import { nameFault, nameKey, tidyName, type NameFault } from './names.ts'
import { readRow, type RosterTable } from './rosterFile.ts'

/** The most people a class holds, those who left included. */
export const MOST_MEMBERS = 5000
export const MOST_GROUPS = 60
export const LONGEST_TITLE = 120

/** `again`: the same name stands further up; `here`: somebody in the class has it; `back`: somebody who had left. */
export type RosterState = 'new' | 'here' | 'back' | 'again' | 'unfit'

export interface RosterEntry {
  /** Its place in the list, from 1. */
  line: number
  name: string
  group: string
  state: RosterState
  fault: NameFault | null
  /** Who of the class has this name, where somebody has. */
  personId: string | null
}

export interface KnownMember {
  id: string
  name: string
  hasLeft: boolean
}

/** One entry a row, in the order of the table; `known` are the members of the class, those who left included. */
export function planRoster(table: RosterTable, known: readonly KnownMember[]): RosterEntry[] {
  const byKey = new Map<string, KnownMember>()
  // Where two share a name, the one who is still there counts.
  for (const member of known)
    if (!member.hasLeft || !byKey.has(nameKey(member.name))) byKey.set(nameKey(member.name), member)
  const seen = new Set<string>()
  const first = table.hasHead ? 2 : 1
  return table.rows.map((row, index) => {
    const read = readRow(row, table.meanings)
    const [name, group] = [tidyName(read.name), tidyName(read.group).slice(0, LONGEST_TITLE)]
    const fault = nameFault(name)
    const [key, member] = [nameKey(name), byKey.get(nameKey(name))]
    const state = fault ? 'unfit' : seen.has(key) ? 'again' : stateOf(member)
    seen.add(key)
    return { line: index + first, name, group, state, fault, personId: member?.id ?? null }
  })
}

const stateOf = (member: KnownMember | undefined): RosterState =>
  !member ? 'new' : member.hasLeft ? 'back' : 'here'

/** How many entries stand how. */
export function countRoster(entries: readonly RosterEntry[]): Record<RosterState, number> {
  const counts = { new: 0, here: 0, back: 0, again: 0, unfit: 0 }
  for (const { state } of entries) counts[state] += 1
  return counts
}
