// Cells of the watch map as one path: a bar for each run of the same letter.

/** `1` is half as high as the line, `2` is all of it; ten high, one wide a cell. */
export function runsOf(cells: string, letter: '1' | '2'): string {
  const top = letter === '1' ? 5 : 0
  let path = ''
  for (let at = 0; at < cells.length;) {
    if (cells[at] !== letter) {
      at += 1
      continue
    }
    let end = at
    while (cells[end] === letter) end += 1
    path += `M${at} ${top}H${end}V10H${at}Z`
    at = end
  }
  return path
}
