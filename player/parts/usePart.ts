// What every part that is no film tells through the host: that the learner is here, what they saw, that they are done.
import { computed, inject, provide, reactive, ref, type InjectionKey, type Ref } from 'vue'
import { asksIn, thingsToSee, type Part } from '@fernbrake/core/lesson'
import { unseenOf } from '@fernbrake/core/playback'
import { isoTime, nowMs } from '../clock.ts'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { provideForQuestions } from '../questions/provideForQuestions.ts'
import { provideStretches } from './stretches.ts'
import { toldOf } from '../session/toldOf.ts'
import { useAnswers } from '../session/useAnswers.ts'
import { useFacts } from '../session/useFacts.ts'

export interface PartSitting {
  host: Host
  opened: OpenedLesson
  part: Part
  answers: ReturnType<typeof useAnswers>
  facts: ReturnType<typeof useFacts>
  /** Whether the learner has said that they are done with it. */
  done: Ref<boolean>
  seen: ReadonlySet<string>
  /** How many things there are to see, and how many of them have to be seen still before it is finished. */
  toSee: Readonly<Ref<{ all: number; left: number }>>
  see(thingId: string): void
  finish(): void
  /** The questions that it asks, in reading order. */
  asks: readonly { id: string; questionId: string }[]
}

/** Inside it, what a part holds can be answered and watched; without it, as on the bench, it is only shown. */
export const SITTING: InjectionKey<PartSitting> = Symbol('sitting')
export const useSitting = (): PartSitting | null => inject(SITTING, null)

/** Opens a part: notes that the learner is here, and provides what its texts and questions ask for. */
export function usePart(host: Host, opened: OpenedLesson, part: Part): PartSitting {
  const { lesson, progress } = opened
  const done = ref(progress.finishedParts.includes(part.id))
  // That the part itself was opened is noted by whoever opens it.
  const things = (progress.seen[part.id] ?? []).filter((id) => id !== part.id)
  const seen = reactive(new Set(things))
  const answers = useAnswers(host, lesson, progress.responses, ...toldOf(opened))
  const asks = asksIn(part)
  provideForQuestions(host, opened)
  provideStretches(host, opened)
  const facts = useFacts(opened.learnerName, answers.score)

  const toSee = computed(() => ({
    all: thingsToSee(part).length,
    left: unseenOf(part, [...seen]).length,
  }))

  function recordPlace(): void {
    const behind = done.value ? asks.map(({ id }) => id) : []
    host.record({
      kind: 'place',
      id: host.newId(),
      partId: part.id,
      atMs: 0,
      released: [...new Set([...progress.released, ...behind])],
      at: isoTime(nowMs()),
    })
  }
  function see(thingId: string): void {
    if (seen.has(thingId)) return
    seen.add(thingId)
    const about = { id: host.newId(), partId: part.id, thingId, at: isoTime(nowMs()) }
    host.record({ kind: 'seen', ...about })
  }
  function finish(): void {
    if (done.value || toSee.value.left > 0) return
    host.record({ kind: 'finish', id: host.newId(), partId: part.id, at: isoTime(nowMs()) })
    done.value = true
    recordPlace()
    void host.flush()
  }

  recordPlace()
  const sitting = { host, opened, part, answers, facts, done, seen, toSee, see, finish, asks }
  provide(SITTING, sitting)
  return sitting
}
