// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { createSSRApp, effectScope, nextTick, ref, shallowRef } from 'vue'
import { createHearing, STAGE_PACE, useInStep, type StagePace } from './stagePace.ts'

/** An audio element as far as it is asked here. */
class FakeMedia {
  paused = true
  seeking = false
  readyState = 4
  currentTime = 0
  playbackRate = 1
  refuses = false
  jumps = 0
  play(): Promise<void> {
    if (this.refuses) return Promise.reject(new DOMException('no', 'NotAllowedError'))
    this.paused = false
    return Promise.resolve()
  }
  pause(): void {
    this.paused = true
  }
}

function stage(startMs = 0) {
  const [mediaMs, playing, rate] = [ref(0), ref(false), ref(1)]
  const pace = { mediaMs, playing, rate, muted: ref(false) } as unknown as StagePace
  const media = new FakeMedia()
  const element = shallowRef(media as unknown as HTMLMediaElement)
  const app = createSSRApp({})
  app.provide(STAGE_PACE, pace)
  const scope = effectScope()
  const step = app.runWithContext(() =>
    scope.run(() => useInStep(element, () => ({ fromMs: 10_000, startMs }))),
  )!
  step.lengthMs.value = 8000
  const to = async (ms: number, is = true) => {
    mediaMs.value = ms
    playing.value = is
    await nextTick()
    await nextTick()
  }
  return { media, step, to, rate, scope }
}

describe('what runs in step with the film', () => {
  it('begins and stands with it, and goes at its speed', async () => {
    const { media, to, rate } = stage()
    await to(9000)
    expect(media.paused).toBe(true)
    await to(10_040)
    expect(media.paused).toBe(false)
    rate.value = 1.5
    await to(10_080)
    expect(media.playbackRate).toBe(1.5)
    await to(10_080, false)
    expect(media.paused).toBe(true)
    await to(18_500)
    expect(media.paused).toBe(true)
  })

  it('jumps where the film jumps, to its own place', async () => {
    const { media, to } = stage()
    await to(10_000)
    await to(14_000)
    expect(media.currentTime).toBe(4)
    await to(12_000, false)
    expect(media.currentTime).toBe(2)
  })

  it('waits for its data instead of jumping after the film', async () => {
    const { media, to } = stage()
    await to(10_000)
    media.readyState = 2
    await to(12_000)
    expect(media.currentTime).toBe(0)
    media.readyState = 4
    await to(12_040)
    expect(media.currentTime).toBeCloseTo(2.04)
  })

  it('says so where the browser wants a press first, and does not try on and on', async () => {
    const { media, step, to } = stage()
    media.refuses = true
    await to(10_000)
    expect(step.blocked.value).toBe(true)
    media.refuses = false
    await to(10_500)
    expect(media.paused).toBe(true)
  })

  it('falls silent when it leaves the stage', async () => {
    const { media, to, scope } = stage()
    await to(10_000)
    scope.stop()
    expect(media.paused).toBe(true)
  })
})

describe('what is heard', () => {
  it('makes the film quieter as long as one of them asks for it, and shows the words of the last', () => {
    const quiet: boolean[] = []
    const { said, hear } = createHearing((is) => quiet.push(is))
    hear('a', { quiets: true, said: 'Lock six.' })
    hear('b', { quiets: false, said: 'Lock seven.' })
    expect(said.value).toBe('Lock seven.')
    hear('b', null)
    expect(said.value).toBe('Lock six.')
    hear('a', null)
    expect(said.value).toBe('')
    expect(quiet).toEqual([true, true, true, false])
  })
})
