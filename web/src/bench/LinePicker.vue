<script setup lang="ts">
// Picking a stretch of a film by the lines of its script: the first and, where it is more than one, the last.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { holdingWords } from '@fernbrake/core/text'

const props = defineProps<{
  lines: readonly ScriptLine[]
  /** What is picked now. */
  stretch: { fromMs: number; toMs: number } | null
  /** Lines that begin later are not offered. */
  untilMs: number
  /** Those before `untilMs` are offered first; else the film from its beginning, to be searched. */
  nearEnd?: boolean
}>()
const emit = defineEmits<{ picked: [fromMs: number, toMs: number] }>()
const { t } = useI18n()
/** So many lines are offered at first, and so many more each time. */
const LINES_OFFERED = 12
const offered = ref(LINES_OFFERED)
const findId = useId()
/** The line from which a stretch is being picked; the next line that is picked ends it. */
const anchorId = ref<string | null>(null)
const wanted = ref('')
const before = computed(() => {
  const holds = holdingWords(wanted.value)
  return props.lines.filter(({ fromMs, text }) => fromMs < props.untilMs && holds(text))
})
const shown = computed(() =>
  props.nearEnd ? before.value.slice(-offered.value) : before.value.slice(0, offered.value),
)
const isIn = ({ fromMs, toMs }: ScriptLine) =>
  props.stretch !== null && fromMs < props.stretch.toMs && toMs > props.stretch.fromMs

/** The first line that is picked is the stretch; another one then makes it reach from the first to there. */
function pick(line: ScriptLine): void {
  const anchor = props.lines.find(({ id }) => id === anchorId.value)
  if (!anchor) {
    anchorId.value = line.id
    return emit('picked', line.fromMs, line.toMs)
  }
  anchorId.value = null
  emit('picked', Math.min(anchor.fromMs, line.fromMs), Math.max(anchor.toMs, line.toMs))
}
</script>

<template>
  <div class="lines" role="group" :aria-label="t('evidence.pick')">
    <p class="help" role="status">
      {{ t(anchorId ? 'evidence.pickLast' : 'evidence.pickFirst') }}
    </p>
    <div v-if="!nearEnd" class="field find">
      <label :for="findId" class="visually-hidden">{{ t('evidence.find') }}</label>
      <InputText :id="findId" v-model="wanted" size="small" :placeholder="t('evidence.find')" />
    </div>
    <Button
      v-if="nearEnd && offered < before.length"
      :label="t('evidence.earlier')"
      severity="secondary"
      variant="text"
      size="small"
      @click="offered += LINES_OFFERED"
    />
    <button
      v-for="line in shown"
      :key="line.id"
      type="button"
      class="line"
      :class="{ within: isIn(line) }"
      :aria-pressed="isIn(line)"
      dir="auto"
      @click="pick(line)"
    >
      <span class="mono">{{ clockTime(line.fromMs) }}</span> {{ line.text }}
    </button>
    <Button
      v-if="!nearEnd && offered < before.length"
      :label="t('evidence.further')"
      severity="secondary"
      variant="text"
      size="small"
      @click="offered += LINES_OFFERED"
    />
  </div>
</template>

<style scoped>
.find {
  padding: 6px 10px;
}
.lines {
  max-height: 280px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.lines .help {
  position: sticky;
  top: 0;
  padding: 6px 10px;
  background: var(--ground);
}
.line {
  display: block;
  width: 100%;
  padding: 6px 10px;
  border: 0;
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  font-family: var(--reading);
  text-align: start;
  cursor: pointer;
}
.line:hover {
  background: var(--sunk);
}
.line.within {
  border-inline-start-color: var(--fern);
  background: var(--fern-soft);
}
.line .mono {
  color: var(--ink-3);
  font-size: 12.5px;
}
</style>
