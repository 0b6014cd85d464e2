<script setup lang="ts">
// One post: who said it, when, what; and what can be done about it.
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mayHide, type NumberRange, type Post } from '@fernbrake/core/talk'
import TalkComposer, { type Said } from './TalkComposer.vue'
import { useOpening } from './useOpening.ts'
import { sayingOf, TalkFault, type Talk } from './useTalk.ts'

const props = defineProps<{
  post: Post
  talk: Talk
  draftKey: string | null
  /** Which number the prompt that it replies to asks for. */
  range: NumberRange | null
}>()
const { t, n, d } = useI18n()
const DAY = { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' } as const
const CLOCK = { hour: '2-digit', minute: '2-digit' } as const
const when = computed(() => {
  const date = new Date(props.post.saidAt)
  return d(date, date.toDateString() === new Date().toDateString() ? CLOCK : DAY)
})
const name = computed(() => props.post.author?.name ?? t('player.talk.somebody'))
const way = computed(() => props.talk.onItsWay.value.get(props.post.id))
/** Told to those who cannot see which button belongs to which words. */
const which = computed(() => ({ name: name.value, words: props.post.words.slice(0, 60) }))
const hides = computed(
  () =>
    !props.post.isMine &&
    mayHide(props.post, { teaches: props.talk.teaches, moderates: props.talk.mayHide.value }),
)
/** A number alone takes a line, not a block. */
const isBrief = computed(
  () => props.post.words === '' && props.post.number !== null && !changing.value,
)
const button = useTemplateRef<HTMLElement>('button')
const opening = useOpening(button)
const { isOpen: changing, takesFocus } = opening
const fault = ref('')

const change = ({ words, number }: Said) => props.talk.say(sayingOf(props.post, { words, number }))
/** Whatever is done here says so where it could not be. */
async function act(carryOut: () => Promise<void>): Promise<void> {
  fault.value = ''
  await carryOut().catch((caught: unknown) => {
    fault.value = caught instanceof TalkFault ? caught.message : t('player.talk.notDone')
  })
}
const takeBack = () => act(() => props.talk.takeBack(props.post))
const hide = () => act(() => props.talk.hide(props.post.id, !props.post.isHidden))
</script>

<template>
  <article class="post" :class="{ shut: post.isHidden, brief: isBrief }">
    <p class="who">
      <b dir="auto">{{ name }}</b>
      <span v-if="post.author?.teaches" class="teacher">{{ t('player.talk.teacher') }}</span>
      <span v-else-if="post.isMine">{{ t('player.talk.you') }}</span>
      <time :datetime="post.saidAt">{{ when }}</time>
      <span v-if="post.isChanged && !post.isGone">{{ t('player.talk.changed') }}</span>
    </p>
    <p v-if="post.isGone" class="note">{{ t('player.talk.gone') }}</p>
    <TalkComposer
      v-else-if="changing"
      :label="t('player.talk.words')"
      :button="t('player.talk.save')"
      :draft-key="draftKey && `${draftKey} change ${post.id}`"
      :from="post"
      :range="talk.teaches ? null : range"
      :say="change"
      :takes-focus="takesFocus"
      @done="opening.close"
    />
    <template v-else>
      <p class="words" dir="auto">
        <span v-if="post.number !== null" class="number">{{ n(post.number) }}</span>{{ post.words }}
      </p>
      <p v-if="post.isHidden" class="note">
        {{
          t(
            talk.teaches || (talk.mayHide.value && !post.isMine)
              ? 'player.talk.hiddenFromAll'
              : post.isMine
                ? 'player.talk.hiddenYours'
                : 'player.talk.hidden',
          )
        }}
      </p>
      <p v-if="way && way.refused === null" class="note" role="status">
        {{ t('player.talk.sending') }}
      </p>
      <p v-else-if="way" class="fault" role="alert">
        {{ t('player.talk.notTaken', { reason: way.refused }) }}
        <button type="button" @click="talk.forget(post.id)">{{ t('player.talk.forget') }}</button>
      </p>
    </template>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <div v-if="!post.isGone && !changing" class="acts">
      <slot />
      <template v-if="post.isMine">
        <button
          ref="button"
          type="button"
          :aria-label="t('player.talk.changeWhich', which)"
          @click="opening.open"
        >
          {{ t('player.talk.change') }}
        </button>
        <button type="button" :aria-label="t('player.talk.takeBackWhich', which)" @click="takeBack">
          {{ t('player.talk.takeBack') }}
        </button>
      </template>
      <button
        v-if="hides"
        type="button"
        :aria-label="
          t(post.isHidden ? 'player.talk.showAgainWhich' : 'player.talk.hideWhich', which)
        "
        @click="hide"
      >
        {{ t(post.isHidden ? 'player.talk.showAgain' : 'player.talk.hide') }}
      </button>
    </div>
  </article>
</template>

<style scoped>
.post {
  display: grid;
  gap: 3px;
}
.brief {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
}
.who {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 8px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.who b {
  color: var(--ink);
  font-size: 15px;
}
.teacher {
  padding: 0 6px;
  border: 1px solid var(--fern);
  border-radius: var(--radius);
  color: var(--fern);
  font-weight: 650;
}
.words {
  font-size: 16px;
  line-height: 1.45;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.number {
  margin-inline-end: 8px;
  padding: 0 8px;
  background: var(--fern-soft);
  font-family: var(--mono);
  font-weight: 600;
}
.shut .words {
  color: var(--ink-2);
  text-decoration: line-through;
}
.note {
  color: var(--ink-2);
  font-size: 13.5px;
  font-style: italic;
}
.fault {
  color: var(--rust);
  font-size: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
button,
.acts :slotted(button) {
  min-height: 32px;
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 14px;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
button:hover,
.acts :slotted(button:hover) {
  color: var(--ink);
}
</style>
