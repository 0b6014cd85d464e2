<script setup lang="ts">
// Writing a text with all that it may hold: marks, lists, tables, formulas, pictures, sounds, stretches of film.
import { Editor } from '@tiptap/core'
import { Bold } from '@tiptap/extension-bold'
import { Code } from '@tiptap/extension-code'
import { Document } from '@tiptap/extension-document'
import { Italic } from '@tiptap/extension-italic'
import { BulletList, ListItem, ListKeymap, OrderedList } from '@tiptap/extension-list'
import { Paragraph } from '@tiptap/extension-paragraph'
import { Subscript } from '@tiptap/extension-subscript'
import { Superscript } from '@tiptap/extension-superscript'
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table'
import { Text } from '@tiptap/extension-text'
import { UndoRedo } from '@tiptap/extensions'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import {
  computed,
  getCurrentInstance,
  inject,
  nextTick,
  onScopeDispose,
  ref,
  shallowRef,
  useTemplateRef,
  watch,
} from 'vue'
import { useI18n } from 'vue-i18n'
import { isSameText, type Block, type RichText } from '@fernbrake/core/fields'
import { ADDRESSES, FormulaText, TextMedia } from '@fernbrake/player'
import { fromEditor, toEditor, type EditorNode } from './convert.ts'
import FormulaPad from './FormulaPad.vue'
import LinkPad from './LinkPad.vue'
import MediumPad from './MediumPad.vue'
import PagePad from './PagePad.vue'
import { nodesFor } from './nodes.ts'
import { addressAt, setLink, tableSteps } from './steps.ts'

const props = defineProps<{ label: string; text: RichText }>()
const emit = defineEmits<{ change: [text: RichText]; close: [] }>()
const visible = ref(true)
const { t } = useI18n()
const place = useTemplateRef('place')
const editor = shallowRef<Editor | null>(null)
/** Grows with every change of text or selection, so that the buttons follow. */
const turn = ref(0)
type Pad = 'formula' | 'link' | 'picture' | 'sound' | 'stretch' | 'page'
const pad = ref<Pad | null>(null)
/** The formula that is being mended, where one is. */
const mended = ref<{ tex: string; display: boolean } | null>(null)

// Items and cells hold lines alone, as our texts do: a picture that is put in there parts the list, instead of being lost.
const LineItem = ListItem.extend({ content: 'paragraph (bulletList | orderedList)*' })
const LineHeader = TableHeader.extend({ content: 'paragraph+' })
const LineCell = TableCell.extend({ content: 'paragraph+' })

/** What nodes draw is an app of its own to Vue; it is told what the bench tells its parts. */
function contextOfNodes() {
  const { appContext } = getCurrentInstance()!
  const provides = Object.create(appContext.provides) as Record<symbol, unknown>
  provides[ADDRESSES as symbol] = inject(ADDRESSES, null)
  return { ...appContext, provides }
}
const drawing = { formula: FormulaText, block: TextMedia, context: contextOfNodes() }

function begin(): void {
  if (!place.value || editor.value) return
  editor.value = new Editor({
    element: place.value,
    // Styles come with the page: the browser takes none that a script brings along.
    injectCSS: false,
    extensions: [
      Document,
      Paragraph,
      Text,
      Bold,
      Italic,
      Code,
      Subscript,
      Superscript,
      UndoRedo,
      BulletList,
      OrderedList,
      LineItem,
      ListKeymap,
      Table.configure({ resizable: false }),
      TableRow,
      LineHeader,
      LineCell,
      ...nodesFor(drawing),
    ],
    content: toEditor(props.text),
    editorProps: {
      attributes: {
        role: 'textbox',
        // The dialog gives focus to what asks for it.
        autofocus: '',
        'aria-multiline': 'true',
        'aria-label': props.label,
        dir: 'auto',
      },
      handleDoubleClickOn: (_view, _pos, node) => {
        if (!node.type.name.startsWith('formula')) return false
        openFormula()
        return true
      },
    },
    onTransaction: () => (turn.value += 1),
    onUpdate: ({ editor: now }) => emit('change', fromEditor(now.getJSON() as EditorNode)),
  })
}
onScopeDispose(() => editor.value?.destroy())
// Somebody else, or undo, changed the text meanwhile.
watch(
  () => props.text,
  (text) => {
    const now = editor.value
    if (!now || isSameText(fromEditor(now.getJSON() as EditorNode), text)) return
    now.commands.setContent(toEditor(text), { emitUpdate: false })
  },
)

const chain = () => editor.value!.chain().focus()
const MARKS = ['bold', 'italic', 'highlight', 'subscript', 'superscript', 'code'] as const
const isOn = (name: string) => turn.value >= 0 && (editor.value?.isActive(name) ?? false)
const inTable = computed(() => isOn('table'))
const TABLE_STEPS = tableSteps(() => editor.value!)

function putLink(address: string | null): void {
  setLink(editor.value!, address)
  pad.value = null
}

function openFormula(): void {
  const attrs = editor.value!.getAttributes('formula') as { tex?: string }
  const own = editor.value!.getAttributes('formulaBlock') as { tex?: string }
  mended.value = attrs.tex
    ? { tex: attrs.tex, display: false }
    : own.tex
      ? { tex: own.tex, display: true }
      : null
  pad.value = 'formula'
}

function putFormula({ tex, display }: { tex: string; display: boolean }): void {
  const type = display ? 'formulaBlock' : 'formula'
  if (display && mended.value === null) putBlock(type, { tex })
  else chain().insertContent({ type, attrs: { tex } }).run()
  pad.value = null
}

/** Puts something in that stands on lines of its own; the caret goes to a line after it, not onto what was put in. */
function putBlock(type: string, attrs: Record<string, unknown>): void {
  chain()
    .insertContent([{ type, attrs }, { type: 'paragraph' }])
    .run()
}

function putMedium(
  block: Extract<Block, { block: 'picture' | 'sound' | 'stretch' | 'page' }>,
): void {
  const { block: type, ...attrs } = block
  putBlock(type, attrs)
  pad.value = null
}

function closePad(): void {
  pad.value = null
  void nextTick(() => editor.value?.commands.focus())
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    class="rich-dialog"
    :header="label"
    :draggable="false"
    :close-on-escape="pad === null"
    @show="begin"
    @after-hide="emit('close')"
  >
    <div class="bar" role="toolbar" :aria-label="t('rich.bar')">
      <button
        v-for="mark in MARKS"
        :key="mark"
        type="button"
        :class="mark"
        :aria-pressed="isOn(mark)"
        :title="t(`rich.mark.${mark}`)"
        :aria-label="t(`rich.mark.${mark}`)"
        @click="chain().toggleMark(mark).run()"
      >
        {{ t(`rich.sign.${mark}`) }}
      </button>
      <button
        type="button"
        :aria-pressed="isOn('link')"
        :aria-expanded="pad === 'link'"
        @click="pad = 'link'"
      >
        {{ t('rich.link') }}
      </button>
      <span class="rule" />
      <button
        type="button"
        :aria-pressed="isOn('bulletList')"
        @click="chain().toggleBulletList().run()"
      >
        {{ t('rich.list') }}
      </button>
      <button
        type="button"
        :aria-pressed="isOn('orderedList')"
        @click="chain().toggleOrderedList().run()"
      >
        {{ t('rich.numbered') }}
      </button>
      <button
        type="button"
        :disabled="inTable"
        @click="chain().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run()"
      >
        {{ t('rich.table') }}
      </button>
      <span class="rule" />
      <button type="button" :aria-expanded="pad === 'formula'" @click="openFormula">
        {{ t('rich.formula') }}
      </button>
      <button
        v-for="kind in ['picture', 'sound', 'stretch', 'page'] as const"
        :key="kind"
        type="button"
        :aria-expanded="pad === kind"
        :disabled="inTable"
        @click="pad = kind"
      >
        {{ t(`rich.${kind}`) }}
      </button>
    </div>
    <div v-if="inTable" class="bar second" role="toolbar" :aria-label="t('rich.tableBar')">
      <button v-for="(step, name) in TABLE_STEPS" :key="name" type="button" @click="step">
        {{ t(`rich.step.${name}`) }}
      </button>
    </div>
    <FormulaPad
      v-if="pad === 'formula'"
      :tex="mended?.tex ?? ''"
      :display="mended?.display ?? false"
      :is-new="mended === null"
      @done="putFormula"
      @close="closePad"
    />
    <LinkPad
      v-else-if="pad === 'link'"
      :address="addressAt(editor!)"
      @done="putLink"
      @close="closePad"
    />
    <PagePad v-else-if="pad === 'page'" @done="putMedium" @close="closePad" />
    <MediumPad v-else-if="pad" :kind="pad" @done="putMedium" @close="closePad" />
    <div ref="place" class="text" />
    <template #footer>
      <p class="help">{{ t('rich.kept') }}</p>
      <Button :label="t('rich.done')" @click="visible = false" />
    </template>
  </Dialog>
</template>

<style>
/* The editor's own parts are made outside of any template. */
.rich-dialog {
  width: min(960px, calc(100vw - 32px));
}
.rich-dialog .ProseMirror {
  min-height: 220px;
  padding: 12px 16px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.rich-dialog .ProseMirror:focus-visible {
  outline: 2px solid var(--focus);
  outline-offset: 1px;
}
.rich-dialog .ProseMirror p {
  margin: 0;
  min-height: 1.5em;
}
.rich-dialog .ProseMirror p + p {
  margin-top: 0.4em;
}
.rich-dialog .ProseMirror table {
  border-collapse: collapse;
  margin: 0.5em 0;
  font-family: var(--interface);
  font-size: 15px;
}
.rich-dialog .ProseMirror td,
.rich-dialog .ProseMirror th {
  min-width: 60px;
  padding: 4px 10px;
  border: 1px solid var(--line-strong);
  text-align: start;
}
.rich-dialog .ProseMirror th {
  background: var(--sunk);
}
.rich-dialog .ProseMirror .selectedCell {
  background: var(--fern-soft);
}
.rich-dialog .ProseMirror-selectednode {
  outline: 2px solid var(--fern);
  outline-offset: 2px;
}
.rich-dialog .drawn {
  cursor: default;
}
</style>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px;
  margin-bottom: 6px;
}
.bar button {
  min-width: 34px;
  height: 34px;
  padding: 0 9px;
  border: 1px solid transparent;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.bar button:hover:enabled {
  background: var(--sunk);
}
.bar button[aria-pressed='true'],
.bar button[aria-expanded='true'] {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.bar button:disabled {
  color: var(--ink-3);
  cursor: default;
}
.bar .bold {
  font-weight: 750;
}
.bar .italic {
  font-family: var(--reading);
  font-style: italic;
}
.bar .code {
  font-family: var(--mono);
}
.bar .highlight,
.text :deep(mark) {
  background: var(--straw-soft);
  box-shadow: inset 0 -2px 0 var(--straw);
  color: inherit;
}
.rule {
  width: 1px;
  height: 20px;
  margin: 0 6px;
  background: var(--line);
}
.second {
  padding: 2px 6px;
  background: var(--ground);
}
.help {
  flex: 1;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
