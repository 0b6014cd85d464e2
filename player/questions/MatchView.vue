<script setup lang="ts">
// Matching: beside each thing on the left, the list of what may belong to it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { plainOf } from '@fernbrake/core/fields'
import {
  pairsInOrder,
  rightsMixed,
  type MatchAnswer,
  type MatchQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import PickList from './PickList.vue'
import TextView from './TextView.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<MatchQuestion>>()
const answer = defineModel<MatchAnswer | null>({ required: true })
const { t } = useI18n()
const pairs = computed(() => pairsInOrder(props.question))
const rights = computed(() => rightsMixed(props.question, props.seed))
/** What cannot be read in a list, such as a formula or a picture, stands above it under a letter. */
const lettered = computed(() => rights.value.some(({ text }) => typeof text !== 'string'))
const letterOf = (index: number) => String.fromCharCode(65 + index)
const options = computed(() =>
  rights.value.map(({ id, text }, index) => ({
    value: id,
    text: lettered.value ? `${letterOf(index)} · ${plainOf(text)}` : plainOf(text),
  })),
)
const matched = computed(() => answer.value?.matched ?? {})
/** Two rights that read the same stand in the list once, under the first one's id. */
const shownOf = (id: string) => {
  const given = matched.value[id]
  return given === undefined || rights.value.some((right) => right.id === given)
    ? (given ?? '')
    : ''
}

function give(left: string, right: string): void {
  const next = { ...matched.value }
  if (right === '') delete next[left]
  else next[left] = right
  answer.value = Object.keys(next).length > 0 ? { kind: 'match', matched: next } : null
}

const rightOf = (id: string) => props.mark?.perPart.find((part) => part.id === id)?.right ?? false
</script>

<template>
  <AnswerFields :help="t('player.matchEach')" :answered="answered">
    <ul v-if="lettered" class="letters">
      <li v-for="(right, index) in rights" :key="right.id">
        <b>{{ letterOf(index) }}</b> <TextView :text="right.text" />
      </li>
    </ul>
    <div v-for="pair in pairs" :key="pair.id" class="pair">
      <TextView class="left" :text="pair.left" />
      <div>
        <PickList
          :label="t('player.belongsTo', { text: plainOf(pair.left) })"
          :options="options"
          :value="shownOf(pair.id)"
          :empty="t('player.pickHere')"
          :standing="answered ? (rightOf(pair.id) ? 'right' : 'missed') : null"
          @pick="give(pair.id, $event)"
        />
        <p v-if="answered" class="word">
          {{ rightOf(pair.id) ? t('player.right') : t('player.wrong')
          }}<template v-if="revealed && !rightOf(pair.id)">: {{ plainOf(pair.right) }}</template>
        </p>
      </div>
    </div>
  </AnswerFields>
</template>

<style scoped>
.pair {
  display: grid;
  gap: 6px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.left {
  font-weight: 650;
  overflow-wrap: anywhere;
}
.pair :deep(.pick) {
  width: 100%;
}
.word {
  margin-top: 2px;
  font-size: 12.5px;
  font-weight: 650;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}
.letters {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.letters li {
  display: flex;
  gap: 8px;
  padding: 4px 0;
}
</style>
