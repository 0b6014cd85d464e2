<script setup lang="ts">
// A question on a page or under a pin.
import { computed } from 'vue'
import { partOfKind } from '@fernbrake/core/lesson'
import AskedCard from '../questions/AskedCard.vue'
import { toldOf } from '../session/toldOf.ts'
import { useSitting } from './usePart.ts'

const props = defineProps<{ askId: string; questionId: string }>()
const { host, opened, answers, asks } = useSitting()!
const { lesson } = opened
const question = computed(() => lesson.questions[props.questionId]!)
const number = asks.findIndex(({ id }) => id === props.askId) + 1
const standing = computed(() => answers.standing(props.questionId))
const evidence = computed(() =>
  question.value.evidence && partOfKind(lesson, question.value.evidence.partId, 'film')
    ? question.value.evidence
    : null,
)
</script>

<template>
  <AskedCard
    :host="host"
    :opened="opened"
    :card-id="`ask-${askId}`"
    :question="question"
    :standing="standing"
    :number="number"
    :count="asks.length"
    :evidence="evidence"
    :untold="!toldOf(opened)[1]"
    @give="answers.give({ id: askId, questionId }, $event)"
  />
</template>
