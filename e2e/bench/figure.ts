// One line of what the bench prints.
export interface Figure {
  what: string
  value: string
  reference: string
  aim: string
}
