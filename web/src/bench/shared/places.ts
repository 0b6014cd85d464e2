// Which part of the lesson is open, and what of it the sheet beside it shows.
import { computed, ref, type Ref } from 'vue'
import { partsInOrder, type Lesson } from '@fernbrake/core/lesson'

/** The quiz itself, one of its sections or questions, or the question shelf for a section. */
export type QuizPlace = { kind: 'quiz' } | { kind: 'section' | 'item' | 'shelf'; id: string }

/** `onLeave` hears that another part is about to be opened. */
export function createPlaces(lesson: Readonly<Ref<Lesson>>, onLeave: () => void) {
  /** The part that is open: the one chosen, or the first. */
  const openPartId = ref<string | null>(null)
  const openPart = computed(
    () => lesson.value.parts[openPartId.value ?? ''] ?? partsInOrder(lesson.value)[0] ?? null,
  )
  /** What of an open quiz the sheet beside it shows. */
  const quizPlace = ref<QuizPlace>({ kind: 'quiz' })
  /** The block, pin, slide or dated item whose sheet is shown; null for that of the part itself. */
  const thingId = ref<string | null>(null)
  /** The open part as a film; null while another kind is open. */
  const part = computed(() => (openPart.value?.kind === 'film' ? openPart.value : null))
  const quiz = computed(() => (openPart.value?.kind === 'quiz' ? openPart.value : null))

  /** Opens another part; what was selected and shown belonged to the one before. */
  function goToPart(partId: string): void {
    if (partId === openPart.value?.id) return
    onLeave()
    openPartId.value = partId
    quizPlace.value = { kind: 'quiz' }
    thingId.value = null
  }
  return { openPart, part, quiz, goToPart, quizPlace, thingId }
}
export type Places = ReturnType<typeof createPlaces>
