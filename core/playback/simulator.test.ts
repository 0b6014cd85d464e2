// The machine against a simulator of another shape, on ten thousand random films and sittings in every run.
import fc from 'fast-check'
import { it } from 'vitest'
import type { Condition, Target } from '../lesson/index.ts'
import { advance, startPlayback, type PlaybackEvent, type Schedule } from './index.ts'
import type { ForkMoment, Moment, QuestionMoment, Way } from './schedule.ts'
import { Simulator } from './simulator.ts'

const END = 240
const QUESTIONS = ['a', 'b', 'c']
const FORKS = ['f', 'g']

const time = fc.integer({ min: 0, max: END })
const fewTimes = fc.oneof(time, fc.constantFrom(0, 80, 160, END))
const questionId = fc.constantFrom(...QUESTIONS)

const target: fc.Arbitrary<Target> = fc.oneof(
  { weight: 5, arbitrary: fewTimes.map((atMs) => ({ to: 'time' as const, atMs })) },
  { weight: 2, arbitrary: fc.constant({ to: 'on' as const }) },
  { weight: 1, arbitrary: fc.constant({ to: 'part' as const, partId: 'other' }) },
  { weight: 1, arbitrary: fc.constant({ to: 'ending' as const, message: '' }) },
)
const condition: fc.Arbitrary<Condition | null> = fc.option(
  fc.record({
    if: fc.constant('answer' as const),
    cueId: questionId,
    is: fc.constantFrom('right' as const, 'wrong' as const, 'given' as const),
  }),
  { freq: 3 },
)

const question = (cueId: string): fc.Arbitrary<QuestionMoment> =>
  fc
    .record({
      atMs: fewTimes,
      hold: fc.constantFrom(
        'none' as const,
        'shown' as const,
        'answered' as const,
        'right' as const,
      ),
      sendBack: fc.boolean(),
      again: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      hasEvidence: fc.boolean(),
    })
    .map(({ hasEvidence, atMs, ...rest }) => ({
      kind: 'question' as const,
      cueId,
      atMs,
      ...rest,
      countdownMs: null,
      evidence: hasEvidence && atMs > 60 ? { fromMs: 20, toMs: Math.min(50, atMs) } : null,
    }))

const fork = (cueId: string): fc.Arbitrary<ForkMoment> =>
  fc
    .record({
      atMs: fewTimes,
      decides: fc.boolean(),
      targets: fc.array(fc.tuple(target, condition), { minLength: 1, maxLength: 3 }),
      hasDefault: fc.boolean(),
    })
    .map(({ atMs, decides, targets, hasDefault }) => {
      const ways = targets.map(([where, when], index): Way => ({
        id: `${cueId}${index}`,
        target: where,
        condition: decides ? when : null,
      }))
      const defaultChoice = hasDefault ? ways.at(-1)!.id : null
      return { kind: 'fork', cueId, atMs, decides, ways, countdownMs: null, defaultChoice }
    })

const schedule: fc.Arbitrary<Schedule> = fc
  .record({
    questions: fc.tuple(...QUESTIONS.map(question)),
    forks: fc.tuple(...FORKS.map(fork)),
    places: fc.uniqueArray(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 }),
    seekRule: fc.constantFrom(
      'free' as const,
      'free' as const,
      'backOnly' as const,
      'none' as const,
    ),
  })
  .map(({ questions, forks, places, seekRule }) => {
    const all: Moment[] = [...questions, ...forks]
    // Those at one time come in the order in which they were drawn.
    const moments = places.map((index) => all[index]!).sort((one, other) => one.atMs - other.atMs)
    return { durationMs: END, seekRule, moments, overlays: [], bookmarks: [] }
  })

/** A step of a sitting: a learner lets the film play on for so long, or does something. */
type Step =
  | { plays: number }
  | { does: PlaybackEvent }
  | { answers: 'open' | string; right: boolean }
  | { leaves: true }
  | { chooses: number }

const step: fc.Arbitrary<Step> = fc.oneof(
  { weight: 6, arbitrary: fc.integer({ min: 1, max: 130 }).map((plays) => ({ plays })) },
  {
    weight: 3,
    arbitrary: fc.record({
      answers: fc.oneof(fc.constant('open'), questionId),
      right: fc.boolean(),
    }),
  },
  { weight: 4, arbitrary: fc.constant({ leaves: true as const }) },
  { weight: 2, arbitrary: fc.integer({ min: 0, max: 2 }).map((chooses) => ({ chooses })) },
  {
    weight: 3,
    arbitrary: fewTimes.map((toMs) => ({ does: { kind: 'seeked' as const, fromMs: 0, toMs } })),
  },
  {
    weight: 1,
    arbitrary: questionId.map((cueId) => ({ does: { kind: 'opened' as const, cueId } })),
  },
  {
    weight: 1,
    arbitrary: questionId.map((cueId) => ({ does: { kind: 'rewatch' as const, cueId } })),
  },
  {
    weight: 1,
    arbitrary: questionId.map((cueId) => ({ does: { kind: 'dismissed' as const, cueId } })),
  },
  { weight: 1, arbitrary: fc.constant({ does: { kind: 'ended' as const } }) },
)

const TRIES = 2

it('plays as the simulator does', () => {
  fc.assert(
    fc.property(schedule, fc.array(step, { minLength: 4, maxLength: 24 }), (film, steps) => {
      const slow = new Simulator(film)
      let fast = startPlayback()
      const told: string[] = []
      let left: string | null = null
      const used = new Map<string, number>()

      function send(event: PlaybackEvent): void {
        if (left !== null) return
        const { state, commands } = advance(film, fast, event)
        fast = state
        for (const command of commands) {
          if (command.kind === 'took') told.push(`took ${command.choiceId}`)
          if (command.kind === 'finish') told.push('finish')
          if (command.kind === 'play' && fast.mode.kind !== 'reviewing') told.push('play')
          if (command.kind === 'goTo') left = command.partId
        }
        slow.event(event)
      }

      const openId = () =>
        fast.mode.kind === 'held' || fast.mode.kind === 'reviewing'
          ? fast.mode.cueId
          : fast.beside[0]
      send({ kind: 'tick', mediaMs: 0 })
      for (const one of steps) {
        if ('plays' in one) send({ kind: 'tick', mediaMs: Math.min(END, fast.mediaMs + one.plays) })
        else if ('does' in one) send(one.does)
        else if ('leaves' in one) send({ kind: 'dismissed', cueId: openId() ?? 'a' })
        else if ('chooses' in one) {
          const cueId = openId() ?? 'f'
          send({ kind: 'chose', cueId, choiceId: `${cueId}${one.chooses}` })
        } else {
          const cueId = one.answers === 'open' ? (openId() ?? 'a') : one.answers
          const tries = (used.get(cueId) ?? 0) + 1
          if (tries > TRIES || fast.results[cueId]?.final) continue
          used.set(cueId, tries)
          const result = { right: one.right, final: one.right || tries === TRIES, tries }
          send({ kind: 'answered', cueId, result })
        }
        same(film, fast, slow, told, left)
      }
    }),
    { numRuns: 10_000 },
  )
})

/** Compares cheaply; only a difference is written out. */
function same(
  film: Schedule,
  fast: ReturnType<typeof startPlayback>,
  slow: Simulator,
  told: string[],
  left: string | null,
): void {
  const modes = { playing: 'free', held: 'held', reviewing: 'reviewing', over: 'ended' } as const
  const sorted = (ids: Iterable<string>) => [...ids].sort().join()
  const isOpen = fast.mode.kind === 'held' || fast.mode.kind === 'reviewing'
  const seen = [
    fast.mode.kind,
    isOpen && 'cueId' in fast.mode ? fast.mode.cueId : '',
    fast.mediaMs,
    fast.furthestMs,
    fast.openMs,
    fast.finished,
    left,
    fast.beside.join(),
    sorted(Object.keys(fast.released)),
    told.join(),
    sorted(Object.values(fast.chosen)),
  ]
  const expected = [
    modes[slow.where],
    isOpen ? slow.at?.cueId : '',
    slow.t,
    slow.played,
    slow.led,
    slow.finished,
    slow.left,
    slow.beside.join(),
    sorted(slow.behind),
    slow.told.join(),
    sorted(slow.ways.values()),
  ]
  if (JSON.stringify(seen) === JSON.stringify(expected)) return
  throw new Error(
    `machine ${JSON.stringify(seen)}\nsimulator ${JSON.stringify(expected)}\nfilm ${JSON.stringify(film)}`,
  )
}
