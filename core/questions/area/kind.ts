// What a question for a place can do.
import { inOrder, plainOf } from '../../fields/index.ts'
import { issueAt, mistakeOf, oneOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { underNames } from '../options.ts'
import { answerOf, listOfIds, ownOf } from '../reading.ts'
import { shuffled } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import { isWithin, middleOf, TOUCH_TOLERANCE } from './geometry.ts'
import type { AreaAnswer, AreaPlace, AreaPoint, AreaQuestion, AreaShape } from './schema.ts'

export const placesInOrder = ({ places }: Pick<AreaQuestion, 'places'>): AreaPlace[] =>
  inOrder(Object.values(places))

/** The place that a point shows: one it lies in before one it is only near to, right ones first. */
export function placeAt(
  question: Pick<AreaQuestion, 'places'>,
  point: AreaPoint,
): AreaPlace | null {
  const places = placesInOrder(question).sort((a, b) => Number(b.right) - Number(a.right))
  const inside = places.find(({ shape }) => isWithin(shape, point))
  return inside ?? places.find(({ shape }) => isWithin(shape, point, TOUCH_TOLERANCE)) ?? null
}

/**
 * The places that several points show, each for as many as can be: a point that lies in two right places counts for the one
 * that no other point shows (augmenting paths, Kuhn 1955). What is named is shown already.
 */
function placesShown(
  question: Pick<AreaQuestion, 'places'>,
  points: readonly AreaPoint[],
  named: readonly string[],
): string[] {
  const open = placesInOrder(question).filter(({ id, right }) => right && !named.includes(id))
  /** The right places of each point: those it lies in, or where there are none, those it is only near to. */
  const near = points.map((point) => {
    const inside = open.filter(({ shape }) => isWithin(shape, point))
    return inside.length > 0
      ? inside
      : open.filter(({ shape }) => isWithin(shape, point, TOUCH_TOLERANCE))
  })
  const pointOf = new Map<string, number>()
  const give = (point: number, tried: Set<string>): boolean =>
    near[point]!.some(({ id }) => {
      if (tried.has(id)) return false
      tried.add(id)
      const other = pointOf.get(id)
      if (other !== undefined && !give(other, tried)) return false
      pointOf.set(id, point)
      return true
    })
  points.forEach((_, point) => give(point, new Set()))
  const given = new Set(pointOf.values())
  const rest = points.flatMap((point, at) =>
    given.has(at) ? [] : (placeAt(question, point)?.id ?? []),
  )
  return [...pointOf.keys(), ...rest]
}

/** How many points a learner sets: one, or as many as there are right places. */
export function pointsAsked(question: Pick<AreaQuestion, 'places' | 'all' | 'asked'>): number {
  if (question.asked !== undefined) return question.asked
  const rights = Object.values(question.places).filter(({ right }) => right).length
  return question.all ? Math.max(1, rights) : 1
}

function readPoints(answer: unknown): AreaPoint[] | null {
  const points = answerOf(answer, 'area')?.points
  if (!Array.isArray(points)) return null
  const isPoint = (point: unknown): point is AreaPoint =>
    typeof point === 'object' &&
    point !== null &&
    [(point as AreaPoint).x, (point as AreaPoint).y].every((n) => Number.isFinite(n))
  return points.every(isPoint) ? points : null
}

/** Where a place lies is as good as what is right; so all of them lie here. */
const NOWHERE: AreaShape = { shape: 'rectangle', x: 0, y: 0, width: 0, height: 0 }

/** The places as a list of names has them. */
export function placesMixed(question: AreaQuestion, seed: string): AreaPlace[] {
  const places = placesInOrder(question)
  return question.cut ? places : shuffled(places, mixOf(question, seed))
}

export const area: QuestionKind<AreaQuestion, AreaAnswer> = {
  graded: true,
  byPerson: false,
  mended: false,
  /** Each right place counts once; points beyond those asked for earn nothing at all. */
  mark(question, answer) {
    const points = readPoints(answer) ?? []
    const named = listOfIds(answerOf(answer, 'area')?.named) ?? []
    const asked = pointsAsked(question)
    const shown = new Set([
      ...placesShown(question, points.slice(0, asked + 1), named),
      ...named.slice(0, asked + 1),
    ])
    const perPart = placesInOrder(question).map(({ id, right }) => ({
      id,
      picked: shown.has(id),
      right,
    }))
    const hits = perPart.filter(({ picked, right }) => picked && right).length
    const share = points.length + named.length > asked ? 0 : hits / asked
    return markOf(question, share, perPart)
  },
  fits(question, { points, named = [] }) {
    const count = points.length + named.length
    const isKnown = (id: string) => Object.hasOwn(question.places, id)
    return (
      count > 0 &&
      count <= pointsAsked(question) &&
      named.every(isKnown) &&
      new Set(named).size === named.length
    )
  },
  readable: (question, { points, named = [] }) =>
    [
      ...points.map((point) => {
        const percent = (share: number) => `${Math.round(share * 100)} %`
        // Of a question that was cut it is not known which place lies where.
        const place = question.cut ? null : placeAt(question, point)
        return place?.label || `${percent(point.x)}, ${percent(point.y)}`
      }),
      ...named.flatMap((id) => ownOf(question.places, id)?.label ?? []),
    ].join('; '),
  texts: (question) => placesInOrder(question).map(({ label }) => plainOf(label)),
  media: ({ mediaId }) => (mediaId === null ? [] : [mediaId]),
}

export const areaMaking: QuestionMaking<AreaQuestion, AreaAnswer> = {
  blank: (base) => ({ ...base, kind: 'area', mediaId: null, places: {}, all: false }),
  findWhatCannotBeAsked(question) {
    const places = placesInOrder(question)
    if (!places.some(({ right }) => right))
      return [issueAt('places', 'question.noRightPlace', 'No right place is drawn.')]
    return places.some(({ label }) => label.trim() === '')
      ? [issueAt('places', 'question.placeWithoutWords', 'A place is not named in words.')]
      : []
  },
  cut(question, { nameOf, mix }) {
    const found = placesMixed({ ...question, mix }, '')
    const hidden = { shape: NOWHERE, right: false, feedback: '' }
    const places = underNames(found, nameOf, ({ label }) => ({ label, ...hidden }))
    return { ...question, places, asked: pointsAsked(question) }
  },
  hiding: {
    ids: (question, mix) => placesMixed({ ...question, mix }, '').map(({ id }) => [id]),
    renamed: ({ named, ...answer }, rename) =>
      named ? { ...answer, named: named.map(rename) } : answer,
    inParts: true,
  },
  draw(question, right, chance) {
    const places = placesInOrder(question)
    const rights = places.filter((place) => place.right)
    const points = rights.slice(0, pointsAsked(question)).map(({ shape }) => middleOf(shape))
    if (right && points.length > 0) return { kind: 'area', points }
    const wrongs = places.filter((place) => !place.right)
    const usual = wrongs.length > 0 ? middleOf(oneOf(wrongs, chance).shape) : corner(chance)
    const missed = mistakeOf(
      [usual, ...CORNERS],
      (point) => placeAt(question, point)?.right ?? false,
    )
    return { kind: 'area', points: [missed, ...points.slice(1)] }
  },
  harder: () => 0.2,
  pointsAtFrame: ({ mediaId }) => mediaId === null,
  holdsCut: ({ asked }) => asked !== undefined,
}

const CORNERS: readonly AreaPoint[] = [0.02, 0.98].flatMap((x) =>
  [0.02, 0.98].map((y) => ({ x, y })),
)

/** Somewhere near a corner, where right places seldom lie. */
function corner(chance: { next(): number }): AreaPoint {
  return { x: chance.next() < 0.5 ? 0.02 : 0.98, y: chance.next() < 0.5 ? 0.02 : 0.98 }
}
