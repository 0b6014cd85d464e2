<script setup lang="ts">
// What the lesson says about itself: to learners what they will learn and for whom it is, to designers its subjects.
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, MOST_TAGS, readTags } from '@fernbrake/core/lesson'
import WordsField from '../WordsField.vue'
import { useBench, useRights } from '../useBench.ts'

const { draft } = useBench()
const { canEdit } = useRights()
const { t } = useI18n()
const id = useId()
const lesson = draft.lesson
const tags = computed(() => (lesson.value.tags ?? []).join(', '))
/** What is being typed; a comma at its end is no tag yet. */
const typed = ref(tags.value)
watch(tags, (now) => {
  if (readTags(typed.value).join(', ') !== now) typed.value = now
})
function setTags(words: string): void {
  typed.value = words
  const read = readTags(words).slice(0, MOST_TAGS)
  if (read.join(', ') !== tags.value) draft.make(edits.setTags, { tags: read })
}
</script>

<template>
  <WordsField
    :label="t('lesson.objectives')"
    :text="lesson.objectives ?? ''"
    :max="3000"
    :rows="3"
    @change="draft.make(edits.setLessonText, { field: 'objectives', text: $event })"
  />
  <div class="pair">
    <WordsField
      :label="t('lesson.level')"
      :text="lesson.level ?? ''"
      :max="100"
      @change="draft.make(edits.setLessonText, { field: 'level', text: $event })"
    />
    <WordsField
      :label="t('lesson.licence')"
      :text="lesson.licence ?? ''"
      :max="200"
      @change="draft.make(edits.setLessonText, { field: 'licence', text: $event })"
    />
  </div>
  <div class="field">
    <label :for="id">{{ t('lesson.tags') }}</label>
    <InputText
      :id="id"
      :model-value="typed"
      maxlength="1200"
      dir="auto"
      :disabled="!canEdit"
      @update:model-value="setTags($event ?? '')"
      @blur="typed = tags"
    />
  </div>
</template>
