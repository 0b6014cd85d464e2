// How long each view of results takes the server at 1,000 and at 100 learners on an hour of film.
import { signedInCookie } from '../support/http.ts'
import type { RealServer } from '../support/server.ts'
import { bigIds, hourOfFilm, putBigClasses } from './bigClass.ts'
import type { Figure } from './figure.ts'

const [LARGE, SMALL] = [1000, 100]
const ROUNDS = 7

const middle = (numbers: readonly number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)]!

export async function measureResults(server: RealServer): Promise<Figure[]> {
  const owner = 'designer@harrowmere.example'
  const big = hourOfFilm()
  await putBigClasses(server.settings, [LARGE, SMALL], owner, big)
  const cookie = await signedInCookie(server.url)
  const views = (size: number) => {
    const { classId, assignmentId } = bigIds(big.id, size)
    const from = `/api/results/assignment/${assignmentId}`
    return {
      standing: `/api/classes/${classId}/assignments/${assignmentId}/standing`,
      'watch map': `${from}/watching`,
      questions: `${from}/questions`,
      ways: `${from}/ways`,
      comparison: `${from}/comparison`,
      'mark book': `/api/classes/${classId}/mark-book`,
    }
  }
  const timeOf = async (path: string) => {
    const times: number[] = []
    for (let round = 0; round < ROUNDS; round += 1) {
      const began = performance.now()
      const reply = await fetch(`${server.url}${path}`, { headers: { Cookie: cookie } })
      if (!reply.ok) throw new Error(`${path}: ${reply.status}`)
      await reply.arrayBuffer()
      times.push(performance.now() - began)
    }
    return middle(times)
  }
  const [large, small] = [views(LARGE), views(SMALL)]
  const figures: Figure[] = []
  for (const view of Object.keys(large) as (keyof typeof large)[]) {
    const [many, few] = [await timeOf(large[view]), await timeOf(small[view])]
    figures.push({
      what: `Results, ${view}, ${LARGE} learners on an hour of film, median of ${ROUNDS}`,
      value: `${many.toFixed(0)} ms = ${(many / few).toFixed(1)} × that of ${SMALL}`,
      reference: `${SMALL} learners ${few.toFixed(0)} ms`,
      aim: 'at most 1000 ms and 12 ×',
    })
  }
  const waiting = await timeOf('/api/marking')
  figures.push({
    what: `What waits to be marked, as the home page asks, median of ${ROUNDS}`,
    value: `${waiting.toFixed(0)} ms`,
    reference: `over the answers of ${LARGE + SMALL} learners and the demo`,
    aim: 'at most 200 ms',
  })
  return figures
}
