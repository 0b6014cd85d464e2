<script setup lang="ts">
// On what condition a way is taken by itself.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { filmsInOrder, partsInOrder, type Condition, type Part } from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import { useBench } from './useBench.ts'
import { useAskerChoices } from './useAskerChoices.ts'

const props = withDefaults(
  defineProps<{
    condition: Condition | null
    /** It cannot hold always. */
    required?: boolean
    label?: string
  }>(),
  { required: false, label: '' },
)
const emit = defineEmits<{ change: [condition: Condition | null] }>()
const bench = useBench()
const { t } = useI18n()
const questions = useAskerChoices()
const named = (parts: readonly Part[]) =>
  parts.map(({ id, title }) => ({ value: id, label: title || t('bench.untitled') }))
const films = computed(() => named(filmsInOrder(bench.lesson.value)))
const parts = computed(() => named(partsInOrder(bench.lesson.value)))
const kinds = computed(() =>
  (['always', 'answer', 'score', 'watched', 'visited'] as const)
    .filter((kind) => kind !== 'always' || !props.required)
    .filter((kind) => kind !== 'answer' || questions.value.length > 0)
    .filter((kind) => kind !== 'watched' || films.value.length > 0)
    .map((value) => ({ value, label: t(`fork.if.${value}`) })),
)
const OUTCOMES = ['right', 'wrong', 'given'] as const
const outcomes = computed(() => OUTCOMES.map((value) => ({ value, label: t(`fork.is.${value}`) })))

function pick(kind: 'always' | Condition['if']): void {
  switch (kind) {
    case 'always':
      return emit('change', null)
    case 'answer':
      return emit('change', { if: kind, cueId: questions.value[0]!.value, is: 'right' })
    case 'score':
      return emit('change', { if: kind, atLeast: 0.6 })
    case 'watched':
      return emit('change', { if: kind, partId: films.value[0]!.value, atLeast: 0.8 })
    case 'visited':
      return emit('change', { if: kind, partId: parts.value[0]!.value })
  }
}
const isShare = (condition: Condition | null) =>
  condition?.if === 'score' || condition?.if === 'watched' ? condition : null
const share = computed(() => isShare(props.condition))
</script>

<template>
  <div class="pair">
    <ChoiceField
      :label="label || t('fork.taken')"
      :value="condition?.if ?? 'always'"
      :choices="kinds"
      @change="pick"
    />
    <ChoiceField
      v-if="condition?.if === 'answer'"
      :label="t('fork.outcome')"
      :value="condition.is"
      :choices="outcomes"
      @change="emit('change', { ...condition, is: $event })"
    />
    <NumberField
      v-if="share"
      :label="t('fork.atLeast')"
      :value="Math.round(share.atLeast * 100)"
      :min="0"
      :max="100"
      suffix=" %"
      @change="emit('change', { ...share, atLeast: $event / 100 })"
    />
  </div>
  <ChoiceField
    v-if="condition?.if === 'answer'"
    :label="t('fork.whichQuestion')"
    :value="condition.cueId ?? ''"
    :choices="questions"
    @change="emit('change', { ...condition, cueId: $event })"
  />
  <ChoiceField
    v-if="condition?.if === 'watched' && films.length > 1"
    :label="t('fork.whichPart')"
    :value="condition.partId"
    :choices="films"
    @change="emit('change', { ...condition, partId: $event })"
  />
  <ChoiceField
    v-if="condition?.if === 'visited'"
    :label="t('fork.whichPart')"
    :value="condition.partId"
    :choices="parts"
    @change="emit('change', { ...condition, partId: $event })"
  />
</template>
