// Which part of the lesson is open, and what of it the sheet beside it shows.
import { computed, ref, type Ref } from 'vue'
import { partOfKind, partsInOrder, type Lesson } from '@fernbrake/core/lesson'

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
  const part = computed(() => partOfKind(lesson.value, openPart.value?.id ?? '', 'film'))
  const quiz = computed(() => partOfKind(lesson.value, openPart.value?.id ?? '', 'quiz'))

  /** Opens another part; what was selected and shown belonged to the one before. */
  function goToPart(partId: string): void {
    if (partId === openPart.value?.id) return
    onLeave()
    openPartId.value = partId
    quizPlace.value = { kind: 'quiz' }
    thingId.value = null
  }
  /** Shows the sheet of a thing of the open part; null for that of the part itself. */
  function showThing(id: string | null): void {
    const { sections, items } = quiz.value ?? { sections: {}, items: {} }
    const kind = Object.hasOwn(items, id ?? '') ? 'item' : 'section'
    const isOfQuiz = id !== null && (Object.hasOwn(items, id) || Object.hasOwn(sections, id))
    quizPlace.value = isOfQuiz ? { kind, id } : { kind: 'quiz' }
    thingId.value = id
  }
  return { openPart, part, quiz, goToPart, quizPlace, thingId, showThing }
}
export type Places = ReturnType<typeof createPlaces>
