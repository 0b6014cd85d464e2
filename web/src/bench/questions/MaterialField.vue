<script setup lang="ts">
// What a question is about, shared with others: chosen, written in place, or none.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import { edits } from '@fernbrake/core/lesson'
import type { Question } from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import SheetFold from '../SheetFold.vue'
import WordsField from '../WordsField.vue'
import { useRights, useBench } from '../useBench.ts'
import RichField from './RichField.vue'

const props = defineProps<{ question: Question }>()
const bench = useBench()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const NONE = 'no material'
const NEW = 'new material'
const materials = computed(() => inOrder(Object.values(bench.lesson.value.materials ?? {})))
const own = computed(() => materials.value.find(({ id }) => id === props.question.materialId))
/** How many questions are about it. */
const shared = computed(
  () =>
    Object.values(bench.lesson.value.questions).filter(
      ({ materialId }) => materialId !== undefined && materialId === own.value?.id,
    ).length,
)
const choices = computed(() => [
  { value: NONE, label: t('material.none') },
  ...materials.value.map(({ id, title }) => ({
    value: id,
    label: title || t('material.untitled'),
  })),
  { value: NEW, label: t('material.new') },
])

function pick(value: string): void {
  const questionId = props.question.id
  if (value === NEW) {
    const title = t('material.usualTitle', { number: materials.value.length + 1 })
    draft.make(edits.addMaterial, { materialId: nanoid(), questionId, title })
  } else draft.make(edits.tieMaterial, { questionId, materialId: value === NONE ? null : value })
}
</script>

<template>
  <SheetFold
    name="material"
    :title="t('material.material')"
    :holds="own ? own.title || t('material.untitled') : undefined"
  >
    <ChoiceField
      :label="t('material.label')"
      :value="own?.id ?? NONE"
      :choices="choices"
      @change="pick"
    />
    <template v-if="own">
      <p class="help">{{ t('material.shared', shared) }}</p>
      <WordsField
        :label="t('material.title')"
        :text="own.title"
        :max="200"
        @change="draft.make(edits.setMaterial, { materialId: own.id, change: { title: $event } })"
      />
      <RichField
        :label="t('material.text')"
        :text="own.text"
        :max="20000"
        :rows="4"
        @change="draft.make(edits.setMaterial, { materialId: own.id, change: { text: $event } })"
      />
      <Button
        v-if="rights.canEdit.value"
        :label="t('material.remove')"
        severity="secondary"
        variant="text"
        size="small"
        @click="draft.make(edits.removeMaterial, { materialId: own.id })"
      />
    </template>
  </SheetFold>
</template>
