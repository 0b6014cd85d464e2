<script setup lang="ts">
// The gate before a part: what must hold before a learner may enter, and what is said to those who stand before it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, partsInOrder, type Condition, type Gate, type Part } from '@fernbrake/core/lesson'
import CheckField from '../CheckField.vue'
import ConditionFields from '../ConditionFields.vue'
import WordsField from '../WordsField.vue'
import { useBench } from '../useBench.ts'

const props = defineProps<{ part: Part }>()
const bench = useBench()
const { t } = useI18n()
const others = computed(() =>
  partsInOrder(bench.lesson.value).filter(({ id }) => id !== props.part.id),
)
const set = (gate: Gate | null) => bench.draft.make(edits.setGate, { partId: props.part.id, gate })

/** What comes to mind first: that the part before it was opened. */
function usualGate(): Gate {
  const before = others.value.findLast(({ order }) => order < props.part.order) ?? others.value[0]
  const condition: Condition = before
    ? { if: 'visited', partId: before.id }
    : { if: 'score', atLeast: 0.6 }
  return { condition, message: '' }
}
</script>

<template>
  <fieldset>
    <legend>{{ t('routes.gate') }}</legend>
    <CheckField
      :label="t('routes.gateCheck')"
      :checked="part.gate !== undefined"
      @change="set($event ? usualGate() : null)"
    />
    <template v-if="part.gate">
      <ConditionFields
        :condition="part.gate.condition"
        required
        :label="t('routes.opensWhen')"
        @change="$event && set({ ...part.gate, condition: $event })"
      />
      <WordsField
        :label="t('routes.gateWords')"
        :text="part.gate.message"
        :max="500"
        :rows="2"
        @change="set({ ...part.gate, message: $event })"
      />
    </template>
  </fieldset>
</template>
