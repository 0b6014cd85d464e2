// The script of the film that is open: in which language it is read and written, and which line the film is at.
import { computed, ref, type Ref } from 'vue'
import { lineIndexAt, linesInOrder, scriptOfPart, type Lesson } from '@fernbrake/core/lesson'
import type { Places } from './places.ts'
import type { Playhead } from './playhead.ts'

export function createReading(
  lesson: Readonly<Ref<Lesson>>,
  { part }: Places,
  { mediaMs }: Playhead,
) {
  const scripts = computed(() =>
    Object.values(lesson.value.scripts).filter(({ partId }) => partId === part.value?.id),
  )
  const chosenLanguage = ref<string | null>(null)
  /** The language in which the script is read and written: the lesson's own, or the only one, until another is chosen. */
  const scriptLanguage = computed({
    get: () => {
      const own = lesson.value.language
      const found = part.value && scriptOfPart(lesson.value, part.value.id, own)
      return chosenLanguage.value ?? found?.language ?? own
    },
    set: (language) => (chosenLanguage.value = language),
  })
  const script = computed(
    () => scripts.value.find(({ language }) => language === scriptLanguage.value) ?? null,
  )
  const lines = computed(() => (script.value ? linesInOrder(script.value) : []))
  const lineIndex = computed(() => lineIndexAt(lines.value, mediaMs.value))
  return { scripts, scriptLanguage, script, lines, lineIndex }
}
export type Reading = ReturnType<typeof createReading>
