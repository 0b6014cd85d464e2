// What a question for a place can do.
import { inOrder, plainOf } from '../../fields/index.ts'
import { issueAt, oneOf, type QuestionKind } from '../kind.ts'
import { markOf } from '../mark.ts'
import { answerOf } from '../reading.ts'
import { isWithin, middleOf, TOUCH_TOLERANCE } from './geometry.ts'
import type { AreaAnswer, AreaPlace, AreaPoint, AreaQuestion } from './schema.ts'

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

/** How many points a learner sets: one, or as many as there are right places. */
export function pointsAsked(question: Pick<AreaQuestion, 'places' | 'all'>): number {
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

export const area: QuestionKind<AreaQuestion, AreaAnswer> = {
  graded: true,
  byPerson: false,
  mended: false,
  blank: (base) => ({ ...base, kind: 'area', mediaId: null, places: {}, all: false }),
  /** Each right place counts once; points beyond those asked for earn nothing at all. */
  mark(question, answer) {
    const points = readPoints(answer) ?? []
    const asked = pointsAsked(question)
    const shown = new Set(
      points.slice(0, asked + 1).flatMap((point) => placeAt(question, point)?.id ?? []),
    )
    const perPart = placesInOrder(question).map(({ id, right }) => ({
      id,
      picked: shown.has(id),
      right,
    }))
    const hits = perPart.filter(({ picked, right }) => picked && right).length
    const share = points.length > asked ? 0 : hits / asked
    return markOf(question, share, perPart)
  },
  fits: (question, { points }) => points.length > 0 && points.length <= pointsAsked(question),
  readable: (question, { points }) =>
    points
      .map((point) => {
        const percent = (share: number) => `${Math.round(share * 100)} %`
        return placeAt(question, point)?.label || `${percent(point.x)}, ${percent(point.y)}`
      })
      .join('; '),
  findWhatCannotBeAsked(question) {
    const places = placesInOrder(question)
    if (!places.some(({ right }) => right))
      return [issueAt('places', 'question.noRightPlace', 'No right place is drawn.')]
    return places.some(({ label }) => label.trim() === '')
      ? [issueAt('places', 'question.placeWithoutWords', 'A place is not named in words.')]
      : []
  },
  texts: (question) => placesInOrder(question).map(({ label }) => plainOf(label)),
  media: ({ mediaId }) => (mediaId === null ? [] : [mediaId]),
  draw(question, right, chance) {
    const places = placesInOrder(question)
    const rights = places.filter((place) => place.right)
    const points = rights.slice(0, pointsAsked(question)).map(({ shape }) => middleOf(shape))
    if (right && points.length > 0) return { kind: 'area', points }
    const wrongs = places.filter((place) => !place.right)
    const missed = wrongs.length > 0 ? middleOf(oneOf(wrongs, chance).shape) : corner(chance)
    return { kind: 'area', points: [missed, ...points.slice(1)] }
  },
}

/** Somewhere near a corner, where right places seldom lie. */
function corner(chance: { next(): number }): AreaPoint {
  return { x: chance.next() < 0.5 ? 0.02 : 0.98, y: chance.next() < 0.5 ? 0.02 : 0.98 }
}
