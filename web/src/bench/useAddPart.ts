// Adding a part of a kind at the end of the lesson; it is open then.
import { nanoid } from 'nanoid'
import { nextTick } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, partsInOrder, type PartKindName } from '@fernbrake/core/lesson'
import { useBench } from './useBench.ts'

/** What a new part is called is written over, once the menu that it was chosen from has given the focus back. */
async function focusName(): Promise<void> {
  await nextTick()
  await nextTick()
  const name = document.querySelector<HTMLInputElement>('.side .body :is(input, textarea)')
  name?.focus()
  name?.select()
}

export function useAddPart(): (kind: PartKindName) => void {
  const { draft, lesson, places } = useBench()
  const { t } = useI18n()
  return (kind) => {
    const id = nanoid()
    const number = partsInOrder(lesson.value).filter((part) => part.kind === kind).length + 1
    const title = t(`parts.new.${kind}`, { number })
    if (draft.make(edits.addPartOf(kind), { id, kind, title, thingId: nanoid() })) {
      places.goToPart(id)
      void focusName()
    }
  }
}
