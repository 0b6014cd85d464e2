// Answers to every kind of question as they reach the server: taken and marked, refused where they do not fit, counted.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { edits, MOST_NEW_IDS, runEdit, type Lesson } from '@fernbrake/core/lesson'
import {
  drawAnswer,
  filesOfAnswer,
  isByPerson,
  isGraded,
  QUESTION_KINDS,
  type Answer,
  type QuestionKindName,
} from '@fernbrake/core/questions'
import { edited, filmOf, lessonWithFilm, PART } from '@fernbrake/core/testing'
import { HandedFileRow } from '../database/models.ts'
import {
  hoursAgo,
  goInAsGuest,
  putLesson,
  putMedia,
  startTestServer,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let designer: Awaited<ReturnType<TestServer['signedIn']>>
let lesson: Lesson
let put: { lessonId: string; code: string }

/** A lesson with a question of every kind, each with something to be right about. */
function everyKind(): Lesson {
  let made = lessonWithFilm(60_000)
  for (const [index, kind] of QUESTION_KINDS.entries()) {
    const optionIds = Array.from({ length: MOST_NEW_IDS }, (_, at) => `${kind}-${at}`)
    const ids = { cueId: `cue-${kind}`, questionId: kind, optionIds }
    made = edited(made, edits.addQuestion, { ...ids, kind, partId: PART, atMs: index * 1000 })
  }
  made = edited(made, edits.setHold, {
    cueId: 'cue-trueFalse',
    hold: 'answered',
    countdownMs: 10_000,
  })
  const set = (questionId: string, rules: object) =>
    (made = edited(made, edits.setQuestionRules, { questionId, rules: rules as never }))
  set('gaps', { passage: 'The [gate] holds, the [paddle] lets through.' })
  set('number', { value: 100, unit: 'm³' })
  const place = { shape: 'rectangle', x: 0.4, y: 0.4, width: 0.2, height: 0.2 }
  made = edited(made, edits.addEntries, {
    questionId: 'area',
    path: ['places'],
    entries: [{ id: 'place', label: 'The sill', shape: place, right: true, feedback: '' }],
  })
  return edited(made, edits.setEntry, {
    questionId: 'shortText',
    path: ['listed'],
    entryId: 'shortText-0',
    change: { text: 'windlass' },
  })
}

beforeAll(async () => {
  server = await startTestServer()
  designer = await server.signedIn('designer')
  lesson = everyKind()
  put = await putLesson(designer.person, lesson)
})
afterAll(() => server.stop())

const goIn = () => goInAsGuest(server, put.code, 'Piet Rushmoor')

const answering = (questionId: string, answer: unknown, id = nanoid()) => ({
  kind: 'response',
  id,
  cueId: `cue-${questionId}`,
  questionId,
  answer,
  answeredAt: hoursAgo(10),
})
const rightOf = (kind: QuestionKindName): Answer =>
  drawAnswer(lesson.questions[kind]!, true, { next: () => 0 })

async function sendTo(
  { agent, attemptId }: Awaited<ReturnType<typeof goIn>>,
  records: object[],
  status = 200,
) {
  const { body } = await agent
    .post(`/api/attempts/${attemptId}/records`)
    .send({ records })
    .expect(status)
  return body
}

describe('an answer', () => {
  it('to each kind is marked by the server, and a repeat changes nothing', async () => {
    const learner = await goIn()
    // How files get there is tested with them.
    for (const questionId of ['upload', 'recording'] as const)
      await HandedFileRow.bulkCreate(
        filesOfAnswer(rightOf(questionId)).map((id) => ({
          attemptId: learner.attemptId,
          id,
          questionId,
          name: 'Sketch.png',
          contentType: 'image/png',
          bytes: 1,
          storageKey: 'none',
        })),
      )
    const records = QUESTION_KINDS.map((kind) => answering(kind, rightOf(kind)))
    for (let time = 0; time < 2; time += 1)
      expect((await sendTo(learner, records)).kept).toHaveLength(QUESTION_KINDS.length)
    const attempt = (await learner.agent.get(`/api/attempts/${learner.attemptId}`)).body
    expect(attempt.progress.responses).toHaveLength(QUESTION_KINDS.length)
    for (const { questionId, verdict } of attempt.progress.responses) {
      const question = lesson.questions[questionId]!
      const judged = isGraded(question) && !isByPerson(question)
      expect([questionId, verdict]).toEqual([questionId, judged ? 'right' : 'unmarked'])
    }
  })

  it('given after its time ran out is refused, with a reason; just in time it counts', async () => {
    const late = (waitedMs: number) => ({
      ...answering('trueFalse', { kind: 'trueFalse', value: true }),
      waitedMs,
    })
    const learner = await goIn()
    expect((await sendTo(learner, [late(20_000)])).refused).toMatchObject([{ code: 'tooLate' }])
    expect((await sendTo(learner, [late(10_100)])).kept).toHaveLength(1)
  })

  it.each(QUESTION_KINDS)('of another shape than %s is refused, with a reason', async (kind) => {
    const learner = await goIn()
    const other = QUESTION_KINDS.find((one) => one !== kind)!
    const { kept, refused } = await sendTo(learner, [answering(kind, rightOf(other))])
    expect(kept).toEqual([])
    expect(refused).toMatchObject([{ code: 'wrongAnswerKind' }])
  })

  it.each([
    ['poll', { kind: 'poll', picked: ['poll-0', 'poll-1'] }],
    ['poll', { kind: 'poll', picked: ['choice-0'] }],
    ['scale', { kind: 'scale', value: 6 }],
    ['order', { kind: 'order', ids: ['order-0'] }],
    ['match', { kind: 'match', matched: { 'match-0': 'nobody' } }],
    ['gaps', { kind: 'gaps', filled: { 3: 'gate' } }],
    ['checklist', { kind: 'checklist', ticked: ['choice-0'] }],
    ['recap', { kind: 'recap', picks: { nobody: [] } }],
    ['area', { kind: 'area', points: [] }],
  ])('to %s that names what is not there is refused: %j', async (kind, answer) => {
    const { refused } = await sendTo(await goIn(), [answering(kind, answer)])
    expect(refused).toMatchObject([{ code: 'wrongAnswerKind' }])
  })

  it.each([
    ['shortText', { kind: 'shortText', text: 'x'.repeat(10_000) }],
    ['number', { kind: 'number', text: '1'.repeat(101) }],
    ['gaps', { kind: 'gaps', filled: { 1: 'x'.repeat(101) } }],
    ['longText', { kind: 'longText', text: 'x'.repeat(10_001) }],
    ['longText', { kind: 'longText', text: 'a\u0000b' }],
    ['scale', { kind: 'scale', value: 1.5 }],
    ['area', { kind: 'area', points: [{ x: 2, y: 0 }] }],
    ['choice', { kind: 'choice', picked: ['choice-0'], right: true }],
    ['choice', { kind: 'essay', text: 'x' }],
  ])(
    'to %s that is none is a problem to be read, and nothing is stored: %#',
    async (kind, answer) => {
      const learner = await goIn()
      const problem = await sendTo(learner, [answering(kind, answer)], 422)
      expect(problem.issues.length).toBeGreaterThan(0)
      const attempt = (await learner.agent.get(`/api/attempts/${learner.attemptId}`)).body
      expect(attempt.progress.responses).toEqual([])
    },
  )
})

it('a picture that only a question shows is told as used, and can be replaced', async () => {
  const [picture, other] = [await putMedia(designer.person), await putMedia(designer.person)]
  // The film of the lesson is theirs too, or no edit would be taken.
  await putMedia(designer.person, filmOf(lesson).mediaId!)
  const { agent } = designer
  const { lessonId } = await putLesson(designer.person, lesson, { published: false })
  const change = (mediaId: string) => ({ questionId: 'area', rules: { mediaId } as never })
  const outcome = runEdit(lesson, edits.setQuestionRules, change(picture))
  const { name, patches } = outcome.ok ? outcome.made : { name: '', patches: [] }
  await agent
    .patch(`/api/lessons/${lessonId}/draft`)
    .send({ revision: 0, edits: [{ id: nanoid(), name, patches }] })
    .expect(200)
  const { body } = await agent.get(`/api/media/${picture}/uses`).expect(200)
  expect(body.lessons).toMatchObject([{ id: lessonId, draft: true }])
  await agent.post(`/api/media/${picture}/replacement`).send({ by: other }).expect(200)
  const draft = (await agent.get(`/api/lessons/${lessonId}`).expect(200)).body
  expect(draft.lesson.questions.area.mediaId).toBe(other)
})

describe('how all have answered', () => {
  const tallyFor = ({ agent, attemptId }: Awaited<ReturnType<typeof goIn>>, questionId: string) =>
    agent.get(`/api/attempts/${attemptId}/tallies/${questionId}`)

  it('is told to whoever has answered too, with each learner’s newest answer', async () => {
    const [one, other] = [await goIn(), await goIn()]
    const before = (await tallyFor(one, 'scale')).status
    await sendTo(one, [answering('scale', { kind: 'scale', value: 2 })])
    const alone = (await tallyFor(one, 'scale').expect(200)).body
    await sendTo(other, [answering('scale', { kind: 'scale', value: 5 })])
    const both = (await tallyFor(one, 'scale').expect(200)).body
    await tallyFor({ ...one, agent: other.agent }, 'scale').expect(404)
    expect(before).toBe(404)
    expect(both.answered).toBe(alone.answered + 1)
    expect(both.counts['5'] ?? 0).toBe((alone.counts['5'] ?? 0) + 1)
  })

  it('is nobody’s business where it is not asked, or not shown', async () => {
    const learner = await goIn()
    await sendTo(learner, [answering('choice', rightOf('choice'))])
    await tallyFor(learner, 'choice').expect(404)
    await tallyFor(learner, 'nobody').expect(404)
    const quiet = edited(lesson, edits.setQuestionRules, {
      questionId: 'poll',
      rules: { resultsFor: 'nobody' } as never,
    })
    put = await putLesson(designer.person, quiet)
    const hidden = await goIn()
    await sendTo(hidden, [answering('poll', rightOf('poll'))])
    await tallyFor(hidden, 'poll').expect(404)
  })

  it('reaches the designer in the results', async () => {
    const learner = await goIn()
    await sendTo(learner, [answering('poll', { kind: 'poll', picked: ['poll-1'] })])
    const { body } = await designer.agent.get(`/api/lessons/${put.lessonId}/results`).expect(200)
    const poll = body.questions.find((one: { questionId: string }) => one.questionId === 'poll')
    expect(poll).toMatchObject({ judged: false, right: 0 })
    expect(poll.counts['poll-1']).toBeGreaterThanOrEqual(1)
  })
})
