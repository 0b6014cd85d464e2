<script setup lang="ts">
// How many of a class opened a part that is no film, and how many each thing in it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { LearnerResult } from '@fernbrake/core/contract'
import { thingsToSee, type Part } from '@fernbrake/core/lesson'
import { namesOfThings } from './namesOfThings.ts'

const props = defineProps<{ part: Part; learners: readonly LearnerResult[] }>()
const { t, n } = useI18n()
const countOf = (thingId: string) =>
  props.learners.filter(({ seen }) => seen[props.part.id]?.includes(thingId)).length
const opened = computed(() => countOf(props.part.id))
const names = computed(() =>
  namesOfThings(props.part, (number) => t(`results.thing.${props.part.kind}`, { number })),
)
const rows = computed(() =>
  thingsToSee(props.part).map((id) => ({
    id,
    name: names.value.get(id) ?? '',
    count: countOf(id),
  })),
)
</script>

<template>
  <p>{{ t('results.openedBy', { n: n(opened), all: n(learners.length) }) }}</p>
  <ul v-if="rows.length > 0" :aria-label="t(`results.seenIn.${part.kind}`)">
    <li v-for="row in rows" :key="row.id">
      <span dir="auto">{{ row.name }}</span>
      <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
        <rect width="100" height="8" class="room" />
        <rect :width="(row.count / Math.max(1, learners.length)) * 100" height="8" class="share" />
      </svg>
      <span class="mono">{{ n(row.count) }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 20em) minmax(60px, 1fr) 3em;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
}
li span:first-child {
  overflow-wrap: anywhere;
}
svg {
  width: 100%;
  height: 10px;
}
.room {
  fill: var(--sunk);
}
.share {
  fill: var(--fern);
}
.mono {
  text-align: end;
}
</style>
