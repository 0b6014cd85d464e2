// The marking desk against a server that is slow, away, or has another's mark already.
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { GivenMark, Pile } from '@fernbrake/core/contract'
import { blankBase, blankQuestion } from '@fernbrake/core/questions'
import { useDesk } from './useDesk.ts'

const server = vi.hoisted(() => ({
  pile: null as unknown as Pile,
  away: false,
  /** Marks wait until they are let through. */
  gate: Promise.resolve(),
  given: [] as object[],
}))
const kept = new Map<string, string>()
let storageWorks = true

vi.mock('../api/client.ts', async (original) => {
  const { ApiError } = await original<typeof import('../api/client.ts')>()
  type Given = Pick<GivenMark, 'points' | 'levels' | 'comment' | 'revision'> & {
    responseId: string
  }
  async function saveMark(body: Given): Promise<GivenMark> {
    await server.gate
    if (server.away) throw new ApiError(0, null)
    server.given.push(body)
    const answer = server.pile.answers.find(({ responseId }) => responseId === body.responseId)!
    const type = 'urn:fernbrake:problem:mark-changed'
    if ((answer.mark?.revision ?? 0) !== body.revision)
      throw new ApiError(409, { type, title: 'Marked', status: 409, detail: '' })
    const { points, levels, comment } = body
    answer.mark = markOf(points, body.revision + 1, { levels, comment })
    return answer.mark
  }
  return {
    ApiError,
    call: (name: string, { body }: { body: Given }) =>
      name === 'saveMark' ? saveMark(body) : Promise.resolve(structuredClone(server.pile)),
  }
})

const markOf = (points: number, revision: number, more: object = {}): GivenMark => ({
  points,
  revision,
  verdict: 'partly',
  levels: null,
  comment: '',
  by: 'Somebody',
  at: '2026-03-02T10:00:00.000Z',
  releasedAt: null,
  ...more,
})
const answerOf = (id: string, mark: GivenMark | null = null): Pile['answers'][number] => ({
  attemptId: `of-${id}`,
  responseId: id,
  questionId: 'q',
  asked: '1/q',
  tryNumber: 1,
  learner: { number: 1, name: id },
  answer: { kind: 'longText', text: id },
  text: id,
  files: [],
  isDoubtful: false,
  answeredAt: '2026-03-01T10:00:00.000Z',
  verdict: 'unmarked',
  points: 0,
  mark,
})

beforeEach(() => {
  kept.clear()
  storageWorks = true
  const question = blankQuestion('longText', { ...blankBase('q'), points: 4 }, () => 'x')
  Object.assign(server, { away: false, gate: Promise.resolve(), given: [] })
  server.pile = {
    title: 'Water',
    classTitle: null,
    tellsFrom: null,
    order: ['q'],
    comments: [],
    questions: { '1/q': question },
    answers: [answerOf('a', markOf(2, 1)), answerOf('b'), answerOf('c')],
  }
  const refuse = () => {
    throw new Error('refused')
  }
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => (storageWorks ? (kept.get(key) ?? null) : refuse()),
    setItem: (key: string, text: string) => void (storageWorks ? kept.set(key, text) : refuse()),
    removeItem: (key: string) => void (storageWorks ? kept.delete(key) : refuse()),
  })
})

async function openDesk(personId = 'me') {
  const desk = useDesk('assignment', 'spring', personId)
  await desk.reload()
  await nextTick()
  return desk
}
type Desk = Awaited<ReturnType<typeof openDesk>>
const write = (desk: Desk, points: string) =>
  desk.keepDraft(desk.open.value!, { ...desk.draftOf(desk.open.value!), points })
const mark = (points: number) => ({ points, levels: null, comment: '' })

describe('the desk', () => {
  it('opens with the first answer that waits, and goes on to the next', async () => {
    const desk = await openDesk()
    expect(desk.open.value?.responseId).toBe('b')
    expect(await desk.save(mark(3))).toBe(true)
    desk.goOn()
    expect(desk.open.value?.responseId).toBe('c')
    expect(desk.counts.value).toMatchObject({ marked: 2, all: 3, untold: 2, told: 0 })
  })

  it('stays where it is while a mark is on its way', async () => {
    const desk = await openDesk()
    let letThrough = () => {}
    server.gate = new Promise((resolve) => (letThrough = resolve))
    const saving = desk.save(mark(3))
    desk.step(1)
    desk.go('a')
    expect(desk.open.value?.responseId).toBe('b')
    // Pressed again meanwhile, it is sent once.
    expect(await desk.save(mark(3))).toBe(false)
    letThrough()
    expect(await saving).toBe(true)
    expect(server.given).toHaveLength(1)
    desk.step(1)
    expect(desk.open.value?.responseId).toBe('c')
  })

  it('keeps what is written while the server is away, and gives it later', async () => {
    const desk = await openDesk()
    write(desk, '3')
    server.away = true
    expect(await desk.save(mark(3))).toBe(false)
    expect(desk.fault.value).toMatchObject({ status: 0 })
    const again = await openDesk()
    expect(again.draftOf(again.open.value!)).toMatchObject({ points: '3', revision: 0 })
    server.away = false
    expect(await again.save(mark(3))).toBe(true)
    again.go('b')
    expect(again.draftOf(again.open.value!)).toMatchObject({ points: '3', revision: 1 })
    expect(kept.size).toBe(0)
  })

  it('shows another’s mark beside what was written; given again, it takes its place', async () => {
    const desk = await openDesk()
    write(desk, '3')
    server.pile.answers[1]!.mark = markOf(1, 1)
    expect(await desk.save(mark(3))).toBe(false)
    expect(desk.open.value?.mark).toMatchObject({ points: 1, revision: 1 })
    // What was begun before their mark says so, also after the page was opened anew.
    const again = await openDesk()
    again.go('b')
    expect(again.draftOf(again.open.value!)).toMatchObject({ points: '3', revision: 0 })
    expect(await again.save(mark(3))).toBe(true)
    expect(server.pile.answers[1]!.mark).toMatchObject({ points: 3, revision: 2 })
  })

  it('shows nobody the drafts of somebody else on the same device', async () => {
    write(await openDesk('me'), '3')
    const theirs = await openDesk('they')
    expect(theirs.draftOf(theirs.open.value!).points).toBe('')
  })

  it('holds drafts as long as the page lives where storage is refused', async () => {
    storageWorks = false
    const desk = await openDesk()
    write(desk, '3')
    desk.step(1)
    desk.step(-1)
    expect(desk.draftOf(desk.open.value!).points).toBe('3')
    expect(await desk.save(mark(3))).toBe(true)
    desk.go('b')
    expect(desk.draftOf(desk.open.value!)).toMatchObject({ points: '3', revision: 1 })
  })

  it.each(['{', 'null', '{"points":7}', '[]'])(
    'is not misled by a broken draft: %s',
    async (text) => {
      const desk = await openDesk()
      kept.set('fernbrake-mark me of-b b', text)
      expect(desk.draftOf(desk.open.value!)).toEqual({
        points: '',
        levels: null,
        comment: '',
        revision: 0,
      })
    },
  )
})
