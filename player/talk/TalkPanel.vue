<script setup lang="ts">
// What a class says about the part that is open, and what its learner wants to say.
import { computed, onScopeDispose, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import {
  isAbout,
  searchThreads,
  threadsOf,
  type PostPlace,
  type Thread,
} from '@fernbrake/core/talk'
import { isoTime, nowMs } from '../clock.ts'
import { keepHere, readKept } from '../session/onDevice.ts'
import type { ClassTalk } from './classTalk.ts'
import TakenBack from './TakenBack.vue'
import TalkComposer, { type Said } from './TalkComposer.vue'
import TalkThread from './TalkThread.vue'
import { useOpening } from './useOpening.ts'

const props = defineProps<{
  classTalk: ClassTalk
  partId: string
  /** Where the film is, in ms; null in parts that are no films. */
  mediaMs: number | null
  /** Whether a moment of this part can be gone to. */
  mayGoTo?: (ms: number) => boolean
}>()
const emit = defineEmits<{
  /** Somebody begins to write. */
  writes: []
  seek: [ms: number]
}>()
const { t } = useI18n()
const { talk } = props.classTalk
onScopeDispose(props.classTalk.look())

const query = ref('')
const everywhere = ref(false)
const partIds = computed(() => props.classTalk.parts.value.map(({ id }) => id))
const all = computed(() => threadsOf(talk.posts.value, partIds.value))
const here = computed(() => all.value.filter(({ head }) => head.partId === props.partId))
const isSearching = computed(() => query.value.trim() !== '')
/** Words are looked for in all parts. */
const found = computed(() =>
  isSearching.value
    ? searchThreads(all.value, query.value)
    : everywhere.value
      ? all.value
      : here.value,
)
const SHOWN_AT_ONCE = 40
const shown = ref(SHOWN_AT_ONCE)
/** Fewer than this can be read without looking for words. */
const WORTH_SEARCHING = 4

const isNow = (thread: Thread) =>
  props.mediaMs !== null && thread.head.partId === props.partId && isAbout(thread, props.mediaMs)
const titleOf = (partId: string) =>
  partId === props.partId
    ? undefined
    : props.classTalk.parts.value.find(({ id }) => id === partId)?.title
function mayGo({ head: { partId, place } }: Thread): boolean {
  if (partId !== props.partId) return props.classTalk.mayOpen(partId)
  return place.on === 'moment' && (props.mayGoTo?.(place.atMs) ?? false)
}
function go({ head }: Thread): void {
  if (head.partId !== props.partId) props.classTalk.goTo(head)
  else if (head.place.on === 'moment') emit('seek', head.place.atMs)
}

const key = computed(
  () => props.classTalk.draftKey && `${props.classTalk.draftKey} ${props.partId}`,
)
const placeKey = computed(() => key.value && `${key.value} place`)
/** About what is being written, or would be. */
const writing = ref<PostPlace | null>(keptPlace())
const button = useTemplateRef<HTMLElement>('button')
const opening = useOpening(button, writing.value !== null)
const { isOpen: isWriting, takesFocus } = opening
function keptPlace(): PostPlace | null {
  if (!key.value || readKept(key.value) === null) return null
  const place = readKept(placeKey.value!) as PostPlace | null
  return place?.on === 'moment' ? place : { on: 'part' }
}
function begin(): void {
  emit('writes')
  writing.value = nextPlace.value
  if (placeKey.value) keepHere(placeKey.value, nextPlace.value)
  opening.open()
}
function end(): void {
  opening.close()
  // What is only put aside keeps its place.
  if (placeKey.value && readKept(key.value!) === null) keepHere(placeKey.value, null)
}
const say = ({ words, isEnquiry }: Said) =>
  talk.say({
    postId: talk.newId(),
    sort: isEnquiry ? 'enquiry' : 'comment',
    replyTo: null,
    words,
    partId: props.partId,
    place: writing.value!,
    number: null,
    range: null,
    isGone: false,
    at: isoTime(nowMs()),
  })
const placeWords = (place: PostPlace | null) =>
  place?.on === 'moment'
    ? t('player.talk.addAt', { time: clockTime(place.atMs) })
    : t('player.talk.addHere')
const nextPlace = computed<PostPlace>(() =>
  props.mediaMs === null ? { on: 'part' } : { on: 'moment', atMs: Math.round(props.mediaMs) },
)
</script>

<template>
  <section class="talk" :aria-label="t('player.talk.title')">
    <p v-if="!talk.isOn.value" class="help" role="status">
      {{ t(`player.talk.off.${classTalk.among}`) }}
    </p>
    <template v-else>
      <p class="help">{{ t(`player.talk.who.${classTalk.among}`) }}</p>
      <TalkComposer
        v-if="isWriting"
        :label="placeWords(writing)"
        :button="t('player.talk.say')"
        :draft-key="key"
        asks-who
        :among="classTalk.among"
        :takes-focus="takesFocus"
        :say="say"
        @done="end"
      />
      <button v-else ref="button" class="fb-button" type="button" @click="begin">
        {{ placeWords(nextPlace) }}
      </button>
      <TakenBack :talk="talk" />
      <p v-if="talk.isAway.value" class="help" role="status">{{ t('player.talk.away') }}</p>
      <p v-else-if="!talk.isRead.value" class="help" role="status">
        {{ t('player.talk.reading') }}
      </p>
      <label v-if="all.length >= WORTH_SEARCHING || isSearching" class="find">
        <span class="visually-hidden">{{ t('player.talk.find') }}</span>
        <input v-model="query" type="search" :placeholder="t('player.talk.find')" />
      </label>
      <p v-if="isSearching" class="help" role="status">
        {{ t('player.talk.found', found.length) }}
      </p>
      <p v-else-if="found.length === 0 && talk.isRead.value" class="help">
        {{ t(everywhere ? 'player.talk.noneAnywhere' : 'player.talk.none') }}
      </p>
      <ol v-if="found.length > 0" class="threads">
        <TalkThread
          v-for="thread in found.slice(0, shown)"
          :key="thread.head.id"
          :thread="thread"
          :talk="talk"
          :among="classTalk.among"
          :draft-key="classTalk.draftKey"
          :part-title="titleOf(thread.head.partId)"
          :may-go="mayGo(thread)"
          :is-now="isNow(thread)"
          @go="go(thread)"
        />
      </ol>
      <button
        v-if="found.length > shown"
        class="fb-button"
        type="button"
        @click="shown += SHOWN_AT_ONCE"
      >
        {{ t('player.talk.more') }}
      </button>
      <button
        v-if="!isSearching && all.length > here.length"
        class="fb-button plain elsewhere"
        type="button"
        :aria-pressed="everywhere"
        @click="everywhere = !everywhere"
      >
        {{
          everywhere
            ? t('player.talk.onlyHere')
            : t('player.talk.elsewhere', all.length - here.length)
        }}
      </button>
    </template>
  </section>
</template>

<style scoped>
.talk {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.help {
  color: var(--ink-2);
  font-size: 14px;
}
.find,
.find input {
  width: 100%;
}
.find input {
  min-height: 40px;
  padding: 6px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.threads {
  display: grid;
  gap: 14px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
.elsewhere {
  padding-inline: 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}
@media print {
  .talk {
    display: none;
  }
}
</style>
