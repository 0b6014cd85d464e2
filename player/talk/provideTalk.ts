// Hands the talk to whatever part a learner is in, once it was fetched.
import { effectScope, onScopeDispose, provide, shallowRef, type Ref } from 'vue'
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import { CLASS_TALK, type ClassTalk, type Surroundings } from './classTalk.ts'

/** Fetched again after so long where the connection was not there, in ms. */
const AGAIN_MS = 10_000

/** Prepares the talk for all parts; `begin` opens it once the lesson is, where it is talked about. */
export function provideTalk(host: Host, hostState: Readonly<Ref<HostState>>, around: Surroundings) {
  const classTalk = shallowRef<ClassTalk | null>(null)
  provide(CLASS_TALK, classTalk)
  // A lesson is open only after a while, when whoever prepares this has long been set up; it ends with them all the same.
  const scope = effectScope()
  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))

  async function begin(opened: OpenedLesson): Promise<void> {
    const { talk: on } = host
    if (!on || !opened.talks) return
    try {
      const { openTalk, addTexts } = await import('./openTalk.ts')
      addTexts()
      classTalk.value = scope.run(() => openTalk(host, on, hostState, opened, around)) ?? null
    } catch {
      timer = setTimeout(() => void begin(opened), AGAIN_MS)
    }
  }
  return { begin }
}
