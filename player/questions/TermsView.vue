<script setup lang="ts">
// Term cards: turned over one after another, then matched. A card that is not known yet comes again.
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { shuffled } from '@fernbrake/core/chance'
import { cardsInOrder, type TermsAnswer, type TermsQuestion } from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import TextView from './TextView.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<TermsQuestion>>()
const answer = defineModel<TermsAnswer | null>({ required: true })
const { t } = useI18n()
const cards = computed(() => cardsInOrder(props.question))
const known = computed(() => answer.value?.known ?? [])
const way = ref<'flip' | 'match'>('flip')
const card = useTemplateRef<HTMLButtonElement>('card')

/** The ids of cards still to come, the one on top first. */
const pile = ref(cards.value.map(({ id }) => id).filter((id) => !known.value.includes(id)))
const top = computed(() => cards.value.find(({ id }) => id === pile.value[0]))
const turned = ref(false)

function know(id: string): void {
  if (!known.value.includes(id)) answer.value = { kind: 'terms', known: [...known.value, id] }
}
/** Puts the card on top away, or under the others. */
function next(isKnown: boolean): void {
  const [id, ...rest] = pile.value
  if (id === undefined) return
  if (isKnown) know(id)
  else answer.value ??= { kind: 'terms', known: [] }
  pile.value = isKnown ? rest : [...rest, id]
  turned.value = false
  void nextTick(() => card.value?.focus())
}
function again(): void {
  pile.value = cards.value.map(({ id }) => id)
  turned.value = false
}

const meanings = computed(() => shuffled(cards.value, `${props.seed} ${props.question.id}`))
const matched = ref<string[]>([])
const held = ref<string | null>(null)
const isWrong = ref(false)

function match(id: string): void {
  if (held.value === null) return
  isWrong.value = held.value !== id
  if (!isWrong.value) {
    matched.value = [...matched.value, id]
    know(id)
  }
  held.value = null
}
const allMatched = computed(() => matched.value.length === cards.value.length)
const matchWord = computed(() => {
  if (allMatched.value) return t('player.allMatched')
  if (isWrong.value) return t('player.notMatched')
  return t(held.value === null ? 'player.pickTerm' : 'player.pickMeaning')
})
</script>

<template>
  <AnswerFields :help="t('player.termsHelp')" :answered="answered">
    <dl v-if="answered" class="all">
      <template v-for="one in cards" :key="one.id">
        <dt><TextView :text="one.term" /></dt>
        <dd><TextView :text="one.meaning" /></dd>
      </template>
    </dl>
    <template v-else>
      <div class="ways" role="group" :aria-label="t('player.termsHelp')">
        <button
          v-for="one in ['flip', 'match'] as const"
          :key="one"
          type="button"
          class="fb-button plain"
          :aria-pressed="way === one"
          @click="way = one"
        >
          {{ t(`player.termsWay.${one}`) }}
        </button>
      </div>
      <template v-if="way === 'flip'">
        <template v-if="top">
          <button
            ref="card"
            type="button"
            class="card"
            :class="{ turned }"
            aria-live="polite"
            @click="turned = !turned"
          >
            <small>{{ t(turned ? 'player.meaning' : 'player.term') }}</small>
            <TextView :text="turned ? top.meaning : top.term" pressed />
            <span class="visually-hidden">{{ t('player.turnCard') }}</span>
          </button>
          <div class="verdicts">
            <button type="button" class="fb-button" @click="next(false)">
              {{ t('player.notYetKnown') }}
            </button>
            <button type="button" class="fb-button" @click="next(true)">
              {{ t('player.knewIt') }}
            </button>
          </div>
        </template>
        <p v-else class="done" role="status">
          {{ t('player.allKnown') }}
          <button type="button" class="fb-button plain" @click="again">
            {{ t('player.cardsAgain') }}
          </button>
        </p>
      </template>
      <template v-else>
        <div class="match">
          <div>
            <button
              v-for="one in cards"
              :key="one.id"
              type="button"
              class="side"
              :aria-pressed="held === one.id"
              :disabled="matched.includes(one.id)"
              @click="((held = one.id), (isWrong = false))"
            >
              <TextView :text="one.term" pressed />
            </button>
          </div>
          <div>
            <button
              v-for="one in meanings"
              :key="one.id"
              type="button"
              class="side"
              :disabled="matched.includes(one.id)"
              @click="match(one.id)"
            >
              <TextView :text="one.meaning" pressed />
            </button>
          </div>
        </div>
        <p class="done" role="status">
          {{ matchWord }}
          <button v-if="allMatched" type="button" class="fb-button plain" @click="matched = []">
            {{ t('player.matchAgain') }}
          </button>
        </p>
      </template>
      <p class="count">{{ t('player.cardsKnown', { n: known.length, all: cards.length }) }}</p>
    </template>
  </AnswerFields>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 4px;
  margin-bottom: 10px;
}
.ways button[aria-pressed='true'] {
  border-bottom: 3px solid var(--fern);
  border-radius: 0;
}
.card {
  display: grid;
  place-content: center;
  gap: 8px;
  width: 100%;
  min-height: 180px;
  padding: 18px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font-family: var(--reading);
  font-size: 21px;
  text-align: center;
  cursor: pointer;
}
.card.turned {
  background: var(--straw-soft);
  font-size: 18px;
}
.card small {
  font-family: var(--interface);
  font-size: 13.5px;
  color: var(--ink-2);
}
.verdicts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 10px;
}
.match {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 10px;
}
.side {
  display: block;
  width: 100%;
  min-height: 48px;
  margin-bottom: 8px;
  padding: 8px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.side[aria-pressed='true'] {
  border-color: var(--fern);
  box-shadow: inset 4px 0 0 var(--fern);
  background: var(--fern-soft);
}
.side:disabled {
  border-style: dashed;
  color: var(--ink-2);
  background: none;
  cursor: default;
}
.done {
  min-height: 44px;
  margin-top: 6px;
}
.count {
  margin-top: 6px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.all {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 6px 14px;
  margin: 0;
}
.all dt {
  font-weight: 650;
}
.all dd {
  margin: 0;
}
</style>
