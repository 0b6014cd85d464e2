<script setup lang="ts">
// Where in a lesson the words stand that were asked for; each leads there.
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { PlaceFound } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'

/** Without a lesson they lead nowhere: learners cannot go to a moment of a lesson that they have not begun. */
defineProps<{ places: readonly PlaceFound[]; more: number; lessonId?: string }>()
const { t } = useI18n()
const queryOf = ({ partId, atMs }: PlaceFound) => ({
  part: partId,
  ...(atMs === null ? {} : { at: String(atMs) }),
})
</script>

<template>
  <ul class="places">
    <li v-for="place in places" :key="`${place.partId} ${place.atMs} ${place.text}`">
      <component
        :is="lessonId ? RouterLink : 'span'"
        v-bind="
          lessonId ? { to: { name: 'bench', params: { lessonId }, query: queryOf(place) } } : {}
        "
        class="above"
      >
        <span v-if="place.atMs !== null" class="mono">{{ clockTime(place.atMs) }}</span>
        <span class="words" dir="auto">{{ place.text }}</span>
      </component>
    </li>
    <li v-if="more > 0" class="muted">{{ t('openLessons.morePlaces', { n: more }, more) }}</li>
  </ul>
</template>

<style scoped>
.places {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
  margin: 4px 0;
  padding: 0;
  list-style: none;
  font-size: 13.5px;
}
.above {
  position: relative;
  z-index: 1;
  display: inline-flex;
  gap: 8px;
  max-width: 100%;
  color: inherit;
  text-decoration: none;
}
a:hover .words,
a .mono {
  text-decoration: underline;
  text-underline-offset: 3px;
}
a .mono {
  color: var(--slate);
}
.mono {
  flex: none;
}
.words {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-family: var(--reading);
}
</style>
