<script setup lang="ts">
// A learner's own notes on one part: written in place, kept while they are typed.
import { nextTick, onScopeDispose, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { LONGEST_NOTE, type OwnNote } from '@fernbrake/core/notes'
import { clockTime } from '@fernbrake/core/media'
import { useOwnNotes } from './useOwnNotes.ts'

defineProps<{
  partId: string
  /** What the button for a new note says. */
  addWords: string
  /** Moments cannot be gone to. */
  stays?: boolean
}>()
const emit = defineEmits<{ add: []; go: [note: OwnNote] }>()
const { t } = useI18n()
const own = useOwnNotes()
const list = useTemplateRef('list')
/** Words follow the keys this much later, in ms. */
const KEEP_AFTER_MS = 700
const waiting = new Map<string, string>()
let timer: ReturnType<typeof setTimeout> | undefined
/** The note that was taken away last: it can be put back. */
const gone = ref<OwnNote | null>(null)

function type(id: string, event: Event): void {
  const { value } = event.target as HTMLTextAreaElement
  waiting.set(id, value)
  own.typing(id, value)
  clearTimeout(timer)
  timer = setTimeout(keep, KEEP_AFTER_MS)
}
function keep(): void {
  clearTimeout(timer)
  for (const [id, words] of waiting) own.write(id, words)
  waiting.clear()
}
onScopeDispose(keep)
function remove(note: OwnNote): void {
  waiting.delete(note.id)
  own.remove(note.id)
  gone.value = note
}
function putBack(): void {
  if (gone.value) own.putBack(gone.value)
  gone.value = null
}
function saveNotes(): void {
  keep()
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([own.asText()], { type: 'text/plain' }))
  link.download = `${t('player.notes.file')}.txt`
  link.click()
  URL.revokeObjectURL(link.href)
}

const shortOf = (quote: string) => (quote.length > 140 ? `${quote.slice(0, 140).trim()}…` : quote)
function nameOf({ place }: OwnNote): string {
  if (place.on === 'moment') return t('player.notes.at', { time: clockTime(place.atMs) })
  if (place.on === 'part') return t('player.notes.onPart')
  return t('player.notes.onWords', { quote: shortOf(place.quote) })
}
/** Puts the focus into a note. */
async function open(id: string): Promise<void> {
  await nextTick()
  const field = list.value?.querySelector<HTMLTextAreaElement>(`[data-note="${CSS.escape(id)}"]`)
  field?.focus()
  field?.scrollIntoView({ block: 'nearest' })
}
defineExpose({ open })
</script>

<template>
  <section class="notes" :aria-label="t('player.notes.mine')">
    <p class="help">{{ t('player.notes.onlyYou') }}</p>
    <button class="fb-button" type="button" @click="emit('add')">{{ addWords }}</button>
    <ol ref="list">
      <li v-for="note in own.of(partId)" :key="note.id">
        <span v-if="note.place.on === 'moment' && stays" class="about moment">{{
          clockTime(note.place.atMs)
        }}</span>
        <button
          v-else-if="note.place.on !== 'part'"
          class="about"
          :class="note.place.on"
          type="button"
          @click="emit('go', note)"
        >
          <template v-if="note.place.on === 'moment'">{{ clockTime(note.place.atMs) }}</template>
          <span v-else dir="auto">{{ shortOf(note.place.quote) }}</span>
        </button>
        <textarea
          :value="note.words"
          :data-note="note.id"
          :aria-label="nameOf(note)"
          :placeholder="t('player.notes.placeholder')"
          :maxlength="LONGEST_NOTE"
          dir="auto"
          rows="2"
          @input="type(note.id, $event)"
          @blur="keep"
        />
        <button
          class="fb-button plain away"
          type="button"
          :aria-label="t('player.notes.removeWhich', { which: nameOf(note) })"
          @click="remove(note)"
        >
          {{ t('player.notes.remove') }}
        </button>
      </li>
    </ol>
    <p v-if="gone" class="gone" role="status">
      {{ t('player.notes.gone') }}
      <button class="fb-button plain" type="button" @click="putBack">
        {{ t('player.notes.putBack') }}
      </button>
    </p>
    <button
      v-if="own.all.value.length > 0"
      class="fb-button plain along"
      type="button"
      @click="saveNotes"
    >
      {{ t('player.notes.takeAlong') }}
    </button>
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.help,
.gone {
  color: var(--ink-2);
  font-size: 14px;
}
ol {
  display: grid;
  gap: 16px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  gap: 6px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--straw);
}
.about {
  min-height: 28px;
  padding: 2px 4px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  text-decoration: underline;
  text-decoration-color: var(--ink-3);
  text-underline-offset: 3px;
  cursor: pointer;
}
span.about {
  text-decoration: none;
  cursor: default;
}
.about.moment {
  font-family: var(--mono);
  font-size: 14px;
}
.about.words {
  font-family: var(--reading);
  font-size: 15px;
  line-height: 1.4;
  overflow-wrap: anywhere;
}
textarea {
  width: 100%;
  min-height: 60px;
  padding: 8px 10px;
  border: 1px solid var(--line-strong, var(--ink-3));
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 15px;
  field-sizing: content;
  resize: vertical;
}
.along {
  padding-inline: 0;
  font-size: 14px;
}
.away {
  justify-self: end;
  font-size: 14px;
}
@media print {
  .notes {
    display: none;
  }
}
</style>
