<script setup lang="ts">
// Media on their way into the lesson whose places are not in view, and those that could not be put in.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { MOST_DOCUMENT_PAGES } from '@fernbrake/core/lesson'
import { useBench } from '../useBench.ts'
import type { Place } from './places.ts'
import { isUnderWay, type Placing } from './placings.ts'

const { placings, lesson } = useBench()
const { t, n } = useI18n()
/** More than these that are under way are told as a number. */
const MOST_NAMED = 2
const running = computed(() => placings.aside.value.filter(isUnderWay))
const shown = computed(() => [
  ...running.value.slice(0, MOST_NAMED),
  ...placings.aside.value.filter((one) => !isUnderWay(one)),
])
const more = computed(() => Math.max(0, running.value.length - MOST_NAMED))

/** What somebody calls the place. */
function whereOf(place: Place): string {
  const partId = 'partId' in place ? place.partId : partOf(place)
  const part = partId === null ? undefined : lesson.value.parts[partId]
  if (part) return part.title || t('bench.untitled')
  return t(place.at === 'cover' ? 'placing.cover' : 'placing.elsewhere')
}
function partOf(place: Place): string | null {
  if (place.at === 'overlay') return lesson.value.cues[place.cueId]?.partId ?? null
  return null
}
function wordsOf(one: Placing): string {
  const about = { name: one.name, where: whereOf(one.place), most: MOST_DOCUMENT_PAGES }
  const share = n(one.share, { style: 'percent' })
  if (one.step === 'failed')
    return `${t('placing.failed', about)} ${
      one.fault === 'notThis' ? t(`take.notThis.${one.kind}`) : t(`take.fault.${one.fault}`)
    }`
  return t(`placing.${one.step}`, { ...about, share })
}
</script>

<template>
  <ul v-if="shown.length > 0" class="placings" :aria-label="t('placing.title')">
    <li v-for="one in shown" :key="one.id" class="notice" :class="{ straw: isUnderWay(one) }">
      <span :role="isUnderWay(one) ? 'status' : 'alert'">{{ wordsOf(one) }}</span>
      <Button
        v-if="!isUnderWay(one)"
        :label="t('placing.dismiss')"
        size="small"
        severity="secondary"
        variant="text"
        @click="placings.dismiss(one.id)"
      />
    </li>
    <li v-if="more > 0" class="notice straw">{{ t('take.left', more) }}</li>
  </ul>
</template>

<style scoped>
.placings {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
</style>
