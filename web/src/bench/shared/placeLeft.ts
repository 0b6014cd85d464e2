// Where somebody was on a bench when they left it.

export interface PlaceLeft {
  partId: string | null
  thingId: string | null
  atMs: number
  cueIds: readonly string[]
  sheetOpen: boolean
  desk: 'script' | 'list' | 'questions'
}
