<script setup lang="ts">
// An article from elsewhere, pasted or read from its address, looked over before it comes onto the page.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, onMounted, reactive, ref, shallowRef, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  readArticle,
  readPlainArticle,
  type Article,
  type ArticlePiece,
  type HtmlNode,
} from '@fernbrake/core/formats'
import { addressMeant, isWebAddress, plainOf } from '@fernbrake/core/fields'
import { call } from '../../../api/client.ts'
import FaultNotice from '../../../ui/FaultNotice.vue'
import type { ArticleSource } from './articleBlocks.ts'

const props = defineProps<{
  /** What was pasted onto the page. */
  pasted?: { html: string; words: string } | null
}>()
const emit = defineEmits<{ put: [pieces: ArticlePiece[], source: ArticleSource]; close: [] }>()
const { t } = useI18n()
const id = useId()
const FIELDS = [
  { name: 'title', max: 200 },
  { name: 'maker', max: 200 },
  { name: 'site', max: 200 },
  { name: 'licence', max: 200 },
  { name: 'address', max: 2000 },
] as const

const article = shallowRef<Article | null>(null)
const known = reactive<ArticleSource>({ title: '', maker: '', site: '', licence: '', address: '' })
const fields = computed(() => FIELDS.map(({ name, max }) => ({ name, max, said: known[name] })))
function say(name: keyof ArticleSource, text: string): void {
  known[name] = text
}
const words = ref('')

/** The browser's own reader makes a document of it in which nothing runs and nothing is fetched. */
function readPasted(html: string, plain: string): void {
  const document = html && new DOMParser().parseFromString(html, 'text/html')
  const read = document ? readArticle(document as unknown as HtmlNode, null) : null
  article.value = read && read.pieces.length > 0 ? read : readPlainArticle(plain)
}
function onPaste(event: ClipboardEvent): void {
  event.preventDefault()
  const data = event.clipboardData
  readPasted(data?.getData('text/html') ?? '', data?.getData('text/plain') ?? '')
}
const form = useTemplateRef('form')
onMounted(() => {
  if (props.pasted) readPasted(props.pasted.html, props.pasted.words)
  else form.value?.querySelector('input')?.focus()
})

const typed = ref('')
const address = computed(() => addressMeant(typed.value))
const isAddress = computed(() => isWebAddress(address.value))
const reading = ref(false)
const finding = ref<'private' | 'away' | 'noText' | 'tooLong' | null>(null)
const fault = shallowRef<unknown>(null)
async function readIt(): Promise<void> {
  if (!isAddress.value) return
  reading.value = true
  finding.value = fault.value = null
  try {
    const reply = await call('readArticle', { body: { address: address.value } })
    if (!reply.article) finding.value = reply.finding as 'noText'
    else {
      article.value = reply.article
      const { title, maker, site, licence, address: found } = reply.article
      Object.assign(known, { title, maker, site, licence, address: found })
    }
  } catch (error) {
    fault.value = error
  } finally {
    reading.value = false
  }
}

const has = computed(() => (article.value?.pieces.length ?? 0) > 0)
const nameOf = (one: ArticlePiece) =>
  one.piece === 'text' && one.text.blocks[0]?.block !== 'paragraph'
    ? t(`article.${one.text.blocks[0]!.block}`)
    : t(`article.${one.piece}`)
const LONGEST = 90
function saidBy(one: ArticlePiece): string {
  if (one.piece === 'heading') return one.words
  const said =
    one.piece === 'picture'
      ? one.alternative || one.caption || one.address.replace(/^data:.*/s, '')
      : plainOf(one.text)
  return said.length > LONGEST ? `${said.slice(0, LONGEST).trimEnd()}…` : said
}
function put(): void {
  const pieces = article.value?.pieces ?? readPlainArticle(words.value).pieces
  if (pieces.length > 0) emit('put', pieces, { ...known, address: addressMeant(known.address) })
}
</script>

<template>
  <section
    class="intake sheet-form"
    :aria-label="t('article.title')"
    @keydown.esc.stop="emit('close')"
  >
    <div class="head">
      <h2>{{ t('article.title') }}</h2>
      <Button
        :label="t('sheet.close')"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="emit('close')"
      />
    </div>
    <template v-if="!has">
      <form ref="form" class="field" @submit.prevent="readIt">
        <label :for="`${id}-address`">{{ t('article.byAddress') }}</label>
        <span class="row">
          <InputText :id="`${id}-address`" v-model="typed" placeholder="https://" fluid />
          <Button type="submit" :label="t('article.readIt')" :disabled="!isAddress || reading" />
        </span>
      </form>
      <p v-if="reading" role="status">{{ t('article.reading') }}</p>
      <p v-else-if="finding" class="notice" role="alert">{{ t(`article.finding.${finding}`) }}</p>
      <FaultNotice v-else-if="fault" :error="fault" @retry="readIt" />
      <div class="field">
        <label :for="`${id}-words`">{{ t('article.orPaste') }}</label>
        <Textarea
          :id="`${id}-words`"
          v-model="words"
          rows="8"
          maxlength="200000"
          dir="auto"
          @paste="onPaste"
        />
        <span class="muted">{{ t('article.pasteHelp') }}</span>
      </div>
    </template>
    <template v-else-if="article">
      <p role="status">{{ t('article.found', article.pieces.length) }}</p>
      <p v-if="article.lost > 0" class="notice straw">{{ t('article.lost', article.lost) }}</p>
      <p v-if="article.isCut" class="notice straw">{{ t('article.cut') }}</p>
      <ol class="outline" tabindex="0" :aria-label="t('article.outline')">
        <li
          v-for="(one, index) in article.pieces"
          :key="index"
          :class="{ strong: one.piece === 'heading' }"
        >
          <span class="muted">{{ nameOf(one) }}</span> <span dir="auto">{{ saidBy(one) }}</span>
        </li>
      </ol>
    </template>
    <fieldset v-if="has || words.trim()">
      <legend>{{ t('article.source') }}</legend>
      <p class="muted">{{ t('article.sourceHelp') }}</p>
      <div class="two">
        <div v-for="field in fields" :key="field.name" class="field">
          <label :for="`${id}-${field.name}`">{{ t(`article.field.${field.name}`) }}</label>
          <InputText
            :id="`${id}-${field.name}`"
            :model-value="field.said"
            size="small"
            :maxlength="field.max"
            dir="auto"
            @update:model-value="say(field.name, $event ?? '')"
          />
        </div>
      </div>
    </fieldset>
    <div class="row">
      <Button :label="t('parts.putHere')" :disabled="!has && words.trim() === ''" @click="put" />
      <Button
        v-if="has"
        :label="t('article.other')"
        severity="secondary"
        variant="text"
        @click="article = null"
      />
    </div>
  </section>
</template>

<style scoped>
.intake {
  padding: 10px 18px 20px;
}
.head,
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
.head h2 {
  flex: 1;
  font-size: 15px;
}
.row .p-button {
  flex: none;
}
.outline {
  max-height: 240px;
  margin: 0;
  padding: 8px 12px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  font-size: 14px;
  list-style: none;
}
.outline li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 8px;
  padding: 2px 0;
  overflow-wrap: anywhere;
}
.outline .strong {
  font-weight: 650;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.two > :first-child {
  grid-column: 1 / -1;
}
</style>
