import { describe, expect, test } from 'vitest'
import type { Part } from '@fernbrake/core/lesson'
import { END, type Way } from '@fernbrake/core/routes'
import { isInColumns, layOut, NODE, softPath, type Layout, type Mapped } from './layout.ts'

const way = (fromId: string, toId: string, id = `${fromId}-${toId}`): Way => ({
  id,
  kind: 'route',
  fromId,
  toId,
  condition: null,
  words: 'on',
  atMs: null,
  thingId: id,
})
const partsOf = (count: number) =>
  Array.from({ length: count }, (_, index) => ({ id: `p${index}` }) as Part)
const words = ({ id }: Way) => `by ${id}`
const story = (ways: Way[]): Mapped => ({ parts: partsOf(4), ways })
/** Every part leads to the next seven, so that there are far more ways than words can stand on. */
const thicket: Mapped = {
  parts: partsOf(40),
  ways: partsOf(40).flatMap(({ id }, index) =>
    Array.from({ length: 7 }, (_, step) =>
      way(id, index + step > 38 ? END : `p${index + step + 1}`, `w${index}.${step}`),
    ),
  ),
}

function overlapping({ nodes }: Layout): string[] {
  const corners = [...nodes]
  return corners.flatMap(([one, a], index) =>
    corners
      .slice(index + 1)
      .filter(([, b]) => Math.abs(a.x - b.x) < NODE.width && Math.abs(a.y - b.y) < NODE.height)
      .map(([other]) => `${one} and ${other}`),
  )
}

describe('a lesson with few ways', () => {
  const graph = story([
    way('p0', 'p1'),
    way('p0', 'p2'),
    way('p1', 'p3'),
    way('p2', 'p3'),
    way('p3', END),
  ])
  const plan = layOut(graph, END, words)

  test('stands in ranks: whatever follows stands lower', () => {
    expect(isInColumns(graph)).toBe(false)
    for (const { way } of plan.ways) {
      expect(plan.nodes.get(way.toId)!.y).toBeGreaterThan(plan.nodes.get(way.fromId)!.y)
    }
  })

  test('has the words of each way within what is shown', () => {
    const { x, width } = plan.bounds
    for (const { at, label, way } of plan.ways) {
      expect(label).toBe(`by ${way.id}`)
      expect(at.x).toBeGreaterThanOrEqual(x)
      expect(at.x).toBeLessThanOrEqual(x + width)
    }
  })

  test('leaves out what leads to itself or nowhere, and still draws both of two ways between the same parts', () => {
    const ways = [way('p0', 'p0'), way('p0', 'gone'), way('p0', 'p1', 'a'), way('p0', 'p1', 'b')]
    expect(layOut(story(ways), END, words).ways.map(({ way }) => way.id)).toEqual(['a', 'b'])
  })
})

describe('a lesson with hundreds of ways', () => {
  const plan = layOut(thicket, END, words)

  test('stands in columns, in the order of its parts, about as wide as high', () => {
    expect(isInColumns(thicket)).toBe(true)
    const places = [...plan.nodes.values()]
    const read = [...places].sort((one, other) => one.x - other.x || one.y - other.y)
    expect(read).toEqual(places)
    expect(plan.bounds.width / plan.bounds.height).toBeGreaterThan(0.5)
    expect(plan.bounds.width / plan.bounds.height).toBeLessThan(2)
  })

  test('draws one line between the same two parts, without words', () => {
    const pairs = plan.ways.map(({ way }) => `${way.fromId} ${way.toId}`)
    expect(new Set(pairs).size).toBe(pairs.length)
    expect(plan.ways.every(({ label }) => label === '')).toBe(true)
  })

  test('runs no line through a part', () => {
    const inside = plan.ways.flatMap(({ points }) =>
      points.filter(({ x, y }) =>
        [...plan.nodes.values()].some(
          (part) => x > part.x && x < part.x + NODE.width && y > part.y && y < part.y + NODE.height,
        ),
      ),
    )
    expect(inside).toEqual([])
  })
})

test.each([
  ['few', story([way('p0', 'p1')])],
  ['many', thicket],
])('with %s ways no part lies over another, and all lies within what is shown', (_, graph) => {
  const plan = layOut(graph, END, words)
  expect(overlapping(plan)).toEqual([])
  const { x, y, width, height } = plan.bounds
  for (const part of plan.nodes.values()) {
    expect(part.x >= x && part.x + NODE.width <= x + width).toBe(true)
    expect(part.y >= y && part.y + NODE.height <= y + height).toBe(true)
  }
})

test('a line bends at each of its points and ends at the last', () => {
  const [a, b, c] = [
    { x: 0, y: 0 },
    { x: 0, y: 10 },
    { x: 20, y: 10 },
  ]
  expect(softPath([])).toBe('')
  expect(softPath([a, b])).toBe('M 0 0 L 0 10')
  expect(softPath([a, b, c])).toBe('M 0 0 Q 0 10 10 10 L 20 10')
})
