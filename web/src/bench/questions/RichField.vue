<script setup lang="ts">
// A text of a question. Formulas are typed between dollar signs and drawn beneath; a text with lists, tables or media is
// shown as it reads.
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { isSameText, plainOf, type RichText } from '@fernbrake/core/fields'
import { readFormulas, typeFormulas } from '@fernbrake/core/text'
import { TextView } from '@fernbrake/player'
import WordsField from '../WordsField.vue'
import { useBench } from '../useBench.ts'

const props = withDefaults(
  defineProps<{ label: string; text: RichText; max: number; rows?: number; hideLabel?: boolean }>(),
  { rows: 1 },
)
const emit = defineEmits<{ change: [text: RichText] }>()
const bench = useBench()
const { t } = useI18n()
/** What stands in the field; it is set anew only where somebody else, or undo, changed what it says. */
const typed = ref(typeFormulas(props.text))
watch(
  () => props.text,
  (text) => {
    if (typed.value === null || !isSameText(readFormulas(typed.value), text))
      typed.value = typeFormulas(text)
  },
)
const isDrawn = computed(() => typeof props.text !== 'string')

function type(words: string): void {
  typed.value = words
  emit('change', readFormulas(words))
}
</script>

<template>
  <div class="rich">
    <WordsField
      v-if="typed !== null"
      :label="label"
      :text="typed"
      :max="max"
      :rows="rows"
      :hide-label="hideLabel"
      @change="type"
    />
    <span v-else class="label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <TextView v-if="isDrawn" class="shown" :text="text" />
    <Button
      v-if="typed === null && bench.canEdit.value"
      :label="t('ask.makePlain')"
      severity="secondary"
      variant="text"
      size="small"
      @click="emit('change', plainOf(text).slice(0, max))"
    />
  </div>
</template>

<style scoped>
.rich {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.shown {
  padding: 6px 12px;
  border-left: 3px solid var(--line-strong);
}
</style>
