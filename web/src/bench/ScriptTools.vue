<script setup lang="ts">
// What concerns a script as a whole: its language, files in and out, a plain text, shifting, tapping along.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { nanoid } from 'nanoid'
import { computed, ref, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { languageMeant } from '@fernbrake/core/fields'
import { captionsOf, writeSrt, writeWebVtt } from '@fernbrake/core/formats'
import { edits, roomToShift } from '@fernbrake/core/lesson'
import { readTypedShift } from '@fernbrake/core/media'
import { linesOfPlainText, roughTimes } from '@fernbrake/core/text'
import ChoiceField from './ChoiceField.vue'
import { languageChoices, languageName } from './languages.ts'
import { usePlaces, usePlayhead, useReading, useRights, useBench } from './useBench.ts'

const emit = defineEmits<{ file: [file: File | undefined]; tap: [] }>()
const bench = useBench()
const places = usePlaces()
const playhead = usePlayhead()
const reading = useReading()
const rights = useRights()
const { draft } = bench
const { t, n } = useI18n()
const id = useId()
const picker = useTemplateRef<HTMLInputElement>('picker')
const hasLines = computed(() => reading.lines.value.length > 0)

/** The languages there are, and those that a script can be begun in. */
const languages = computed(() => {
  const there = new Set([
    reading.scriptLanguage.value,
    ...reading.scripts.value.map((s) => s.language),
  ])
  return [...there].map((value) => ({ value, label: languageName(value) }))
})
const ANOTHER = 'another'
const others = computed(() => [
  ...languageChoices.filter(({ value }) => !languages.value.some((one) => one.value === value)),
  { value: ANOTHER, label: t('script.anotherLanguage') },
])
/** A language that is not listed, by its tag. */
const naming = ref(false)
const tag = ref('')
const tagId = useId()
const meant = computed(() => languageMeant(tag.value))
function addNamed(): void {
  if (meant.value === null) return
  const there = languages.value.some(({ value }) => value === meant.value)
  if (there) reading.scriptLanguage.value = meant.value
  else addLanguage(meant.value)
  naming.value = false
  tag.value = ''
}

function addLanguage(language: string): void {
  const partId = places.part.value?.id
  if (!partId) return
  const source = reading.script.value
  const newIds = Object.fromEntries(
    Object.keys(source?.lines ?? {}).map((lineId) => [lineId, nanoid(10)]),
  )
  const from = source ? { from: { scriptId: source.id, newIds } } : {}
  if (draft.make(edits.addScript, { id: nanoid(), partId, language, ...from }))
    reading.scriptLanguage.value = language
}

function accept(event: Event): void {
  const input = event.target as HTMLInputElement
  emit('file', input.files?.[0])
  input.value = ''
}

function download(ending: 'vtt' | 'srt'): void {
  const script = reading.script.value
  if (!script) return
  const { lines, carried } = captionsOf(script)
  const text = ending === 'vtt' ? writeWebVtt(lines, carried) : writeSrt(lines, carried)
  const name = (bench.lesson.value.title || 'script').replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/plain' }))
  link.download = `${name}.${script.language}.${ending}`
  link.click()
  URL.revokeObjectURL(link.href)
}

const pasting = ref(false)
const plain = ref('')
const plainLines = computed(() => linesOfPlainText(plain.value))

function acceptPlain(): void {
  const partId = places.part.value?.id
  if (!partId || plainLines.value.length === 0) return
  const timed = roughTimes(plainLines.value, playhead.times.pauses.value, playhead.durationMs.value)
  const lines = timed.map((line) => ({ id: nanoid(10), ...line }))
  const language = reading.scriptLanguage.value
  if (!draft.make(edits.importScript, { id: nanoid(), partId, language, lines })) return
  pasting.value = false
  plain.value = ''
}

const shift = ref('')
const shiftIsWrong = ref(false)
const fromHere = ref('all')
const scopes = computed(() => [
  { value: 'all', label: t('script.allLines') },
  { value: 'here', label: t('script.fromHere') },
])

/** There is not as much room as somebody wants: what there is, and what would be moved; null where nobody is asked. */
const lacking = ref<{ fromMs: number; byMs: number } | null>(null)
const roomWords = computed(() => {
  if (!lacking.value) return ''
  const { byMs } = lacking.value
  const by = t('script.seconds', { n: n(Math.abs(byMs) / 1000, { maximumFractionDigits: 3 }) })
  if (byMs === 0) return t('script.noRoom')
  return t(byMs < 0 ? 'script.roomBack' : 'script.roomOn', { by })
})

function shiftLines(): void {
  const ms = readTypedShift(shift.value, playhead.frameRate.value)
  shiftIsWrong.value = ms === null
  lacking.value = null
  if (ms === null || !reading.script.value) return
  const first = reading.lines.value[reading.lineIndex.value]?.fromMs ?? playhead.mediaMs.value
  const fromMs = fromHere.value === 'all' ? 0 : first
  const { backMs, onMs } = roomToShift(reading.script.value, fromMs)
  const possible = Math.min(Math.max(ms, backMs), onMs)
  if (possible !== ms) lacking.value = { fromMs, byMs: possible }
  else shiftBy(fromMs, ms)
}

function shiftBy(fromMs: number, byMs: number): void {
  draft.make(edits.shiftLines, { scriptId: reading.script.value!.id, fromMs, byMs })
  shift.value = ''
  lacking.value = null
}
</script>

<template>
  <div class="tools sheet-form">
    <div class="pair">
      <ChoiceField
        :label="t('script.language')"
        :value="reading.scriptLanguage.value"
        :choices="languages"
        always
        @change="reading.scriptLanguage.value = $event"
      />
      <ChoiceField
        v-if="rights.canEdit.value"
        :label="t('script.addLanguage')"
        value=""
        :placeholder="t('script.chooseLanguage')"
        :choices="others"
        @change="$event === ANOTHER ? (naming = true) : addLanguage($event)"
      />
    </div>
    <form v-if="naming" class="another" @submit.prevent="addNamed">
      <label :for="tagId">{{ t('script.languageTag') }}</label>
      <input
        :id="tagId"
        v-model="tag"
        class="fb-input"
        maxlength="35"
        autocapitalize="none"
        spellcheck="false"
        :aria-invalid="tag !== '' && meant === null"
        :aria-describedby="`${tagId}-is`"
      />
      <button type="submit" class="fb-button small" :disabled="meant === null">
        {{ t('script.beginIt') }}
      </button>
      <p :id="`${tagId}-is`" class="help" role="status">
        {{
          meant === null
            ? t(tag === '' ? 'script.tagHelp' : 'script.noTag')
            : t('script.tagIs', { name: languageName(meant) })
        }}
      </p>
    </form>
    <div class="buttons">
      <template v-if="rights.canEdit.value">
        <Button
          :label="hasLines ? t('bench.otherCaptions') : t('bench.bringCaptions')"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="picker?.click()"
        />
        <Button
          :label="t('script.paste')"
          :aria-expanded="pasting"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="pasting = !pasting"
        />
      </template>
      <template v-if="hasLines">
        <Button
          :label="t('script.saveVtt')"
          severity="secondary"
          variant="text"
          size="small"
          @click="download('vtt')"
        />
        <Button
          :label="t('script.saveSrt')"
          severity="secondary"
          variant="text"
          size="small"
          @click="download('srt')"
        />
      </template>
      <input
        ref="picker"
        class="visually-hidden"
        type="file"
        accept=".vtt,.srt,text/vtt"
        tabindex="-1"
        data-test="captions"
        :aria-label="t('bench.bringCaptions')"
        @change="accept"
      />
    </div>
    <div v-if="pasting" class="field">
      <label :for="`${id}-plain`">{{ t('script.pasteHelp') }}</label>
      <Textarea :id="`${id}-plain`" v-model="plain" rows="4" dir="auto" />
      <div class="buttons">
        <Button
          :label="t('script.takePlain', plainLines.length)"
          size="small"
          :disabled="plainLines.length === 0 || playhead.durationMs.value === 0"
          @click="acceptPlain"
        />
        <p v-if="hasLines" class="warning">{{ t('script.replaces') }}</p>
      </div>
    </div>
    <form v-if="hasLines && rights.canEdit.value" class="buttons" @submit.prevent="shiftLines">
      <label :for="`${id}-shift`">{{ t('script.shiftBy') }}</label>
      <InputText
        :id="`${id}-shift`"
        v-model="shift"
        class="mono shift"
        size="small"
        placeholder="-0.5"
        :invalid="shiftIsWrong"
        autocomplete="off"
      />
      <ChoiceField
        hide-label
        :label="t('script.which')"
        :value="fromHere"
        :choices="scopes"
        @change="fromHere = $event"
      />
      <Button
        type="submit"
        :label="t('script.shift')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="shift.trim() === ''"
      />
      <Button
        :label="t('script.tap')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="emit('tap')"
      />
    </form>
    <div v-if="lacking" class="buttons lacking" role="alert">
      <p>{{ roomWords }}</p>
      <Button
        v-if="lacking.byMs !== 0"
        :label="t('script.shiftSoFar')"
        size="small"
        @click="shiftBy(lacking.fromMs, lacking.byMs)"
      />
      <Button
        :label="t('script.leaveAsIs')"
        severity="secondary"
        variant="text"
        size="small"
        @click="lacking = null"
      />
    </div>
    <Button
      v-if="reading.script.value && rights.canEdit.value"
      class="remove"
      :label="t('script.removeScript', { language: languageName(reading.script.value.language) })"
      severity="danger"
      variant="text"
      size="small"
      @click="draft.make(edits.removeScript, { scriptId: reading.script.value.id })"
    />
  </div>
</template>

<style scoped>
.another {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px 10px;
}
.another .help {
  grid-column: 1 / -1;
}
.tools {
  gap: 10px;
  max-height: 75%;
  padding: 12px 18px;
  overflow-y: auto;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
}
.shift {
  width: 6em;
}
.warning {
  font-size: 13.5px;
  color: var(--ink-2);
}
.remove {
  align-self: flex-start;
}
</style>
