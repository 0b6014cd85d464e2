<script setup lang="ts">
// What somebody said about a place of the lesson, and what was replied.
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import { numbersOf, type Thread } from '@fernbrake/core/talk'
import { isoTime, nowMs } from '../clock.ts'
import { readKept } from '../session/onDevice.ts'
import type { Among } from './classTalk.ts'
import NumberSpread from './NumberSpread.vue'
import TalkComposer, { type Said } from './TalkComposer.vue'
import TalkPost from './TalkPost.vue'
import { useOpening } from './useOpening.ts'
import type { Talk } from './useTalk.ts'

const props = defineProps<{
  thread: Thread
  talk: Talk
  /** Who talks, where it is not a class. */
  among?: Among
  draftKey: string | null
  /** Where it stands, if not in the part that is open. */
  partTitle?: string | undefined
  /** Whether its moment can be gone to. */
  mayGo?: boolean
  /** Whether the film is there now. */
  isNow?: boolean
}>()
const emit = defineEmits<{ go: [] }>()
const { t } = useI18n()
const head = computed(() => props.thread.head)
const key = computed(() => props.draftKey && `${props.draftKey} reply ${head.value.id}`)
// Whoever was writing when the page went away finds their words where they were.
const button = useTemplateRef<HTMLElement>('button')
const opening = useOpening(button, key.value !== null && readKept(key.value) !== null)
const { isOpen: replying, takesFocus } = opening
const time = computed(() =>
  head.value.place.on === 'moment' ? clockTime(head.value.place.atMs) : null,
)
const kind = computed(() =>
  head.value.sort === 'prompt'
    ? t('player.talk.prompt')
    : head.value.sort === 'enquiry'
      ? props.talk.teaches
        ? t('player.talk.enquiryToTeachers')
        : t(`player.talk.enquiry.${props.among ?? 'class'}`)
      : null,
)
const isOpen = computed(() => !head.value.isGone && (props.talk.teaches || props.talk.isOn.value))
const onItsWay = (id: string) => props.talk.onItsWay.value.has(id)

const reply = ({ words, number }: Said) =>
  props.talk.say({
    postId: props.talk.newId(),
    sort: 'reply',
    replyTo: head.value.id,
    words,
    number,
    partId: head.value.partId,
    place: head.value.place,
    range: null,
    isGone: false,
    at: isoTime(nowMs()),
  })
</script>

<template>
  <li
    class="thread"
    :class="[head.sort, { now: isNow }]"
    :aria-current="isNow ? 'true' : undefined"
  >
    <p class="place">
      <button v-if="mayGo" type="button" class="go" @click="emit('go')">
        <template v-if="time"
          ><span class="visually-hidden">{{ t('player.talk.goTo', { time }) }}</span
          ><span aria-hidden="true" class="time">{{ time }}</span></template
        >
        <span v-if="partTitle" dir="auto">{{ t('player.talk.inPart', { title: partTitle }) }}</span>
      </button>
      <template v-else>
        <span v-if="time" class="time">{{ time }}</span>
        <span v-if="partTitle" dir="auto">{{ t('player.talk.inPart', { title: partTitle }) }}</span>
      </template>
      <span v-if="!time && !partTitle">{{ t('player.talk.onPart') }}</span>
      <span v-if="kind" class="kind">{{ kind }}</span>
      <slot name="place" />
    </p>
    <TalkPost :post="head" :talk="talk" :draft-key="draftKey" :range="null">
      <button
        v-if="isOpen && !replying && !onItsWay(head.id)"
        ref="button"
        type="button"
        :aria-label="
          t('player.talk.replyTo', { name: head.author?.name ?? t('player.talk.somebody') })
        "
        @click="opening.open"
      >
        {{ t(head.sort === 'prompt' ? 'player.talk.answer' : 'player.talk.reply') }}
      </button>
    </TalkPost>
    <NumberSpread v-if="head.range" :numbers="numbersOf(thread)" :range="head.range" />
    <ol v-if="thread.replies.length > 0" class="replies">
      <li v-for="post in thread.replies" :key="post.id">
        <TalkPost :post="post" :talk="talk" :draft-key="draftKey" :range="head.range" />
      </li>
    </ol>
    <TalkComposer
      v-if="replying"
      :label="t('player.talk.replyWords')"
      :button="t(head.sort === 'prompt' ? 'player.talk.answer' : 'player.talk.reply')"
      :draft-key="key"
      :range="talk.teaches ? null : head.range"
      :takes-focus="takesFocus"
      :say="reply"
      @done="opening.close"
    />
  </li>
</template>

<style scoped>
.thread {
  display: grid;
  gap: 8px;
  padding-block: 10px 12px;
  padding-inline: 12px 0;
  border-inline-start: 3px solid var(--line-strong);
}
.thread.prompt {
  border-inline-start: 3px double var(--fern);
  border-inline-start-width: 5px;
}
.thread.enquiry {
  border-inline-start-style: dashed;
  border-inline-start-color: var(--rust);
}
.thread.now {
  background: var(--fern-soft);
}
.place {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.go {
  display: inline-flex;
  gap: 8px;
  min-height: 28px;
  align-items: center;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
.time {
  font-family: var(--mono);
}
.kind {
  font-weight: 650;
}
.enquiry .kind {
  color: var(--rust);
}
.prompt .kind {
  color: var(--fern);
}
.replies {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  padding-inline-start: 14px;
  border-inline-start: 1px solid var(--line);
  list-style: none;
}
</style>
