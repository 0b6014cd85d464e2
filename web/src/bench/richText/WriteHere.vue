<script setup lang="ts">
// A text, written where it stands and as it looks there. One with lists, tables or media opens what writes those.
import {
  computed,
  defineAsyncComponent,
  nextTick,
  onMounted,
  ref,
  useTemplateRef,
  watch,
} from 'vue'
import { isSameText, type RichText } from '@fernbrake/core/fields'
import { readFormulas, typeFormulas } from '@fernbrake/core/text'
import { undoneByInput, undoneByKey } from '../lessonUndo.ts'
import { useBench } from '../useBench.ts'

const props = defineProps<{
  label: string
  text: RichText
  max: number
  /** Words alone, on one line: Enter ends it. */
  plain?: boolean
  /** It does not take the focus by itself. */
  waits?: boolean
}>()
const emit = defineEmits<{ change: [text: RichText]; done: [byKey: boolean] }>()
const bench = useBench()
const field = useTemplateRef('field')
const RichDialog = defineAsyncComponent(() => import('./RichDialog.vue'))
const typed = ref(props.plain ? (props.text as string) : typeFormulas(props.text))
const isTyped = computed(() => typed.value !== null)
watch(
  () => props.text,
  (text) => {
    if (typed.value !== null && !isSameText(read(typed.value), text))
      typed.value = props.plain ? (text as string) : typeFormulas(text)
  },
)
const read = (words: string): RichText => (props.plain ? words : readFormulas(words))

/** As high as what stands in it. */
async function fit(): Promise<void> {
  await nextTick()
  if (!field.value) return
  field.value.style.height = 'auto'
  field.value.style.height = `${field.value.scrollHeight}px`
}
onMounted(() => {
  if (!props.waits) field.value?.focus()
  field.value?.setSelectionRange(field.value.value.length, field.value.value.length)
  void fit()
})
watch(typed, fit)

function write(words: string): void {
  typed.value = props.plain ? words.replaceAll('\n', ' ') : words
  emit('change', read(typed.value))
}
function onKey(event: KeyboardEvent): void {
  // Keys of the bench are letters here.
  event.stopPropagation()
  if (undoneByKey(bench.draft, event)) return
  if (event.key !== 'Escape' && !(props.plain && event.key === 'Enter')) return
  event.preventDefault()
  emit('done', true)
}
</script>

<template>
  <textarea
    v-if="isTyped"
    ref="field"
    rows="1"
    :value="typed!"
    :maxlength="max"
    :aria-label="label"
    :placeholder="label"
    dir="auto"
    @input="write(($event.target as HTMLTextAreaElement).value)"
    @keydown="onKey"
    @beforeinput="undoneByInput(bench.draft, $event as InputEvent)"
    @click.stop
    @dblclick.stop
    @paste.stop
    @blur="emit('done', false)"
  />
  <RichDialog
    v-else
    :label="label"
    :text="text"
    @change="emit('change', $event)"
    @close="emit('done', true)"
  />
</template>

<style scoped>
textarea {
  display: block;
  width: 100%;
  margin: 0;
  padding: 2px 4px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  font: inherit;
  line-height: inherit;
  text-align: inherit;
  resize: none;
  overflow: hidden;
}
</style>
