<script setup lang="ts">
// All addresses on the web that the lesson names; they are tested on request, with the answer beside each.
import Button from 'primevue/button'
import { computed, onScopeDispose, reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { PageCheck } from '@fernbrake/core/contract'
import { cueStartMs, linksOf, type LinkPlace } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import { usePlaces, useSelection, useBench } from './useBench.ts'
import SheetFrame from './SheetFrame.vue'

const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const { goToPart, thingId: openThing } = usePlaces()
const selection = useSelection()
const { t } = useI18n()
type Answer = PageCheck | 'unreachable'

const links = computed(() => linksOf(bench.lesson.value))
const answers = reactive(new Map<string, Answer>())
/** The address that is being looked at; null while none is. */
const looking = ref<string | null>(null)
const tested = computed(() => links.value.filter(({ address }) => answers.has(address)).length)
let isGone = false
onScopeDispose(() => (isGone = true))

/** One after the other, so that nobody’s server is asked for many pages at once. */
async function test(): Promise<void> {
  answers.clear()
  for (const { address } of links.value) {
    looking.value = address
    const answer = await call('checkPage', { body: { address } }).catch(
      () => 'unreachable' as const,
    )
    if (isGone) return
    answers.set(address, answer)
  }
  looking.value = null
}

function goTo({ partId, cueId, thingId }: LinkPlace): void {
  goToPart(partId)
  if (cueId !== null) selection.select(cueId, true)
  else openThing.value = thingId
  emit('close')
}
function placeWords({ partId, cueId }: LinkPlace): string {
  const title = bench.lesson.value.parts[partId]?.title || t('bench.untitled')
  const cue = cueId === null ? undefined : bench.lesson.value.cues[cueId]
  return cue
    ? t('links.inFilm', { title, at: clockTime(cueStartMs(cue)) })
    : t('links.inPart', { title })
}
const isGood = (answer: Answer | undefined) =>
  typeof answer === 'object' && (answer.finding === 'inside' || answer.finding === 'newTab')
</script>

<template>
  <SheetFrame :title="t('links.links')" @close="emit('close')">
    <p v-if="links.length === 0">{{ t('links.none') }}</p>
    <template v-else>
      <div class="top">
        <Button
          :label="t('links.test', links.length)"
          size="small"
          :disabled="looking !== null"
          @click="test"
        />
        <p v-if="looking !== null" role="status">
          {{ t('links.testing', { done: tested, all: links.length }) }}
        </p>
        <p v-else-if="tested > 0" role="status">{{ t('links.tested', tested) }}</p>
      </div>
      <ul>
        <li v-for="{ address, title, places } in links" :key="address">
          <b v-if="title" dir="auto">{{ title }}</b>
          <a :href="address" target="_blank" rel="noopener noreferrer">{{ address }}</a>
          <p class="places">
            <button
              v-for="(place, index) in places"
              :key="index"
              type="button"
              class="link-button"
              @click="goTo(place)"
            >
              {{ placeWords(place) }}
            </button>
          </p>
          <p v-if="looking === address" class="muted">{{ t('page.looking') }}</p>
          <p
            v-else-if="answers.get(address)"
            class="notice"
            :class="isGood(answers.get(address)) ? 'fern' : 'straw'"
          >
            <template v-if="answers.get(address) === 'unreachable'">{{
              t('page.found.unreachable')
            }}</template>
            <template v-else>{{
              t(`page.found.${(answers.get(address) as PageCheck).finding}`, {
                status: (answers.get(address) as PageCheck).status ?? '',
              })
            }}</template>
          </p>
        </li>
      </ul>
    </template>
  </SheetFrame>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  gap: 4px;
  padding: 12px 0;
  border-bottom: 1px solid var(--line);
}
a {
  overflow-wrap: anywhere;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-size: 13.5px;
}
.notice {
  margin-top: 4px;
}
</style>
