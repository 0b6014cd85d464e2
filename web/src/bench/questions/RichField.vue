<script setup lang="ts">
// A text of a question. Formulas are typed between dollar signs and drawn beneath; a text with lists, tables or media is
// shown as it reads.
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import { isSameText, plainOf, withBlock, type RichText } from '@fernbrake/core/fields'
import { readFormulas, typeFormulas } from '@fernbrake/core/text'
import { TextView } from '@fernbrake/player'
import WordsField from '../WordsField.vue'
import { pictureIn } from '../../shelf/useMediaUpload.ts'
import { useBench, useRights } from '../useBench.ts'

const props = withDefaults(
  defineProps<{ label: string; text: RichText; max: number; rows?: number; hideLabel?: boolean }>(),
  { rows: 1 },
)
const emit = defineEmits<{ change: [text: RichText] }>()
const bench = useBench()
const rights = useRights()
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
/** What writes rich texts is large, and fetched when it is first opened. */
const RichDialog = defineAsyncComponent(() => import('../richText/RichDialog.vue'))
const opened = ref(false)
const isDrawn = computed(() => typeof props.text !== 'string')

/** A picture that is pasted or dropped comes to the end of the text; what comes later than this field lies on the shelf. */
const place = { at: 'text', padId: nanoid() } as const
onScopeDispose(
  bench.placings.receive(place.padId, ({ id: mediaId, alternative }: Media) =>
    emit('change', withBlock(props.text, { block: 'picture', mediaId, alternative })),
  ),
)
/** Only what says that it takes a file is given it; else the browser opens it in place of the page. */
function allowFile(event: DragEvent): void {
  if (rights.canEdit.value && event.dataTransfer?.types.includes('Files')) event.preventDefault()
}
function takePicture(event: ClipboardEvent | DragEvent): void {
  const data = 'clipboardData' in event ? event.clipboardData : event.dataTransfer
  // Words that are copied elsewhere often come with a picture of themselves; it is the words that are meant.
  const file = data?.types.includes('text/plain') ? null : pictureIn(data)
  if (!file || !rights.canEdit.value) return
  event.preventDefault()
  void bench.placings.put(place, 'picture', file, file.name)
}

function type(words: string): void {
  typed.value = words
  emit('change', readFormulas(words))
}
</script>

<template>
  <div class="rich" @paste="takePicture" @dragover="allowFile" @drop="takePicture">
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
    <div
      v-if="rights.canEdit.value"
      class="ways"
      :class="{ always: typed === null, within: hideLabel && typed !== null }"
    >
      <button
        type="button"
        :title="t('rich.open')"
        :aria-label="t('rich.openFor', { label })"
        @click="opened = true"
      >
        {{ hideLabel && typed !== null ? '…' : t('rich.open') }}
      </button>
      <button
        v-if="typed === null"
        type="button"
        @click="emit('change', plainOf(text).slice(0, max))"
      >
        {{ t('ask.makePlain') }}
      </button>
    </div>
    <RichDialog
      v-if="opened"
      :label="label"
      :text="text"
      @change="emit('change', $event)"
      @close="opened = false"
    />
  </div>
</template>

<style scoped>
.rich {
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
/* There is one beside every text; it shows itself where somebody is writing, without moving anything. */
.ways {
  position: absolute;
  top: -3px;
  inset-inline-end: 0;
  display: flex;
  gap: 12px;
  opacity: 0;
}
.ways.always,
.rich:focus-within > .ways,
.rich:hover > .ways {
  opacity: 1;
}
.ways.within {
  top: 6px;
  inset-inline-end: 6px;
  padding: 0 6px;
  background: var(--surface);
}
.ways button {
  min-width: 24px;
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--slate);
  font: inherit;
  font-size: 13px;
  text-decoration: underline;
  text-underline-offset: 0.18em;
  cursor: pointer;
}
.shown {
  padding: 6px 12px;
  border-inline-start: 3px solid var(--line-strong);
}
</style>
