import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edits, emptyLesson, type Condition, type Lesson, type Route } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withFork, withQuestion } from '../testing/index.ts'
import {
  END,
  graphOf,
  isShut,
  nextPart,
  partsLeft,
  partsOpen,
  partsShown,
  routesOpen,
  surveyRoutes,
  type Known,
} from './index.ts'
import { ringsOf } from './reach.ts'

type Ends = 'end' | 'end!' | string
const target = (to: Ends): Route['target'] =>
  to === 'end' || to === 'end!'
    ? { to: 'ending', message: to === 'end!' ? 'The end' : '' }
    : { to: 'part', partId: to }

/** Pages with these ids, and routes written as `from>to`, with words where one is chosen: `a>b:Go left`. */
function story(ids: string, routes: string[] = []): Lesson {
  let lesson = emptyLesson('Story')
  for (const id of ids) {
    lesson = edited(lesson, edits.addPart, { id, kind: 'page', title: id })
    const things = [{ id: `t-${id}`, kind: 'text', text: 'word '.repeat(230) }] as const
    lesson = edited(lesson, edits.addThings, { partId: id, map: 'blocks', things })
  }
  for (const [index, written] of routes.entries()) {
    const [, fromId, to, words = ''] = /^(\w+)>([\w!]+)(?::(.*))?$/.exec(written)!
    const id = `r${index}`
    lesson = edited(lesson, edits.addRoute, { id, fromId: fromId!, target: target(to!) })
    lesson = edited(lesson, edits.setRoute, { routeId: id, change: { words } })
  }
  return lesson
}
const when = (lesson: Lesson, routeId: string, condition: Condition) =>
  edited(lesson, edits.setRoute, { routeId, change: { condition } })
const codes = (lesson: Lesson) => surveyRoutes(lesson).findings.map(({ code }) => code)
const ways = (lesson: Lesson) =>
  graphOf(lesson).ways.map(({ fromId, toId, kind }) => `${fromId} ${kind} ${toId}`)

const NOBODY: Known = { facts: { score: 0, watched: {}, visited: [] }, results: {} }
const been = (...visited: string[]) => ({ ...NOBODY, facts: { ...NOBODY.facts, visited } })

describe('the ways of a lesson', () => {
  it('go in order, past the parts that others lead to', () => {
    expect(ways(story('abc'))).toEqual(['a order b', 'b order c', `c order ${END}`])
    expect(ways(story('abc', ['a>b:Look']))).toEqual(['a route b', 'b order c', `c order ${END}`])
  })

  it('leave a film where it parts, and a picture where a pin leads', () => {
    const film = edited(lessonWithFilm(), edits.addPart, { id: 'b', kind: 'page', title: 'b' })
    const forked = withFork(film, {
      id: 'f',
      atMs: 9000,
      ways: [
        { id: 'w1', target: { to: 'part', partId: 'b' } },
        { id: 'w2', target: { to: 'on' } },
        { id: 'w3', target: { to: 'ending', message: '' } },
      ],
    })
    expect(ways(forked)).toEqual([
      `${PART} fork b`,
      `${PART} fork ${END}`,
      `${PART} order ${END}`,
      `b order ${END}`,
    ])
    // Where every choice leads away, nobody comes to the film's end.
    const away = edited(forked, edits.removeChoice, { cueId: 'f', choiceId: 'w2' })
    expect(ways(away)).toEqual([`${PART} fork b`, `${PART} fork ${END}`, `b order ${END}`])
    const timed = edited(away, edits.setForkRules, { cueId: 'f', rules: { countdownMs: 5000 } })
    expect(ways(timed)).toContain(`${PART} order ${END}`)
  })
})

it('a route that leads nowhere any more is none: the order leads on', () => {
  const lost = edited(story('abc', ['a>c']), edits.removePart, { partId: 'c' })
  expect(ways(lost)).toEqual(['a order b', `b order ${END}`])
  expect(surveyRoutes(lost).findings).toEqual([{ code: 'leadsNowhere', partId: 'a', wayId: 'r0' }])
})

describe('which parts may be opened', () => {
  const lesson = edited(story('abcd', ['a>d:Aside']), edits.setGate, {
    partId: 'b',
    gate: { condition: { if: 'visited', partId: 'c' }, message: '' },
  })
  const open = (of: Lesson, finishedParts: string[], known = NOBODY) => {
    const shown = partsShown(of, { finishedParts, chosen: {} }, 'a')
    return [...partsOpen(of, shown, finishedParts, known)]
  }
  it('are all that are shown and that no gate shuts', () => {
    expect(open(lesson, [])).toEqual(['a', 'c'])
    expect(open(lesson, [], been('c'))).toEqual(['a', 'b', 'c'])
  })

  it('are one after the other where they go in order, past a shut gate, and what is done', () => {
    const inOrder = edited(lesson, edits.setTravelling, { navigation: 'inOrder' })
    expect(open(inOrder, [])).toEqual(['a'])
    expect(open(inOrder, ['a'])).toEqual(['a', 'c'])
    expect(open(inOrder, ['a'], been('c'))).toEqual(['a', 'b'])
  })
})

describe('what is open at the end of a part', () => {
  const lesson = story('abcd', ['a>b:Left', 'a>c:Right', 'a>d'])
  const open = (of: Lesson, known = NOBODY) => routesOpen(of, 'a', known).map(({ id }) => id)

  it('are the routes with words, and the first without', () =>
    expect(open(lesson)).toEqual(['r0', 'r1', 'r2']))

  it('is nothing behind the first that asks nobody', () =>
    expect(open(story('abc', ['a>b', 'a>c:Right']))).toEqual(['r0']))

  it('is no route whose condition does not hold, or before a gate that is shut', () => {
    const conditional = when(lesson, 'r0', { if: 'visited', partId: 'd' })
    expect(open(conditional)).toEqual(['r1', 'r2'])
    expect(open(conditional, been('d'))).toEqual(['r0', 'r1', 'r2'])
    const gate = { condition: { if: 'visited', partId: 'd' }, message: '' } as const
    const gated = edited(lesson, edits.setGate, { partId: 'c', gate })
    expect(open(gated)).toEqual(['r0', 'r2'])
    expect(isShut(gated.parts.c!, NOBODY)).toBe(true)
    expect(isShut(gated.parts.c!, been('d'))).toBe(false)
  })

  it('is nothing that leads nowhere', () => {
    const lost = edited(lesson, edits.removePart, { partId: 'b' })
    expect(open(lost)).toEqual(['r1', 'r2'])
    expect(codes(lost)).toContain('leadsNowhere')
  })
})

describe('what is left after routes', () => {
  const lesson = story('abcd', ['a>b:Left', 'a>c:Right', 'b>end!'])
  const left = (finishedParts: string[], chosen: Record<string, string> = {}, known = NOBODY) =>
    partsLeft(lesson, { finishedParts, chosen }, known).map(({ id }) => id)

  it('is what the way led to, and what follows in the order', () => {
    expect(left([])).toEqual(['a', 'd'])
    expect(left(['a'], { a: 'r1' })).toEqual(['c', 'd'])
    expect(left(['a', 'b'], { a: 'r0', b: 'r2' })).toEqual([])
  })
  it('is followed by the order from where the way led', () => {
    const next = (from: string) =>
      nextPart(lesson, { finishedParts: ['a', from], chosen: { a: 'r1' } }, from, NOBODY)?.id
    expect(next('c')).toBe('d')
  })
  it('does not wait behind a gate that is shut', () => {
    const gate = { condition: { if: 'visited', partId: 'c' }, message: '' } as const
    const gated = edited(story('ab'), edits.setGate, {
      partId: 'b',
      gate: { ...gate, condition: { if: 'score', atLeast: 0.5 } },
    })
    const asked = (known: typeof NOBODY) =>
      partsLeft(gated, { finishedParts: ['a'], chosen: {} }, known).map(({ id }) => id)
    expect(asked(NOBODY)).toEqual([])
    expect(asked({ ...NOBODY, facts: { ...NOBODY.facts, score: 0.5 } })).toEqual(['b'])
  })
})

describe('findings', () => {
  it('are none in a plain lesson, and none in one without parts', () => {
    expect(surveyRoutes(story('abc')).findings).toEqual([])
    expect(surveyRoutes(emptyLesson('Empty'))).toEqual({ findings: [], measured: null })
  })

  it('name a part to which only ways lead that nobody comes by', () => {
    const lesson = story('abcd', ['c>b', 'b>c'])
    expect(surveyRoutes(lesson).findings).toContainEqual({ code: 'unreachable', partId: 'b' })
    expect(codes(lesson).filter((code) => code === 'unreachable')).toHaveLength(2)
  })

  it('name a ring that nobody leaves, and no ring that somebody can', () => {
    const closed = story('abcd', ['a>b', 'b>c:On', 'c>b:Back'])
    expect(surveyRoutes(closed).findings).toContainEqual({ code: 'loop', partIds: ['b', 'c'] })
    const open = story('abcd', ['a>b', 'b>c:On', 'c>b:Back', 'c>end:Stop'])
    expect(codes(open)).not.toContain('loop')
  })

  it('name a gate that nobody can open who stands before it', () => {
    const gate = (condition: Condition) => ({ condition, message: '' })
    const gated = (of: Lesson, partId: string, condition: Condition) =>
      codes(edited(of, edits.setGate, { partId, gate: gate(condition) }))
    const inOrder = edited(story('abc'), edits.setTravelling, { navigation: 'inOrder' })
    expect(gated(inOrder, 'b', { if: 'visited', partId: 'c' })).toContain('gateShut')
    expect(gated(inOrder, 'b', { if: 'visited', partId: 'a' })).not.toContain('gateShut')
    // Who may open the parts as they like can have been to the third first.
    expect(gated(story('abc'), 'b', { if: 'visited', partId: 'c' })).not.toContain('gateShut')
    expect(gated(story('abc'), 'b', { if: 'score', atLeast: 0.5 })).toContain('gateShut')
    expect(gated(story('abc'), 'b', { if: 'answer', cueId: null, is: 'right' })).toContain(
      'gateShut',
    )
    expect(gated(story('abc'), 'a', { if: 'visited', partId: 'b' })).toEqual(['gateAtStart'])
    // One that nothing leads to is named for that as well; one that the order leads to is not.
    const unled = gated(story('abc', ['a>end']), 'b', { if: 'score', atLeast: 0.5 })
    expect(unled).toEqual(expect.arrayContaining(['gateShut', 'unreachable']))
    expect(gated(story('abc'), 'b', { if: 'score', atLeast: 0.5 })).not.toContain('unreachable')
    const asks = edited(withQuestion(lessonWithFilm(), { id: 'q', atMs: 5 }), edits.addPart, {
      id: 'b',
      kind: 'page',
      title: 'b',
    })
    expect(gated(asks, 'b', { if: 'score', atLeast: 0.5 })).toEqual([])
    expect(gated(asks, 'b', { if: 'answer', cueId: 'q', is: 'right' })).toEqual([])
  })

  it('name a route that another is always taken before, or whose condition cannot hold', () => {
    const shadowed = surveyRoutes(story('abc', ['a>b', 'a>c:Right'])).findings
    expect(shadowed).toContainEqual({
      code: 'neverTaken',
      partId: 'a',
      wayId: 'r1',
      why: 'earlier',
    })
    const never = when(story('ab', ['a>b']), 'r0', { if: 'answer', cueId: null, is: 'given' })
    expect(surveyRoutes(never).findings).toContainEqual({
      code: 'neverTaken',
      partId: 'a',
      wayId: 'r0',
      why: 'condition',
    })
  })

  it('name ends without a word, where others have one', () => {
    const lesson = story('abc', ['a>b:Left', 'a>c:Right', 'b>end!'])
    expect(codes(lesson)).toEqual(['endsUnsaid'])
    expect(codes(edited(lesson, edits.setEnding, { message: 'Thank you' }))).toEqual([])
  })
})

describe('the shortest and the longest way', () => {
  const measured = (lesson: Lesson) => surveyRoutes(lesson).measured!
  it('take a minute a page of 230 words, and count what can be had on them', () => {
    const lesson = story('abcd', ['a>b:Long', 'a>d:Short'])
    const { shortest, longest, isWhole } = measured(lesson)
    expect([shortest.partIds, shortest.minutes]).toEqual([['a', 'd'], 2])
    expect([longest.partIds, longest.minutes, isWhole]).toEqual([['a', 'b', 'c'], 3, true])
  })

  it('end a film where it is left', () => {
    const film = withQuestion(lessonWithFilm(60_000), { id: 'q', atMs: 30_000 })
    const forked = withFork(film, {
      id: 'f',
      atMs: 15_000,
      ways: [
        { id: 'w', target: { to: 'ending', message: '' } },
        { id: 'on', target: { to: 'on' } },
      ],
    })
    const { shortest, longest, fewest, most } = measured(forked)
    expect([shortest.minutes, longest.minutes]).toEqual([0.25, 1.5])
    expect([fewest.points, most.points]).toEqual([0, 1])
  })

  it('leave out ways that are never taken, and go past gates that never open', () => {
    const shadowed = story('abc', ['a>c', 'a>b:Long', 'b>end'])
    expect(measured(shadowed).longest.partIds).toEqual(['a', 'c'])
    const gate = { condition: { if: 'score', atLeast: 0.5 }, message: '' } as const
    const gated = edited(story('abc'), edits.setGate, { partId: 'b', gate })
    const { shortest, longest } = measured(gated)
    expect([shortest.partIds, longest.partIds]).toEqual([
      ['a', 'c'],
      ['a', 'c'],
    ])
    const never = when(story('abc', ['a>end']), 'r0', { if: 'answer', cueId: null, is: 'given' })
    expect(measured(never).shortest.partIds).toEqual(['a', 'b', 'c'])
  })

  it('come to no part twice where ways go round', () => {
    const { longest } = measured(story('abc', ['a>b', 'b>a:Back', 'b>c:On']))
    expect(longest.partIds).toEqual(['a', 'b', 'c'])
  })

  const IDS = 'abcdefg'
  const someRoutes = fc.array(
    fc.record({
      from: fc.constantFrom(...IDS),
      to: fc.constantFrom(...IDS, 'end'),
      words: fc.constantFrom('', ':x'),
    }),
    { maxLength: 14 },
  )
  /** The slow, obvious way: every way from the first part on is walked. */
  function walkAll(lesson: Lesson): number[] {
    const graph = graphOf(lesson)
    const { findings } = surveyRoutes(lesson)
    const never = findings.flatMap((one) => (one.code === 'neverTaken' ? [one.wayId] : []))
    const lengths: number[] = []
    const walk = (id: string, on: string[]): void => {
      if (id === END) return void lengths.push(on.length)
      if (on.includes(id)) return
      for (const way of graph.from.get(id)!)
        if (!never.includes(way.id)) walk(way.toId, [...on, id])
    }
    walk(graph.startId!, [])
    return lengths
  }
  it('are those that trying every way finds', () => {
    fc.assert(
      fc.property(someRoutes, (made) => {
        const lesson = story(
          IDS,
          made.map(({ from, to, words }) => `${from}>${to}${words}`),
        )
        const lengths = walkAll(lesson)
        const found = surveyRoutes(lesson).measured
        if (lengths.length === 0) {
          expect(found).toBeNull()
          return
        }
        expect(found!.shortest.partIds).toHaveLength(Math.min(...lengths))
        expect(found!.longest.partIds).toHaveLength(Math.max(...lengths))
      }),
      { numRuns: 40 },
    )
  })

  it('rings are those parts that lead to one another', () => {
    fc.assert(
      fc.property(someRoutes, (made) => {
        const graph = graphOf(
          story(
            IDS,
            made.map(({ from, to }) => `${from}>${to}:x`),
          ),
        )
        const reaches = (a: string, b: string): boolean => {
          const seen = new Set<string>()
          const open = graph.from.get(a)!.map(({ toId }) => toId)
          for (let id = open.pop(); id !== undefined; id = open.pop()) {
            if (id === b) return true
            if (seen.has(id) || !graph.from.has(id)) continue
            seen.add(id)
            for (const { toId } of graph.from.get(id)!) open.push(toId)
          }
          return false
        }
        const inRings = ringsOf(graph).flat().sort()
        expect(inRings).toEqual([...IDS].filter((id) => reaches(id, id)))
      }),
      { numRuns: 40 },
    )
  })
})
