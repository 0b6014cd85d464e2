// How long each view of results takes the server at 1,000 and at 100 learners on an hour of film.
import pg from 'pg'
import { signedInCookie } from '../support/http.ts'
import type { RealServer } from '../support/server.ts'
import { bigIds, hourOfFilm, putBigClasses } from './bigClass.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

const [LARGE, SMALL] = [1000, 100]

/** Reads as much as any view may: every stretch, answer and visit of the class, told by SQL as three numbers. */
const SCAN = `SELECT
  (SELECT sum(to_ms - from_ms) FROM spans JOIN attempts a ON a.id = attempt_id WHERE a.assignment_id = $1) AS spans,
  (SELECT sum(length(answer::text)) FROM responses JOIN attempts a ON a.id = attempt_id WHERE a.assignment_id = $1) AS responses,
  (SELECT count(*) FROM attempts WHERE assignment_id = $1) AS attempts`

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
  const timesOf = async (path: string) => {
    const ask = async () => {
      const began = performance.now()
      const reply = await fetch(`${server.url}${path}`, { headers: { Cookie: cookie } })
      if (!reply.ok) throw new Error(`${path}: ${reply.status}`)
      await reply.arrayBuffer()
      return performance.now() - began
    }
    await ask()
    return inRounds(ask)
  }
  const scans = await scanTimes(server, bigIds(big.id, LARGE).assignmentId)
  const scanMs = middle(scans)
  const [large, small] = [views(LARGE), views(SMALL)]
  const figures: Figure[] = []
  for (const view of Object.keys(large) as (keyof typeof large)[]) {
    const [many, few] = [await timesOf(large[view]), await timesOf(small[view])]
    figures.push(...figuresOf(view, { many, few, scanMs }))
  }
  figures.push({
    id: 'results.waiting',
    what: 'What waits to be marked, as the home page asks',
    unit: 'ms',
    rounds: await timesOf('/api/marking'),
    aim: { most: 200 },
    limit: 'one scan of the rows',
    isWork: true,
    reference: `over the answers of ${LARGE + SMALL} learners and the demo`,
  })
  return figures
}

function figuresOf(
  view: string,
  { many, few, scanMs }: { many: number[]; few: number[]; scanMs: number },
): Figure[] {
  const id = `results.${view.replace(' ', '-')}`
  const what = `Results, ${view}, ${LARGE} learners on an hour of film`
  const [scan, small] = [`one scan of the same rows in SQL ${scanMs.toFixed(0)} ms`, middle(few)]
  return [
    {
      id,
      what,
      unit: 'ms',
      rounds: many,
      aim: { most: 300 },
      isWork: true,
      limit: 'one scan of the rows',
      reference: scan,
    },
    {
      id: `${id}.scan`,
      what: `${what}, beside one scan of the same rows`,
      unit: 'x',
      rounds: many.map((ms) => ms / scanMs),
      aim: { most: 3 },
      limit: '1 ×',
      reference: scan,
    },
    {
      id: `${id}.growth`,
      what: `${what}, beside ${SMALL} learners`,
      unit: 'x',
      rounds: many.map((ms) => ms / small),
      aim: { most: 11 },
      limit: '10 ×',
      reference: `${SMALL} learners ${small.toFixed(0)} ms`,
    },
  ]
}

async function scanTimes({ settings }: RealServer, assignmentId: string): Promise<number[]> {
  const client = new pg.Client({ connectionString: settings.databaseUrl })
  await client.connect()
  const scan = async () => {
    const began = performance.now()
    await client.query(SCAN, [assignmentId])
    return performance.now() - began
  }
  await scan()
  const rounds = await inRounds(scan)
  await client.end()
  return rounds
}
