// The mark book of a class: what everybody reached in each assignment, and all together by weight.

export interface BookMark {
  points: number
  max: number
}

/**
 * The share of all marks, 0 to 1: that of each assignment by its weight. One that was not begun counts as none; one without
 * marks to be had, or without weight, does not count. Null where nothing counts.
 */
export function weightedShare(
  marks: readonly { weight: number; max: number; mark: BookMark | null }[],
): number | null {
  let [sum, weights] = [0, 0]
  for (const { weight, max, mark } of marks) {
    const most = mark?.max ?? max
    if (weight <= 0 || most <= 0) continue
    sum += weight * ((mark?.points ?? 0) / most)
    weights += weight
  }
  return weights > 0 ? sum / weights : null
}
