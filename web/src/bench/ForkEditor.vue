<script setup lang="ts">
// Editing a fork: what is asked, which ways there are, where they lead, and what happens when nobody chooses.
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, inOrder, type Choice, type ForkCue } from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import ConditionFields from './ConditionFields.vue'
import NumberField from './NumberField.vue'
import TargetFields from './TargetFields.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { useRights, useBench } from './useBench.ts'

const props = defineProps<{ cue: ForkCue }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const { draft } = bench
const USUAL_COUNTDOWN_MS = 15_000
const MOST_WAYS = 12
const cueId = computed(() => props.cue.id)
const ways = computed(() => inOrder(Object.values(props.cue.choices)))
const deciders = computed(() =>
  (['learner', 'itself'] as const).map((value) => ({ value, label: t(`fork.decides.${value}`) })),
)
const STRAIGHT_ON = '-'
const defaults = computed(() => [
  { value: STRAIGHT_ON, label: t('fork.straightOn') },
  ...ways.value.map(({ id, text }, index) => ({
    value: id,
    label: text || t('fork.way', { number: index + 1 }),
  })),
])

function rules(change: Partial<Pick<ForkCue, 'decides' | 'countdownMs' | 'defaultChoice'>>): void {
  draft.make(edits.setForkRules, { cueId: cueId.value, rules: change })
}
function change(choiceId: string, what: Partial<Pick<Choice, 'text' | 'target' | 'condition'>>) {
  draft.make(edits.setChoice, { cueId: cueId.value, choiceId, change: what })
}
</script>

<template>
  <div class="sheet-form">
    <div class="pair">
      <TimeField
        :label="t('sheet.at')"
        :ms="cue.atMs"
        @change="draft.make(edits.moveCue, { cueId, toMs: $event })"
      />
      <ChoiceField
        :label="t('fork.whoDecides')"
        :value="cue.decides ? 'itself' : 'learner'"
        :choices="deciders"
        @change="rules({ decides: $event === 'itself' })"
      />
    </div>
    <WordsField
      v-if="!cue.decides"
      :label="t('fork.prompt')"
      :text="cue.prompt"
      :max="500"
      :rows="2"
      data-focus="first"
      @change="draft.make(edits.setForkPrompt, { cueId, prompt: $event })"
    />
    <p v-else class="help">{{ t('fork.itselfHelp') }}</p>
    <fieldset v-for="(way, index) in ways" :key="way.id">
      <legend>{{ t('fork.way', { number: index + 1 }) }}</legend>
      <WordsField
        v-if="!cue.decides"
        :label="t('fork.words')"
        :text="way.text"
        :max="200"
        @change="change(way.id, { text: $event })"
      />
      <ConditionFields
        v-else
        :condition="way.condition"
        @change="change(way.id, { condition: $event })"
      />
      <TargetFields
        :target="way.target"
        :from-ms="cue.atMs"
        :part-id="cue.partId"
        @change="change(way.id, { target: $event })"
      />
      <Button
        v-if="rights.canEdit.value && ways.length > 1"
        class="remove"
        :label="t('fork.removeWay')"
        :aria-label="t('fork.removeWayLong', { number: index + 1 })"
        severity="secondary"
        variant="text"
        size="small"
        @click="draft.make(edits.removeChoice, { cueId, choiceId: way.id })"
      />
    </fieldset>
    <Button
      v-if="rights.canEdit.value"
      :label="t('fork.addWay')"
      severity="secondary"
      variant="outlined"
      size="small"
      :disabled="ways.length >= MOST_WAYS"
      @click="draft.make(edits.addChoice, { cueId, choiceId: nanoid() })"
    />
    <fieldset>
      <legend>{{ cue.decides ? t('fork.otherwise') : t('fork.time') }}</legend>
      <label v-if="!cue.decides" class="check">
        <Checkbox
          :model-value="cue.countdownMs !== null"
          binary
          :disabled="!rights.canEdit.value"
          @update:model-value="rules({ countdownMs: $event ? USUAL_COUNTDOWN_MS : null })"
        />
        {{ t('fork.countdown') }}
      </label>
      <div class="pair">
        <NumberField
          v-if="!cue.decides && cue.countdownMs !== null"
          :label="t('fork.seconds')"
          :value="Math.round(cue.countdownMs / 1000)"
          :min="3"
          :max="600"
          suffix=" s"
          @change="rules({ countdownMs: $event * 1000 })"
        />
        <ChoiceField
          v-if="cue.decides || cue.countdownMs !== null"
          :label="cue.decides ? t('fork.ifNone') : t('fork.ifLate')"
          :value="cue.defaultChoice ?? STRAIGHT_ON"
          :choices="defaults"
          @change="rules({ defaultChoice: $event === STRAIGHT_ON ? null : $event })"
        />
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
.help {
  font-size: 13.5px;
  color: var(--ink-2);
}
.remove {
  justify-self: end;
}
</style>
