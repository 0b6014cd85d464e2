<script setup lang="ts" generic="E extends { id: string; order: string }">
// The things that a question is made of, one under the other: written, moved up and down, added and removed.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, nextTick, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import { edits } from '@fernbrake/core/lesson'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{
  questionId: string
  path: readonly string[]
  entries: Readonly<Record<string, E>>
  /** What one of them is called: “Option 2”. */
  nameOf: (number: number) => string
  addLabel: string
  /** A new one, without id and order. */
  blank: () => Omit<E, 'id' | 'order'>
  least: number
  most: number
  /** Whether their order means nothing, so that nobody need move them. */
  fixed?: boolean
}>()
defineSlots<{ default(props: { entry: E; number: number; called: string }): unknown }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const rows = computed(() => inOrder(Object.values(props.entries)))
const list = useTemplateRef('list')
const where = computed(() => ({ questionId: props.questionId, path: props.path }))

function add(): void {
  const id = nanoid()
  bench.draft.make(edits.addEntries, { ...where.value, entries: [{ ...props.blank(), id }] })
  void nextTick(() =>
    list.value
      ?.querySelector<HTMLElement>(`[data-entry="${id}"] :is(input[type="text"], textarea)`)
      ?.focus(),
  )
}

const FIELDS = '[data-entry] input[type="text"]'

/** The end of a line begins the next: the next field, what is told of a thing passed over, and behind the last a new thing. */
function onEnter(event: KeyboardEvent): void {
  const from = event.target as HTMLElement
  if (event.isComposing || event.shiftKey || !from.matches(FIELDS) || !rights.canEdit.value) return
  event.preventDefault()
  const fields = [...list.value!.querySelectorAll<HTMLElement>(FIELDS)]
  const further = fields.slice(fields.indexOf(from) + 1)
  const next = further.find((field) => !field.closest('details'))
  if (next) next.focus()
  else if (rows.value.length < props.most) add()
}

function move(entryId: string, by: 1 | -1): void {
  bench.draft.make(edits.moveEntry, { ...where.value, entryId, by })
}
</script>

<template>
  <div ref="list" class="rows" @keydown.enter="onEnter">
    <div v-for="(entry, index) in rows" :key="entry.id" class="row" :data-entry="entry.id">
      <div class="fields">
        <slot :entry="entry" :number="index + 1" :called="nameOf(index + 1)" />
      </div>
      <div v-if="rights.canEdit.value" class="acts">
        <template v-if="!fixed">
          <Button
            label="↑"
            :aria-label="t('ask.moveUp', { name: nameOf(index + 1) })"
            severity="secondary"
            variant="text"
            size="small"
            :disabled="index === 0"
            @click="move(entry.id, -1)"
          />
          <Button
            label="↓"
            :aria-label="t('ask.moveDown', { name: nameOf(index + 1) })"
            severity="secondary"
            variant="text"
            size="small"
            :disabled="index === rows.length - 1"
            @click="move(entry.id, 1)"
          />
        </template>
        <Button
          :label="t('sheet.removeOption')"
          :aria-label="t('ask.remove', { name: nameOf(index + 1) })"
          severity="secondary"
          variant="text"
          size="small"
          :disabled="rows.length <= least"
          @click="bench.draft.make(edits.removeEntry, { ...where, entryId: entry.id })"
        />
      </div>
    </div>
    <Button
      :label="addLabel"
      severity="secondary"
      variant="outlined"
      size="small"
      :disabled="!rights.canEdit.value || rows.length >= most"
      @click="add"
    />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 8px;
  align-items: start;
  margin-bottom: 8px;
}
/* Where a thing takes several lines, a rule tells where the next begins. */
.row:has(.field + .field, .pair) + .row:has(.pair) {
  padding-top: 8px;
  border-top: 1px solid var(--line);
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.acts {
  display: flex;
}
.acts :deep(.p-button) {
  padding-inline: 8px;
}
</style>
