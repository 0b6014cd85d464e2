// One pile on the marking desk: which answer is open, what is being written about it, and giving marks.
import { computed, ref, shallowRef, watch } from 'vue'
import type { GivenMark, Pile, PileAnswer, Source } from '@fernbrake/core/contract'
import { inPileOrder, nextUnmarked, type PileOrder } from '@fernbrake/core/marking'
import { call, ApiError } from '../api/client.ts'
import { useLoaded } from '../ui/useLoaded.ts'
import { forgetDraft, keepDraft, readDraft, type MarkDraft } from './drafts.ts'
import { FIRST_LOOK } from './firstLook.ts'

const isOfMark = (error: unknown) =>
  error instanceof ApiError && error.problem?.type.endsWith(':mark-changed')

export function useDesk(source: Source, sourceId: string, personId: string) {
  const params = { source, sourceId }
  const names = ref<'shown' | 'hidden'>(FIRST_LOOK.names)
  const which = ref<'byPerson' | 'all'>(FIRST_LOOK.which)
  const order = ref<PileOrder>('question')
  const at = ref<string | null>(null)
  const saving = ref(false)
  const fault = shallowRef<unknown>(null)
  const loaded = useLoaded(() =>
    call('pile', { params, query: { names: names.value, which: which.value } }),
  )
  const pile = loaded.value
  const answers = computed(() => {
    const all = (pile.value?.answers ?? []).map((one) => ({ ...one, isMarked: one.mark !== null }))
    return inPileOrder(all, order.value, pile.value?.order ?? [])
  })
  const index = computed(() => answers.value.findIndex((one) => one.responseId === at.value))
  const open = computed(() => answers.value[index.value] ?? null)
  const question = computed(() => (open.value ? pile.value!.questions[open.value.asked]! : null))
  const counts = computed(() => ({
    marked: answers.value.filter(({ isMarked }) => isMarked).length,
    all: answers.value.length,
    untold: answers.value.filter(({ mark }) => mark && mark.releasedAt === null).length,
    told: answers.value.filter(({ mark }) => mark && mark.releasedAt !== null).length,
  }))

  /** While a mark is on its way the desk stays where it is: what comes of it belongs to this answer. */
  function go(responseId: string | null): void {
    if (saving.value) return
    at.value = responseId
    fault.value = null
  }
  const step = (by: 1 | -1) => go(answers.value[index.value + by]?.responseId ?? at.value)
  const goOn = () => go(nextUnmarked(answers.value, at.value)?.responseId ?? at.value)

  watch(pile, () => {
    if (!open.value) go((nextUnmarked(answers.value, null) ?? answers.value[0])?.responseId ?? null)
  })

  /** What is written about an answer: what waits on this device, or the mark that it has. */
  const draftOf = (answer: PileAnswer): MarkDraft =>
    readDraft(personId, answer) ?? {
      points: answer.mark ? String(answer.mark.points) : '',
      levels: answer.mark?.levels ?? null,
      comment: answer.mark?.comment ?? '',
      revision: answer.mark?.revision ?? 0,
    }

  function put(responseId: string, mark: GivenMark): void {
    const change = (one: PileAnswer) => (one.responseId === responseId ? { ...one, mark } : one)
    if (pile.value) pile.value = { ...pile.value, answers: pile.value.answers.map(change) }
  }

  /** Marks the answer that is open; answers whether that is in the database. */
  async function save(given: Pick<GivenMark, 'points' | 'levels' | 'comment'>): Promise<boolean> {
    const answer = open.value
    if (!answer || saving.value) return false
    const { attemptId, responseId, mark } = answer
    saving.value = true
    fault.value = null
    try {
      const body = { attemptId, responseId, revision: mark?.revision ?? 0, ...given }
      put(responseId, await call('saveMark', { params, body }))
      forgetDraft(personId, answer)
      return true
    } catch (error) {
      fault.value = error
      if (isOfMark(error)) await showTheirs()
      return false
    } finally {
      saving.value = false
    }
  }
  async function showTheirs(): Promise<void> {
    const query = { names: names.value, which: which.value }
    pile.value = await call('pile', { params, query }).catch(() => pile.value)
  }

  async function tell(told: boolean): Promise<number> {
    fault.value = null
    try {
      const { learners } = await call('releaseMarks', { params, body: { told, questionId: null } })
      await loaded.reload()
      return learners
    } catch (error) {
      fault.value = error
      return 0
    }
  }

  async function comments(change: Promise<Pick<Pile, 'comments'>>): Promise<void> {
    try {
      const kept = await change
      if (pile.value) pile.value = { ...pile.value, ...kept }
    } catch (error) {
      fault.value = error
    }
  }

  return {
    pile,
    error: loaded.error,
    loading: loaded.loading,
    reload: loaded.reload,
    names,
    which,
    order,
    answers,
    index,
    open,
    question,
    counts,
    go,
    step,
    goOn,
    draftOf,
    save,
    saving,
    fault,
    tell,
    comments,
    keepDraft: (answer: PileAnswer, draft: MarkDraft) => keepDraft(personId, answer, draft),
  }
}

export type Desk = ReturnType<typeof useDesk>
