<script setup lang="ts">
// Tapping along: while the film plays, each tap says that the next line begins now.
import Button from 'primevue/button'
import { computed, onMounted, onScopeDispose, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, lineIndexAt } from '@fernbrake/core/lesson'
import { usePlayhead, useReading, useBench } from './useBench.ts'

const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const playhead = usePlayhead()
const reading = useReading()
const { t } = useI18n()
/** The line that the next tap begins. */
const index = ref(Math.max(0, lineIndexAt(reading.lines.value, playhead.mediaMs.value)))
const next = computed(() => reading.lines.value[index.value] ?? null)
/** A person presses this long after what they heard, in ms. */
const REACTION_MS = 150

function tap(): void {
  const line = next.value
  const scriptId = reading.script.value?.id
  if (!line || !scriptId) return
  const rate = playhead.snapshot.value?.rate ?? 1
  const atMs = Math.max(
    0,
    (playhead.film.value?.nowMs() ?? playhead.mediaMs.value) - REACTION_MS * rate,
  )
  bench.draft.make(edits.tapLine, { scriptId, lineId: line.id, atMs })
  index.value += 1
}

function onKey(event: KeyboardEvent): void {
  if ((event.target as Element).closest('input, textarea, select')) return
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
  if (event.key.toLowerCase() !== 't' && event.key !== 'Escape') return
  event.preventDefault()
  if (event.key === 'Escape') emit('done')
  else tap()
}

onMounted(() => {
  document.addEventListener('keydown', onKey)
  if (next.value) playhead.seek(Math.max(0, next.value.fromMs - 2000))
  if (playhead.snapshot.value?.paused) playhead.toggle()
})
onScopeDispose(() => document.removeEventListener('keydown', onKey))
</script>

<template>
  <div class="tap" role="region" :aria-label="t('script.tap')">
    <Button :label="t('script.tapNow')" :disabled="!next" @click="tap" />
    <p>
      <template v-if="next"
        >{{ t('script.tapNext') }} <q dir="auto">{{ next.text }}</q></template
      >
      <template v-else>{{ t('script.tapEnd') }}</template>
    </p>
    <Button
      :label="t('script.done')"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="emit('done')"
    />
  </div>
</template>

<style scoped>
.tap {
  display: flex;
  align-items: center;
  gap: 14px;
  padding-block: 10px;
  padding-inline: 18px 12px;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
}
.tap p {
  flex: 1;
}
</style>
