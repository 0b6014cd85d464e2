<script setup lang="ts">
// Writing a formula: TeX as it is typed, the pieces of it as buttons, and how it will look.
import Checkbox from 'primevue/checkbox'
import Textarea from 'primevue/textarea'
import { nextTick, onMounted, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { TextView } from '@fernbrake/player'
import PadFrame from './PadFrame.vue'

const props = defineProps<{ tex: string; display: boolean; isNew: boolean }>()
const emit = defineEmits<{ done: [formula: { tex: string; display: boolean }]; close: [] }>()
const { t } = useI18n()
const id = useId()
const tex = ref(props.tex)
const display = ref(props.display)
onMounted(() => field()?.focus())

/** What a button writes: ▢ is where the next letters go; what was selected fills the first one. */
const PIECES: readonly [shown: string, tex: string, name: string][] = [
  ['a⁄b', '\\frac{▢}{▢}', 'fraction'],
  ['xⁿ', '▢^{▢}', 'power'],
  ['xₙ', '▢_{▢}', 'index'],
  ['√', '\\sqrt{▢}', 'root'],
  ['·', '\\cdot ', 'times'],
  ['×', '\\times ', 'cross'],
  ['±', '\\pm ', 'plusMinus'],
  ['≤', '\\le ', 'atMost'],
  ['≥', '\\ge ', 'atLeast'],
  ['≠', '\\ne ', 'notEqual'],
  ['≈', '\\approx ', 'about'],
  ['→', '\\to ', 'arrow'],
  ['Σ', '\\sum_{▢}^{▢} ', 'sum'],
  ['∫', '\\int_{▢}^{▢} ', 'integral'],
  ['π', '\\pi ', 'pi'],
  ['α', '\\alpha ', 'alpha'],
  ['Δ', '\\Delta ', 'delta'],
  ['°', '^{\\circ}', 'degree'],
  ['m', '\\,\\mathrm{▢}', 'unit'],
]

const field = () => document.getElementById(id) as HTMLTextAreaElement | null

function insert(piece: string): void {
  const area = field()
  const [from, to] = [
    area?.selectionStart ?? tex.value.length,
    area?.selectionEnd ?? tex.value.length,
  ]
  const chosen = tex.value.slice(from, to)
  const written = chosen === '' ? piece : piece.replace('▢', chosen)
  const next = written.indexOf('▢')
  tex.value = tex.value.slice(0, from) + written.replaceAll('▢', '') + tex.value.slice(to)
  const caret = from + (next < 0 ? written.replaceAll('▢', '').length : next)
  void nextTick(() => {
    area?.focus()
    area?.setSelectionRange(caret, caret)
  })
}

function put(): void {
  if (tex.value.trim() !== '') emit('done', { tex: tex.value.trim(), display: display.value })
}
</script>

<template>
  <PadFrame
    :title="t('rich.formula')"
    :done="t(isNew ? 'rich.putIn' : 'rich.change')"
    :disabled="tex.trim() === ''"
    @done="put"
    @close="emit('close')"
  >
    <div class="pieces" role="group" :aria-label="t('rich.pieces')">
      <button
        v-for="[shown, piece, name] in PIECES"
        :key="name"
        type="button"
        :title="t(`rich.piece.${name}`)"
        :aria-label="t(`rich.piece.${name}`)"
        @click="insert(piece)"
      >
        {{ shown }}
      </button>
    </div>
    <label :for="id">{{ t('rich.tex') }}</label>
    <Textarea
      :id="id"
      v-model="tex"
      class="mono"
      rows="2"
      auto-resize
      :maxlength="2000"
      @keydown.enter.exact.prevent="put"
    />
    <div class="looks" :aria-label="t('rich.looks')" role="img">
      <TextView v-if="tex.trim()" :text="{ blocks: [{ block: 'formula', tex }] }" />
    </div>
    <label class="check">
      <Checkbox v-model="display" binary />
      {{ t('rich.ownLine') }}
    </label>
  </PadFrame>
</template>

<style scoped>
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.pieces button {
  min-width: 36px;
  height: 32px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.pieces button:hover {
  background: var(--sunk);
}
.looks {
  min-height: 56px;
  padding: 6px 12px;
  background: var(--ground);
}
</style>
