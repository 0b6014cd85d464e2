<script setup lang="ts">
// What waits for me, in a strip above my lessons: answers to mark, and what learners asked.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { PileCard, WaitingEnquiries } from '@fernbrake/core/contract'

const props = defineProps<{ piles: readonly PileCard[]; enquiries: readonly WaitingEnquiries[] }>()
const { t, n } = useI18n()
const MOST_SHOWN = 3
const waiting = computed(() => props.piles.filter((pile) => pile.waiting > 0))
const count = computed(() => waiting.value.reduce((sum, pile) => sum + pile.waiting, 0))
const talkTo = ({ classId, sourceId }: WaitingEnquiries) =>
  classId === null
    ? { name: 'lesson-talk', params: { lessonId: sourceId } }
    : { name: 'talk', params: { classId, assignmentId: sourceId } }
const asked = computed(() => props.enquiries.reduce((sum, one) => sum + one.waiting, 0))
</script>

<template>
  <section v-if="count > 0 || asked > 0" class="waiting" :aria-label="t('home.waiting')">
    <div v-if="count > 0" class="line">
      <RouterLink class="all" :to="{ name: 'marking' }">{{
        t('home.toMark', { n: n(count) }, count)
      }}</RouterLink>
      <ul>
        <li v-for="pile in waiting.slice(0, MOST_SHOWN)" :key="`${pile.source} ${pile.sourceId}`">
          <RouterLink
            :to="{ name: 'desk', params: { source: pile.source, sourceId: pile.sourceId } }"
            dir="auto"
            >{{ pile.title }}</RouterLink
          >
          <span class="muted" dir="auto">{{ pile.classTitle ?? t('marking.byLink') }}</span>
          <span class="mono">{{ n(pile.waiting) }}</span>
        </li>
      </ul>
    </div>
    <div v-if="asked > 0" class="line">
      <span class="all">{{ t('home.toAnswer', { n: n(asked) }, asked) }}</span>
      <ul>
        <li v-for="one in enquiries.slice(0, MOST_SHOWN)" :key="`${one.source} ${one.sourceId}`">
          <RouterLink :to="talkTo(one)" dir="auto">{{ one.title }}</RouterLink>
          <span class="muted" dir="auto">{{ one.classTitle ?? t('marking.byLink') }}</span>
          <span class="mono">{{ n(one.waiting) }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.waiting {
  display: grid;
  gap: 6px;
  margin-bottom: 24px;
  padding: 12px 18px;
  border: 1px solid var(--line);
  border-inline-start: 4px solid var(--rust);
  border-radius: var(--radius);
  background: var(--surface);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 32px;
  align-items: baseline;
}
.all {
  font-weight: 650;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
</style>
