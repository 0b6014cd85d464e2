<script setup lang="ts">
// When a question of a film is asked, whether the film waits for it, and how long there is.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  edits,
  LONGEST_COUNTDOWN_MS,
  SHORTEST_COUNTDOWN_MS,
  type Hold,
  type QuestionCue,
} from '@fernbrake/core/lesson'
import { HELP_AFTER_TRIES, isByPerson, isGraded } from '@fernbrake/core/questions'
import CheckField from './CheckField.vue'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import TimeField from './TimeField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ cue: QuestionCue }>()
const question = computed(() => bench.lesson.value.questions[props.cue.questionId]!)
/** Where the film waits for the right answer, the tries decide for how long. */
const waitsFor = computed(() =>
  question.value.tries === 0
    ? t('sheet.untilRight.always', { n: HELP_AFTER_TRIES })
    : t('sheet.untilRight.tries', question.value.tries),
)
function setTries(tries: number): void {
  draft.make(edits.setQuestionRules, { questionId: question.value.id, rules: { tries } })
}
const bench = useBench()
const { draft } = bench
const { t } = useI18n()
const HOLDS: Hold[] = ['none', 'shown', 'answered', 'right']
const USUAL_COUNTDOWN_MS = 60_000
const USUAL_TRIES = 2
const holds = computed(() => {
  const judged = isGraded(question.value) && !isByPerson(question.value)
  return HOLDS.filter((hold) => hold !== 'right' || judged || props.cue.hold === 'right').map(
    (value) => ({ value, label: t(`sheet.hold.${value}`) }),
  )
})

function setCountdown(countdownMs: number | null): void {
  draft.make(edits.setHold, { cueId: props.cue.id, countdownMs })
}
</script>

<template>
  <div class="pair">
    <TimeField
      :label="t('sheet.at')"
      :ms="cue.atMs"
      @change="draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
    />
    <ChoiceField
      :label="t('sheet.playback')"
      :value="cue.hold"
      :choices="holds"
      @change="draft.make(edits.setHold, { cueId: cue.id, hold: $event })"
    />
  </div>
  <div v-if="cue.hold === 'right'" class="until-right">
    <p class="help">{{ waitsFor }}</p>
    <CheckField
      :label="t('sheet.untilRight.however')"
      :checked="question.tries === 0"
      @change="setTries($event ? 0 : USUAL_TRIES)"
    />
  </div>
  <div v-if="cue.hold !== 'none'" class="limit">
    <CheckField
      :label="t('ask.countdown')"
      :checked="cue.countdownMs !== undefined"
      @change="setCountdown($event ? USUAL_COUNTDOWN_MS : null)"
    />
    <NumberField
      v-if="cue.countdownMs !== undefined"
      :label="t('ask.countdownSeconds')"
      :value="Math.round(cue.countdownMs / 1000)"
      :min="SHORTEST_COUNTDOWN_MS / 1000"
      :max="LONGEST_COUNTDOWN_MS / 1000"
      suffix=" s"
      @change="setCountdown($event * 1000)"
    />
  </div>
</template>

<style scoped>
.until-right {
  display: grid;
  gap: 6px;
}
</style>
