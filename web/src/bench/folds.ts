// Which folds of the sheets somebody keeps open: what they use daily stays open from sheet to sheet, and on this device.
import { reactive } from 'vue'

const KEY = 'fernbrake-folds'

export const FOLDS = [
  'about',
  'cover',
  'theme',
  'ending',
  'aside',
  'marks',
  'material',
  'shelf',
  'wordRules',
  'numberRules',
  'look',
  'shows',
  'onPress',
  'place',
  'stands',
  'pinLook',
] as const
export type FoldName = (typeof FOLDS)[number]

function read(): FoldName[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]')
    return Array.isArray(kept) ? FOLDS.filter((name) => kept.includes(name)) : []
  } catch {
    // A browser that keeps nothing for this page begins with all of them shut.
    return []
  }
}

const open = reactive(new Set<FoldName>(read()))

export const isOpen = (name: FoldName): boolean => open.has(name)

export function setOpen(name: FoldName, isIt: boolean): void {
  if (isIt === open.has(name)) return
  if (isIt) open.add(name)
  else open.delete(name)
  try {
    localStorage.setItem(KEY, JSON.stringify([...open]))
  } catch {
    // It then holds as long as the page is open.
  }
}
