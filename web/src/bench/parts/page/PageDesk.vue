<script setup lang="ts">
// A page on the bench: as learners read it, each block to be picked, with places to add to; and the sheet beside it.
import { computed, nextTick, ref } from 'vue'
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import type { KeptQuestion } from '@fernbrake/core/contract'
import { plainOf, type RichText } from '@fernbrake/core/fields'
import type { ArticlePiece } from '@fernbrake/core/formats'
import {
  blocksInOrder,
  edits,
  filmsInOrder,
  hasNothingInside,
  lacksSomething,
  type PageBlock,
  type PagePart,
} from '@fernbrake/core/lesson'
import { findWhatCannotBeAsked } from '@fernbrake/core/questions'
import { PageBlocks, PageBlockView } from '@fernbrake/player'
import QuestionShelf from '../../QuestionShelf.vue'
import { usePlaces, useRights, useBench } from '../../useBench.ts'
import WriteHere from '../../richText/WriteHere.vue'
import PartSheet from '../PartSheet.vue'
import PartTitle from '../PartTitle.vue'
import ThingsDesk from '../ThingsDesk.vue'
import { blankQuestionHere, focusSheet, keptQuestionHere, useThings } from '../useThings.ts'
import type { ArticleSource } from './articleBlocks.ts'
import ArticleIntake from './ArticleIntake.vue'
import BlockAdder from './BlockAdder.vue'
import BlockSheet from './BlockSheet.vue'
import { newBlock, type AddKind } from './newBlock.ts'
import { useArticle } from './useArticle.ts'
import { seenBeside, writtenHere, type WrittenField } from './writtenHere.ts'

const props = defineProps<{ part: PagePart; covered: boolean }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { t } = useI18n()
const { add } = useThings(() => props.part)
const picked = places.thingId
const block = computed(() => props.part.blocks[picked.value ?? ''] ?? null)
const all = computed(() => blocksInOrder(props.part))
/** Where a question from the shelf is to come; null while none is being chosen. */
const shelfFor = ref<{ inside: PageBlock['inside'] } | null>(null)

const labelOf = (one: PageBlock) => t(`parts.block.${one.kind}`)
const stemOf = (one: PageBlock) =>
  one.kind === 'question'
    ? plainOf(bench.lesson.value.questions[one.questionId]!.stem) || t('quiz.noStem')
    : undefined
const isUnready = (one: PageBlock) =>
  lacksSomething(one) ||
  hasNothingInside(props.part.blocks, one) ||
  (one.kind === 'question' &&
    findWhatCannotBeAsked(bench.lesson.value.questions[one.questionId]!).length > 0)

const isHere = (one: PageBlock, inside: PageBlock['inside']) =>
  JSON.stringify(one.inside) === JSON.stringify(inside)

/** The first film from end to end: what most pages show, and what a stretch is cut from. */
function wholeFilm() {
  const film = filmsInOrder(bench.lesson.value).find(({ durationMs }) => (durationMs ?? 0) > 0)
  return film ? { partId: film.id, fromMs: 0, toMs: film.durationMs! } : null
}

/** Puts it after what is picked, where that stands in the same place; else at the end. */
function place(kind: AddKind, inside: PageBlock['inside'], kept?: KeptQuestion): void {
  const afterId = block.value && isHere(block.value, inside) ? block.value.id : null
  const asks =
    kind === 'question' ? (kept ? keptQuestionHere(kept) : blankQuestionHere()) : undefined
  const first = { questionId: asks?.questionId, stretch: wholeFilm() }
  const made = { ...newBlock(kind, nanoid(), first), ...(inside ? { inside } : {}) }
  shelfFor.value = null
  if (add('blocks', [made], { afterId, ...(asks ? { asks } : {}) })) focusSheet()
}

/** The block whose words are being written where they stand. */
const writing = ref<string | null>(null)
const { set } = useThings(() => props.part)
const fieldsOf = (one: PageBlock) =>
  writtenHere(one, (questionId) => bench.lesson.value.questions[questionId]!.stem)
function write(one: PageBlock, name: WrittenField['name'], text: RichText): void {
  if (name === 'stem' && one.kind === 'question')
    bench.draft.make(edits.setQuestionText, { questionId: one.questionId, field: 'stem', text })
  // A note that is empty is none.
  else set(one.id, { [name]: name === 'note' && text === '' ? undefined : text } as never)
}
function beginWriting(one: PageBlock): void {
  if (!rights.canEdit.value || fieldsOf(one).length === 0) return
  picked.value = one.id
  writing.value = one.id
}
/** The end of a title is not the end of writing, where more is written below it. */
function goOn(event: KeyboardEvent): void {
  const field = event.target as HTMLElement
  const next = field.nextElementSibling
  if (!field.matches('.of-title') || !(next instanceof HTMLTextAreaElement)) return
  event.preventDefault()
  event.stopPropagation()
  next.focus()
}
/** Whoever leaves one of its fields for the next goes on writing. */
async function stopWriting(id: string, byKey: boolean): Promise<void> {
  await nextTick()
  const fields = [...document.querySelectorAll<HTMLElement>(`[data-written="${id}"] textarea`)]
  const isOnNext = !byKey && fields.some((field) => field === document.activeElement)
  if (isOnNext || writing.value !== id) return
  writing.value = null
  await nextTick()
  if (byKey) document.querySelector<HTMLElement>(`[data-block="${id}"]`)?.focus()
}

/** Where an article is to come, and what of it was pasted already; null while none is being brought. */
const articleFor = ref<{
  inside: PageBlock['inside']
  pasted?: { html: string; words: string }
} | null>(null)
const bringArticle = useArticle(() => props.part)
function putArticle(pieces: ArticlePiece[], source: ArticleSource): void {
  const inside = articleFor.value?.inside
  const afterId = block.value && isHere(block.value, inside) ? block.value.id : null
  articleFor.value = null
  bringArticle(pieces, source, { inside, afterId })
}
/** What is pasted onto the page, and not into a field, is an article. */
function onPaste(event: ClipboardEvent): void {
  const html = event.clipboardData?.getData('text/html') ?? ''
  const words = event.clipboardData?.getData('text/plain') ?? ''
  if (!rights.canEdit.value || html + words.trim() === '') return
  event.preventDefault()
  articleFor.value = { inside: undefined, pasted: { html, words } }
}

/** A block that is dragged, and the one it is held over. */
const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
function drop(beforeId: string | null, inside: PageBlock['inside']): void {
  const thingId = dragged.value
  dragged.value = over.value = null
  const moved = props.part.blocks[thingId ?? '']
  if (!moved || !thingId || (moved.kind === 'columns' && inside)) return
  const where = { thingId, beforeId, inside: inside ?? null }
  bench.draft.make(edits.placeThing, { partId: props.part.id, ...where })
}
</script>

<template>
  <ThingsDesk
    :label="t('parts.kind.page')"
    :covered="covered"
    :is-there="picked === null || block !== null"
    :question-id="block?.kind === 'question' ? block.questionId : null"
  >
    <PartTitle :part="part" :facts="t('parts.blocks', all.length)" />
    <div class="page" @paste="onPaste">
      <PageBlocks :page="part">
        <template #columns="{ block: one }">
          <div class="framed columns-head" :class="{ picked: one.id === picked }">
            <button
              type="button"
              class="handle"
              :draggable="rights.canEdit.value"
              :aria-pressed="one.id === picked"
              :data-picked="one.id === picked || undefined"
              @dragstart="dragged = one.id"
              @dragend="dragged = over = null"
              @click="picked = one.id"
            >
              {{ labelOf(one) }}
            </button>
          </div>
        </template>
        <template #block="{ block: one }">
          <div
            class="framed"
            :class="{ picked: one.id === picked, over: over === one.id && dragged !== one.id }"
            @click="picked = one.id"
            @dblclick="beginWriting(one)"
            @dragenter="over = one.id"
            @dragover.prevent
            @drop.prevent="drop(one.id, one.inside)"
          >
            <button
              type="button"
              class="handle"
              :draggable="rights.canEdit.value"
              :data-block="one.id"
              :aria-pressed="one.id === picked"
              :data-picked="one.id === picked || undefined"
              @dragstart="dragged = one.id"
              @dragend="dragged = over = null"
              @click="picked = one.id"
              @keydown.f2.prevent="beginWriting(one)"
            >
              {{ labelOf(one) }}<b v-if="isUnready(one)"> · {{ t('quiz.unready') }}</b>
            </button>
            <div
              v-if="one.id === writing"
              class="written"
              :class="one.kind"
              :data-written="one.id"
              @keydown.enter.capture="goOn"
            >
              <div v-if="seenBeside(one)" class="seen" inert>
                <PageBlockView :block="seenBeside(one)!" />
              </div>
              <WriteHere
                v-for="(field, at) in fieldsOf(one)"
                :key="field.name"
                :class="`of-${field.name}`"
                :label="t(field.label)"
                :text="field.text"
                :max="field.max"
                :plain="field.plain"
                :waits="at > 0"
                @change="write(one, field.name, $event)"
                @done="stopWriting(one.id, $event)"
              />
            </div>
            <div v-else class="seen" inert>
              <PageBlockView :block="one" :stem="stemOf(one)" />
            </div>
          </div>
        </template>
        <template #end="{ place: there }">
          <div
            v-if="rights.canEdit.value"
            class="adder"
            @dragover.prevent
            @drop.prevent="drop(null, there)"
          >
            <BlockAdder
              :small="there !== undefined"
              @add="place($event, there)"
              @shelf="shelfFor = { inside: there }"
              @article="articleFor = { inside: there }"
            />
          </div>
        </template>
      </PageBlocks>
    </div>
    <template #sheet>
      <ArticleIntake
        v-if="articleFor"
        :key="articleFor.pasted?.words"
        :pasted="articleFor.pasted ?? null"
        @put="putArticle"
        @close="articleFor = null"
      />
      <QuestionShelf
        v-else-if="shelfFor"
        :ask-label="t('parts.putHere')"
        @ask="place('question', shelfFor.inside, $event)"
        @keydown.esc="shelfFor = null"
      >
        <h2>{{ t('questionShelf.title') }}</h2>
      </QuestionShelf>
      <BlockSheet v-else-if="block" :key="block.id" :part="part" :block="block" />
      <PartSheet v-else :part="part" :help="t('parts.help.page')" />
    </template>
  </ThingsDesk>
</template>

<style scoped>
.page {
  padding: 4px 12px;
}
.framed {
  position: relative;
  grid-column: 1 / -1;
  padding: 24px 8px 6px;
  margin: -8px -8px -6px;
  border: 1px solid transparent;
  border-radius: var(--radius);
  cursor: pointer;
}
.framed:hover,
.framed.picked {
  border-color: var(--line-strong);
}
.framed.picked {
  border-color: var(--fern);
  box-shadow: inset 4px 0 0 var(--fern);
  background: var(--surface);
}
/* Where what is dragged would come to stand. */
.framed.over {
  box-shadow: inset 0 3px 0 var(--fern);
}
.columns-head {
  padding: 20px 8px 0;
}
.seen {
  display: grid;
  grid-template-columns: minmax(0, 660px) minmax(0, 190px);
  column-gap: 28px;
}
.written {
  max-width: 660px;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.55;
}
.written.heading {
  font-size: 22px;
  font-weight: 600;
}
.written > .of-title,
.written > .of-caption,
.written > .of-note {
  margin-bottom: 4px;
  font-family: var(--interface);
  font-size: 15px;
}
.written.fact > .of-title {
  font-weight: 700;
}
.column .seen {
  grid-template-columns: minmax(0, 1fr);
}
.handle {
  position: absolute;
  top: 0;
  inset-inline-start: 8px;
  min-height: 24px;
  padding: 1px 4px;
  border: 0;
  background: none;
  color: var(--ink-3);
  font: inherit;
  font-size: 12.5px;
  cursor: grab;
}
.framed.picked > .handle {
  color: var(--fern);
  font-weight: 650;
}
.handle b {
  color: var(--rust);
}
.adder {
  grid-column: 1 / -1;
}
h2 {
  font-size: 15px;
}
</style>
