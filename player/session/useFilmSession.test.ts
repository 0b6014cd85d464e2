// A sitting with a film, against a video element that does as it is told: what is held, recorded, and shown.
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { noProgress, type LearnerRecord } from '@fernbrake/core/records'
import { cutQuestion } from '@fernbrake/core/questions'
import { edits, type Lesson, type SeekRule } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, PART, withFork, withQuestion } from '@fernbrake/core/testing'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { useAnswers } from './useAnswers.ts'
import { useFilmSession } from './useFilmSession.ts'

const END_MS = 20_000
const FRAME_MS = 40

/** A <video> that plays only as far as a test lets it. */
class FakeVideo extends EventTarget {
  paused = true
  seeking = false
  ended = false
  muted = false
  volume = 1
  playbackRate = 1
  readyState = 4
  error = null
  duration = END_MS / 1000
  #seconds = 0
  /** The frame at the present place has not been reported yet. */
  #isNew = false
  #onFrame: ((now: number, frame: { mediaTime: number }) => void) | null = null

  get currentTime() {
    return this.#seconds
  }
  set currentTime(seconds: number) {
    this.#seconds = seconds
    this.#isNew = true
    this.ended = false
    this.seeking = true
    this.tell('seeking')
    this.seeking = false
    this.tell('seeked')
  }
  tell(name: string) {
    this.dispatchEvent(new Event(name))
  }
  play() {
    this.paused = false
    this.tell('play')
    return Promise.resolve()
  }
  pause() {
    if (this.paused) return
    this.paused = true
    this.tell('pause')
  }
  requestVideoFrameCallback(heard: (now: number, frame: { mediaTime: number }) => void) {
    this.#onFrame = heard
    return 1
  }
  cancelVideoFrameCallback() {}
  removeAttribute() {}
  load() {}

  /** Plays frame by frame up to `untilMs`, or until something pauses it; the clock goes along. */
  run(untilMs: number) {
    const frameNow = Math.floor((this.#seconds * 1000 + 0.01) / FRAME_MS) * FRAME_MS
    for (let ms = frameNow + (this.#isNew ? 0 : FRAME_MS); ms <= untilMs; ms += FRAME_MS) {
      vi.advanceTimersByTime(FRAME_MS / this.playbackRate)
      if (this.paused) return
      if (ms >= END_MS) return this.#end()
      this.#isNew = false
      this.#seconds = ms / 1000
      this.#onFrame?.(0, { mediaTime: ms / 1000 })
    }
  }
  #end() {
    this.#seconds = this.duration
    this.ended = true
    this.paused = true
    this.tell('pause')
    this.tell('ended')
  }
}

const documentLike = Object.assign(new EventTarget(), { visibilityState: 'visible' })
let records: LearnerRecord[]
let video: FakeVideo
/** Who wants to hear that the page goes away. */
const leaving = new Set<() => void>()
type ToldListener = Parameters<Host['onTold']>[0]
const hearers = new Set<ToldListener>()

beforeEach(() => {
  vi.useFakeTimers({ now: Date.parse('2026-03-02T10:00:00Z') })
  vi.stubGlobal('document', documentLike)
  vi.stubGlobal('HTMLMediaElement', { HAVE_CURRENT_DATA: 2 })
  documentLike.visibilityState = 'visible'
  records = []
  leaving.clear()
  hearers.clear()
  video = new FakeVideo()
})

function sit(lesson: Lesson, progress: Partial<OpenedLesson['progress']> = {}) {
  const opened: OpenedLesson = {
    lesson,
    media: [],
    learnerName: 'Odile Harcastle',
    seed: 'seed',
    progress: { ...noProgress(), ...progress },
  }
  const host = {
    record: (record: LearnerRecord) => void records.push(record),
    newId: () => `r${records.length}`,
    flush: () => Promise.resolve(),
    onTold(listener: ToldListener) {
      hearers.add(listener)
      return () => hearers.delete(listener)
    },
    onLeave(listener: () => void) {
      leaving.add(listener)
      return () => leaving.delete(listener)
    },
  } as unknown as Host
  const scope = effectScope()
  return scope.run(() => {
    const session = useFilmSession(host, opened, PART)
    const answers = useAnswers(host, lesson, opened.progress.responses)
    session.attach(video as unknown as HTMLVideoElement)
    return { session, answers, leave: () => scope.stop() }
  })!
}

const spans = () =>
  records.flatMap((record) => (record.kind === 'span' ? [[record.fromMs, record.toMs]] : []))
const lastPlace = () => records.findLast((record) => record.kind === 'place')
const held = () => withQuestion(lessonWithFilm(END_MS), { id: 'a', atMs: 5000, hold: 'answered' })
const ruled = (seekRule: SeekRule) =>
  edited(lessonWithFilm(END_MS), edits.setSeekRule, { partId: PART, seekRule })

describe('a hold', () => {
  it('stands on the frame of its cue, ends the span there, and tells the place', () => {
    const { session } = sit(held())
    session.toggle()
    video.run(9000)
    expect(video.paused).toBe(true)
    expect(Math.floor(video.currentTime * 25)).toBe(125)
    expect(session.state.value.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(spans().at(0)![0]).toBe(0)
    expect(spans().at(-1)![1]).toBe(5000)
    expect(lastPlace()).toMatchObject({ atMs: 5000, released: [] })
  })

  it('cannot be played or jumped past before an answer', () => {
    const { session } = sit(held())
    session.seek(12_000)
    expect(session.isHeld.value).toBe(true)
    void session.play()
    expect(video.paused).toBe(true)
    session.seek(18_000)
    expect(session.mediaMs.value).toBe(5000)
  })

  it('is released by an answer, and stays released in the place that is told', () => {
    const { session, answers } = sit(held())
    session.toggle()
    video.run(9000)
    const result = answers.give(
      { id: 'a', questionId: 'q-a' },
      { kind: 'choice', picked: ['a-b'] },
    )!
    session.dispatch({ kind: 'answered', cueId: 'a', result })
    session.dispatch({ kind: 'dismissed', cueId: 'a' })
    video.run(8000)
    session.pause()
    expect(session.isHeld.value).toBe(false)
    expect(lastPlace()).toMatchObject({ atMs: 8000, released: ['a'] })
    expect(records.filter(({ kind }) => kind === 'response')).toHaveLength(1)
  })
})

describe('a hold until it is right, of a question that only the server can mark', () => {
  const whole = withQuestion(lessonWithFilm(END_MS), { id: 'a', atMs: 5000, hold: 'right' })
  const question = { ...whole.questions['q-a']!, tries: 3 }
  const cut = { ...whole, questions: { 'q-a': cutQuestion(question, 'mix') } }
  const give = ({ session, answers }: ReturnType<typeof sit>, picked: string) => {
    const asked = { id: 'a', questionId: 'q-a' }
    const result = answers.give(asked, { kind: 'choice', picked: [picked] })!
    session.dispatch({ kind: 'answered', cueId: 'a', result })
    return result
  }
  const tell = (verdicts: ('right' | 'wrong')[]) => {
    const responses = verdicts.map((verdict, index) => ({
      cueId: 'a',
      questionId: 'q-a',
      tryNumber: index + 1,
      verdict,
      points: 0,
      answer: { kind: 'choice' as const, picked: ['as-found-1'] },
    }))
    hearers.forEach((hear) => hear({ questions: [], responses, judged: null }))
  }
  const goOn = ({ session }: ReturnType<typeof sit>) => {
    session.dispatch({ kind: 'dismissed', cueId: 'a' })
    return !session.isHeld.value
  }

  it('lets go once the server has said that it was right, and not before', () => {
    const sitting = sit(cut)
    sitting.session.toggle()
    video.run(9000)
    expect(give(sitting, 'as-found-2')).toMatchObject({ right: false, pending: true })
    expect(goOn(sitting)).toBe(false)
    tell(['wrong'])
    expect(goOn(sitting)).toBe(false)
    give(sitting, 'as-found-1')
    expect(goOn(sitting)).toBe(false)
    tell(['wrong', 'right'])
    expect(goOn(sitting)).toBe(true)
  })
})

describe('what was watched', () => {
  it('is everything played, from the frame that stood still, without what was jumped over', () => {
    const { session } = sit(lessonWithFilm(END_MS))
    session.toggle()
    video.run(2000)
    session.seek(10_000)
    video.run(12_000)
    session.pause()
    expect(session.covered.value).toEqual([
      { fromMs: 0, toMs: 2000 },
      { fromMs: 10_000, toMs: 12_000 },
    ])
  })

  it('is handed over every few seconds, so that a dead battery takes little', () => {
    const { session } = sit(lessonWithFilm(END_MS))
    session.toggle()
    video.run(16_000)
    expect(spans().length).toBeGreaterThanOrEqual(3)
    expect(spans().at(-1)![1]).toBeGreaterThan(14_000)
  })

  it('says when it ran muted, and does not count in a hidden tab', () => {
    const { session } = sit(lessonWithFilm(END_MS))
    session.toggle()
    video.run(2000)
    documentLike.visibilityState = 'hidden'
    documentLike.dispatchEvent(new Event('visibilitychange'))
    session.setMuted(true)
    video.run(4000)
    session.pause()
    const last = records.findLast((record) => record.kind === 'span')
    expect(last).toMatchObject({ hidden: true, muted: true })
    expect(session.covered.value).toEqual([{ fromMs: 0, toMs: 2000 }])
  })

  it('is closed when the page is left', () => {
    const { session, leave } = sit(lessonWithFilm(END_MS))
    session.toggle()
    video.run(3000)
    leave()
    expect(spans().at(-1)![1]).toBe(3000)
    expect(lastPlace()).toMatchObject({ atMs: 3000 })
  })
})

describe('going on', () => {
  it('takes up where the last sitting left off, and finishes once', () => {
    const { session } = sit(lessonWithFilm(END_MS), { partId: PART, atMs: 12_480 })
    expect(Math.floor(video.currentTime * 25)).toBe(312)
    session.toggle()
    video.run(END_MS)
    expect(session.state.value.mode.kind).toBe('ended')
    expect(records.filter(({ kind }) => kind === 'finish')).toHaveLength(1)
    expect(session.covered.value.at(-1)!.toMs).toBe(END_MS)
  })

  it('begins again after the end', () => {
    const { session } = sit(ruled('none'))
    session.toggle()
    video.run(END_MS)
    session.toggle()
    video.run(1000)
    expect(session.mediaMs.value).toBe(1000)
    expect(session.state.value.mode.kind).toBe('free')
  })

  it('keeps to the seek rule, whoever asks for the jump', () => {
    const { session } = sit(ruled('backOnly'))
    session.toggle()
    video.run(4000)
    session.seek(15_000)
    expect(session.mediaMs.value).toBe(4000)
    // A key of the keyboard's media row goes to the element itself.
    video.currentTime = 16
    expect(video.currentTime).toBeLessThan(4.1)
    session.seek(1000)
    expect(session.mediaMs.value).toBe(1000)
  })

  it('asks for a gesture where the browser refuses to play', async () => {
    const { session } = sit(lessonWithFilm(END_MS))
    video.play = () => Promise.reject(new DOMException('no gesture', 'NotAllowedError'))
    await session.play()
    expect(session.needsGesture.value).toBe(true)
  })
})

describe('forks', () => {
  const forked = () =>
    withFork(lessonWithFilm(END_MS), {
      id: 'f',
      atMs: 4000,
      rules: { countdownMs: 3000, defaultChoice: 'far' },
      ways: [
        { id: 'on', target: { to: 'on' } },
        { id: 'far', target: { to: 'time', atMs: 15_000 } },
      ],
    })

  it('hold on their frame, lead on, and the way is recorded', () => {
    const { session } = sit(forked())
    session.toggle()
    video.run(9000)
    expect(session.mediaMs.value).toBe(4000)
    session.dispatch({ kind: 'chose', cueId: 'f', choiceId: 'far' })
    expect(session.mediaMs.value).toBe(15_000)
    expect(records.filter(({ kind }) => kind === 'choice')).toMatchObject([
      { cueId: 'f', choiceId: 'far' },
    ])
    video.run(16_000)
    session.pause()
    expect(spans().at(-1)).toEqual([15_000, 16_000])
  })

  it('a way taken in an earlier sitting is known', () => {
    const { session, leave } = sit(forked(), { partId: PART, atMs: 16_000, chosen: { f: 'far' } })
    expect(session.mediaMs.value).toBe(16_000)
    leave()
    expect(sit(forked(), { partId: PART, atMs: 16_000 }).session.mediaMs.value).toBe(4000)
  })
})

it('a click on an overlay stops the film, or leads it on', () => {
  const { session } = sit(lessonWithFilm(END_MS))
  session.toggle()
  video.run(2000)
  session.act({ does: 'time', atMs: 8000, pauses: false })
  expect(session.mediaMs.value).toBe(8000)
  expect(session.snapshot.value.paused).toBe(false)
  session.act({ does: 'text', text: 'A windlass', pauses: true })
  expect(session.snapshot.value.paused).toBe(true)
})

describe('a page that goes away', () => {
  const leavePage = () => leaving.forEach((listener) => listener())

  it('while the film plays has recorded all that was watched, and the place', async () => {
    const { session } = sit(lessonWithFilm(END_MS))
    await session.play()
    video.run(12_960)
    leavePage()
    expect(spans().at(-1)![1]).toBe(12_960)
    expect(lastPlace()).toMatchObject({ atMs: 12_960 })
  })

  it('and comes back goes on where it was, and counts nothing twice', async () => {
    const { session } = sit(lessonWithFilm(END_MS))
    await session.play()
    video.run(2000)
    leavePage()
    leavePage()
    video.run(3000)
    session.pause()
    expect(spans()).toEqual([
      [0, 2000],
      [2000, 3000],
    ])
  })

  it('is not heard of by a film that is closed', () => {
    const { leave } = sit(lessonWithFilm(END_MS))
    leave()
    const before = records.length
    leavePage()
    expect(records).toHaveLength(before)
  })
})

it('counts no time in a film while nothing runs out', async () => {
  const { session } = sit(lessonWithFilm(END_MS))
  await session.play()
  video.run(1000)
  expect(vi.getTimerCount()).toBe(0)
})
