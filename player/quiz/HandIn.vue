<script setup lang="ts">
// The end of the questions: how many are answered, and the way on to the summary; whoever left some out is asked once.
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Quiz } from './useQuiz.ts'

const props = defineProps<{
  quiz: Quiz
  /** Learners are told what is right only once they have handed in. */
  tellsAtEnd: boolean
}>()
const emit = defineEmits<{ handIn: []; pick: [itemId: string] }>()
const { t } = useI18n()
const asks = ref(false)
const ask = useTemplateRef('ask')
const open = computed(() => props.quiz.stillOpen.value)
const waits = computed(() => props.tellsAtEnd && !props.quiz.handedIn.value)
/** What the buttons are called: to hand in or to look, with a class that is told at once or later. */
const WORDS = {
  told: { hand: ['handIn', 'anyway'], look: ['seeSummary', 'summaryAnyway'] },
  later: { hand: ['handInOnly', 'anyway'], look: ['seeAnswers', 'answersAnyway'] },
} as const
const words = computed(
  () => WORDS[props.quiz.isHeldBack ? 'later' : 'told'][waits.value ? 'hand' : 'look'],
)
watch(open, ({ length }) => {
  if (length === 0) asks.value = false
})

function end(): void {
  if (open.value.length === 0 || props.quiz.handedIn.value) return emit('handIn')
  asks.value = true
  void nextTick(() => ask.value?.focus())
}
</script>

<template>
  <section class="hand-in">
    <p>
      {{
        t('player.quiz.answeredOf', {
          n: quiz.summary.value.answered,
          all: quiz.summary.value.count,
        })
      }}<template v-if="waits">
        · {{ t(quiz.isHeldBack ? 'player.quiz.heldBackHelp' : 'player.quiz.handInHelp') }}</template
      >
    </p>
    <div v-if="asks" ref="ask" class="ask" tabindex="-1" role="alert">
      <p>{{ t('player.quiz.stillOpen', open.length) }}</p>
      <button class="fb-button act" type="button" @click="emit('pick', open[0]!.itemId)">
        {{ t('player.quiz.goTo', { number: open[0]!.number }) }}
      </button>
      <button class="fb-button" type="button" @click="emit('handIn')">
        {{ t(`player.quiz.${words[1]}`) }}
      </button>
    </div>
    <button v-else class="fb-button act" type="button" @click="end">
      {{ t(`player.quiz.${words[0]}`) }}
    </button>
  </section>
</template>

<style scoped>
.hand-in {
  display: flex;
  flex-direction: column;
  align-items: start;
  gap: 12px;
  padding: 4px 0 12px;
  color: var(--ink-2);
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 12px;
  padding: 12px 16px;
  border-inline-start: 4px solid var(--straw);
  background: var(--straw-soft);
  color: var(--ink);
}
.ask p {
  flex: 1 0 100%;
}
</style>
