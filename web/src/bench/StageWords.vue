<script setup lang="ts">
// The words of an overlay, written where they stand on the picture.
import { onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type OverlayCue } from '@fernbrake/core/lesson'
import { useBench } from './useBench.ts'

const props = defineProps<{ overlay: OverlayCue }>()
const emit = defineEmits<{ done: [byKey: boolean] }>()
const { draft } = useBench()
const { t } = useI18n()
const field = useTemplateRef('field')
const LONGEST = 1000
onMounted(() => {
  field.value?.focus()
  field.value?.select()
})
const write = (event: Event) =>
  draft.make(edits.setOverlayText, {
    cueId: props.overlay.id,
    text: (event.target as HTMLTextAreaElement).value,
  })
</script>

<template>
  <textarea
    ref="field"
    :value="overlay.text"
    :maxlength="LONGEST"
    :aria-label="t('sheet.words')"
    dir="auto"
    :style="{
      color: overlay.look.ink,
      background: overlay.look.fill ?? undefined,
      fontSize: `${overlay.look.size * 100}cqh`,
      textAlign: overlay.look.align === 'centre' ? 'center' : overlay.look.align,
    }"
    @input="write"
    @keydown.esc.stop.prevent="emit('done', true)"
    @pointerdown.stop
    @blur="emit('done', false)"
  />
</template>

<style scoped>
textarea {
  position: absolute;
  padding: 0.5em;
  border: 0;
  background: var(--surface);
  font: inherit;
  line-height: 1.3;
  resize: none;
  user-select: text;
}
</style>
