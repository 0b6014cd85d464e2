<script setup lang="ts">
// Files as an answer: chosen, dropped or photographed; sent at once, each with how far it has come.
import { computed, inject, onScopeDispose, reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  BYTES_A_MEGABYTE,
  offeredTypes,
  sortsTaken,
  type HandedFile,
  type UploadAnswer,
  type UploadQuestion,
} from '@fernbrake/core/questions'
import type { HandedFileState } from '../hosts/Host.ts'
import AnswerFields from './AnswerFields.vue'
import { FILES, type AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<UploadQuestion>>()
const answer = defineModel<UploadAnswer | null>({ required: true })
const { t, n } = useI18n()
const handed = inject(FILES)!

const sorts = computed(() => sortsTaken(props.question))
const files = computed(() => answer.value?.files ?? [])
const states = reactive(new Map<string, HandedFileState>())
/** Said of files that were not taken. */
const refused = ref<string[]>([])
const isOver = ref(false)
const room = computed(() => props.question.mostFiles - files.value.length)
const asked = computed(() =>
  [
    sorts.value.map((sort) => t(`player.fileSort.${sort}`)).join(', '),
    t('player.filesAtMost', { n: props.question.mostFiles }, props.question.mostFiles),
    t('player.eachAtMost', { size: sizeOf(props.question.mostMegabytes * BYTES_A_MEGABYTE) }),
  ].join(' · '),
)

function sizeOf(bytes: number): string {
  const isSmall = bytes < BYTES_A_MEGABYTE
  const value = isSmall ? Math.max(1, Math.round(bytes / 1000)) : bytes / BYTES_A_MEGABYTE
  return `${n(value, { maximumFractionDigits: 1 })} ${isSmall ? 'kB' : 'MB'}`
}

for (const { id } of files.value) {
  const state = handed.state(id)
  if (state) states.set(id, state)
}
onScopeDispose(
  handed.onState((state) => {
    if (!files.value.some(({ id }) => id === state.id)) return
    states.set(state.id, state)
    if (state.state !== 'refused') return
    refused.value.push(t('player.fileRefused', { name: state.name, reason: state.message }))
    void removeFile(state.id)
  }),
)

function setFiles(next: HandedFile[]): void {
  answer.value = next.length > 0 ? { kind: 'upload', files: next } : null
}

async function accept(list: Iterable<File>): Promise<void> {
  refused.value = []
  for (const file of list) {
    const fault = whyNot(file)
    if (fault) refused.value.push(t(`player.${fault}`, { name: file.name }))
    else {
      const state = await handed.put(props.question.id, file.name, file)
      states.set(state.id, handed.state(state.id) ?? state)
      setFiles([...files.value, { id: state.id, name: file.name, bytes: file.size }])
    }
  }
}

/** What can be told before anything is sent; the content is looked at by the server. */
function whyNot(file: File): 'tooManyFiles' | 'fileTooLarge' | 'fileEmpty' | null {
  if (room.value <= 0) return 'tooManyFiles'
  if (file.size === 0) return 'fileEmpty'
  return file.size > props.question.mostMegabytes * BYTES_A_MEGABYTE ? 'fileTooLarge' : null
}

function onPicked(event: Event): void {
  const input = event.target as HTMLInputElement
  void accept([...(input.files ?? [])]).then(() => (input.value = ''))
}
function onDrop(event: DragEvent): void {
  isOver.value = false
  if (!props.answered) void accept([...(event.dataTransfer?.files ?? [])])
}

async function removeFile(id: string): Promise<void> {
  setFiles(files.value.filter((file) => file.id !== id))
  states.delete(id)
  await handed.drop(id)
}

const shareOf = ({ id, bytes }: HandedFile) => (states.get(id)?.sentBytes ?? bytes) / bytes
const stateOf = ({ id }: HandedFile) => states.get(id)?.state ?? 'there'
</script>

<template>
  <AnswerFields :help="t('player.handIn')" :answered="answered">
    <div
      class="room"
      :class="{ over: isOver, full: room <= 0 || answered }"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="onDrop"
    >
      <p class="asked">{{ asked }}</p>
      <div v-if="!answered && room > 0" class="ways">
        <label class="fb-button">
          {{ t('player.chooseFile', room) }}
          <input
            type="file"
            :accept="offeredTypes(sorts)"
            :multiple="room > 1"
            @change="onPicked"
          />
        </label>
        <label v-if="question.takes.picture" class="fb-button camera">
          {{ t('player.takePhoto') }}
          <input type="file" accept="image/*" capture="environment" @change="onPicked" />
        </label>
      </div>
    </div>
    <ul v-if="files.length > 0" class="files">
      <li v-for="file in files" :key="file.id">
        <a :href="handed.address(file.id)" target="_blank" rel="noopener" :download="file.name">{{
          file.name
        }}</a>
        <span class="size">{{ sizeOf(file.bytes) }}</span>
        <button
          v-if="!answered"
          class="fb-button plain"
          type="button"
          :aria-label="t('player.takeOutFile', { name: file.name })"
          @click="removeFile(file.id)"
        >
          {{ t('player.takeOut') }}
        </button>
        <progress
          v-if="stateOf(file) !== 'there'"
          :value="shareOf(file)"
          max="1"
          :aria-label="file.name"
        />
        <span class="state" role="status">{{
          t(`player.fileState.${stateOf(file)}`, {
            share: n(shareOf(file), { style: 'percent', maximumFractionDigits: 0 }),
          })
        }}</span>
      </li>
    </ul>
    <p v-for="sentence in refused" :key="sentence" class="refused" role="alert">{{ sentence }}</p>
  </AnswerFields>
</template>

<style scoped>
.room {
  padding: 14px;
  border: 1.5px dashed var(--line-strong);
  border-radius: var(--radius);
}
.room.full {
  padding: 0;
  border: 0;
}
.room.over {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.asked {
  color: var(--ink-2);
  font-size: 13.5px;
}
.asked::first-letter {
  text-transform: uppercase;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 10px;
}
.ways label {
  cursor: pointer;
}
.ways label:has(input:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
.ways input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
/* A camera in the hand opens at once; at a desk the file picker does the same. */
.camera {
  display: none;
}
@media (pointer: coarse) {
  .camera {
    display: inline-flex;
  }
}
.files {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
.files li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 2px 12px;
  min-height: 52px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.files a {
  color: var(--slate);
  overflow-wrap: anywhere;
  font-weight: 650;
}
.size,
.state {
  color: var(--ink-2);
  font-size: 13.5px;
}
progress {
  grid-column: 1;
  width: 100%;
  accent-color: var(--fern);
}
.state {
  grid-column: 1 / -1;
}
progress + .state {
  grid-column: 2 / -1;
}
.refused {
  margin-top: 8px;
  padding: 10px 14px;
  border-inline-start: 3px solid var(--rust);
  background: var(--rust-soft);
  overflow-wrap: anywhere;
}
</style>
