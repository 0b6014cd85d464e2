<script setup lang="ts">
// Where somebody writes what they want to say. It is held on this device until it is said.
import { computed, nextTick, onMounted, ref, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { fitsRange, LONGEST_POST, type NumberRange } from '@fernbrake/core/talk'
import { keepHere, readKept } from '../session/onDevice.ts'
import type { Among } from './classTalk.ts'
import { TalkFault } from './useTalk.ts'

export interface Said {
  words: string
  number: number | null
  /** To the teachers alone. */
  isEnquiry: boolean
}

const props = defineProps<{
  label: string
  button: string
  /** Under which it is held; null where nothing may stay behind. */
  draftKey: string | null
  /** What stands there to begin with. */
  from?: { words: string; number: number | null }
  /** Between which numbers one is asked for. */
  range?: NumberRange | null
  /** Whether it can go to the teachers alone. */
  asksWho?: boolean
  /** Who talks; for those who choose who sees it. */
  among?: Among
  /** Whether it was opened by whoever writes in it, rather than left open. */
  takesFocus?: boolean
  /** Resolves once it is said, or taken in charge. */
  say: (said: Said) => Promise<void>
}>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const id = useId()
const field = useTemplateRef('field')

const kept = props.draftKey === null ? null : (readKept(props.draftKey) as Partial<Said> | null)
const words = ref(typeof kept?.words === 'string' ? kept.words : (props.from?.words ?? ''))
const number = ref<number | ''>(
  typeof kept?.number === 'number' ? kept.number : (props.from?.number ?? ''),
)
const isEnquiry = ref(kept?.isEnquiry === true)
const busy = ref(false)
/** Why it was not said; '' where it may be. */
const fault = ref('')
const said = computed<Said>(() => ({
  words: words.value.trim(),
  number: number.value === '' ? null : Number(number.value),
  isEnquiry: isEnquiry.value,
}))
const fits = computed(() => fitsRange(said.value.number, props.range ?? null))
const isReady = computed(
  () => (said.value.words !== '' || said.value.number !== null) && fits.value && !busy.value,
)
function hold(): void {
  if (props.draftKey !== null)
    keepHere(props.draftKey, words.value === '' && number.value === '' ? null : said.value)
}
/** Escape puts it aside, as it is; this lets it go. */
function leave(): void {
  if (props.draftKey !== null) keepHere(props.draftKey, null)
  emit('done')
}
async function send(): Promise<void> {
  if (!isReady.value) return
  busy.value = true
  fault.value = ''
  try {
    await props.say(said.value)
    leave()
  } catch (caught) {
    fault.value = caught instanceof TalkFault ? caught.message : t('player.talk.failed')
  } finally {
    busy.value = false
  }
}
onMounted(() => nextTick(() => props.takesFocus && field.value?.focus()))
</script>

<template>
  <form class="composer" @submit.prevent="send" @keydown.esc.stop="emit('done')">
    <label :for="id">{{ label }}</label>
    <textarea
      :id="id"
      ref="field"
      v-model="words"
      :maxlength="LONGEST_POST"
      rows="3"
      dir="auto"
      @input="hold"
      @keydown.ctrl.enter.prevent="send"
      @keydown.meta.enter.prevent="send"
    />
    <label v-if="range" class="number">
      {{ t('player.talk.number', { from: range.from, to: range.to }) }}
      <input
        v-model="number"
        type="number"
        :inputmode="range.from < 0 ? undefined : 'numeric'"
        :min="range.from"
        :max="range.to"
        step="1"
        :aria-invalid="!fits"
        @input="hold"
      />
    </label>
    <fieldset v-if="asksWho">
      <legend>{{ t('player.talk.to') }}</legend>
      <label
        ><input v-model="isEnquiry" type="radio" :value="false" @change="hold" />{{
          t(`player.talk.toAll.${among ?? 'class'}`)
        }}</label
      >
      <label
        ><input v-model="isEnquiry" type="radio" :value="true" @change="hold" />{{
          t(`player.talk.toTeacher.${among ?? 'class'}`)
        }}</label
      >
    </fieldset>
    <p v-if="fault" class="failed" role="alert">{{ fault }}</p>
    <div class="acts">
      <button class="fb-button act" type="submit" :disabled="!isReady">
        {{ isEnquiry && asksWho ? t('player.talk.ask') : button }}
      </button>
      <button class="fb-button plain" type="button" @click="leave">
        {{ t('player.talk.cancel') }}
      </button>
    </div>
  </form>
</template>

<style scoped>
.composer {
  display: grid;
  gap: 8px;
  width: 100%;
}
.composer > label {
  font-weight: 600;
}
textarea,
input[type='number'] {
  padding: 8px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
textarea {
  width: 100%;
  min-height: 76px;
  font-size: 16px;
  field-sizing: content;
  resize: vertical;
}
.number {
  display: flex;
  align-items: center;
  gap: 10px;
}
input[type='number'] {
  width: 7em;
  min-height: 40px;
  font-family: var(--mono);
}
[aria-invalid='true'] {
  border-color: var(--rust);
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  color: var(--ink-2);
  font-size: 13.5px;
}
fieldset label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 36px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.acts .fb-button {
  min-height: 40px;
}
.failed {
  color: var(--rust);
}
</style>
