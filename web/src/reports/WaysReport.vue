<script setup lang="ts">
// Which ways learners took: part after part, each way as wide as the share of the class that went it.
import { useI18n } from 'vue-i18n'
import type { WaysTaken } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { useFigures } from './useReport.ts'

defineProps<{ ways: WaysTaken }>()
const { t, n } = useI18n()
const { percent } = useFigures()
type Part = WaysTaken['parts'][number]
function leadsOf({ leads }: Part['ways'][number]): string {
  if (leads.to === 'part') return leads.title
  if (leads.to === 'time') return clockTime(leads.atMs)
  if (leads.to === 'ending') return leads.words || t('reports.theEnd')
  return t('reports.onward')
}
/** Ways that part at one place stand together. */
function placesOf(part: Part) {
  const places = new Map<string, { key: string; head: string; ways: Part['ways'] }>()
  for (const way of part.ways) {
    const key = way.atMs === null ? 'end' : `${way.atMs} ${way.prompt}`
    const head =
      way.atMs === null ? t('reports.atItsEnd') : `${clockTime(way.atMs)} ${way.prompt}`.trim()
    const place = places.get(key) ?? { key, head, ways: [] }
    place.ways.push(way)
    places.set(key, place)
  }
  return [...places.values()]
}
/** Who leaves by a fork does not come to the end of the film, and has done it all the same. */
const isLeftEarly = (part: Part) =>
  part.ways.some(
    ({ atMs, leads }) => atMs !== null && (leads.to === 'part' || leads.to === 'ending'),
  )
const share = (count: number, of: number) => (of > 0 ? count / of : 0)
</script>

<template>
  <p class="sentence">{{ t('reports.waysOf', { n: n(ways.learners) }, ways.learners) }}</p>
  <ol class="parts">
    <li v-for="part in ways.parts" :key="part.partId" class="part">
      <header>
        <span class="mono muted">{{ n(part.number) }}</span>
        <h2 dir="auto">{{ part.title }}</h2>
        <span class="muted">{{
          isLeftEarly(part)
            ? t('reports.openedOnly', { n: n(part.opened) }, part.opened)
            : t('reports.openedBy', { opened: n(part.opened), finished: n(part.finished) })
        }}</span>
      </header>
      <svg class="come" viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
        <rect width="100" height="6" class="room" />
        <rect :width="share(part.opened, ways.learners) * 100" height="6" class="opened" />
        <rect
          :width="share(isLeftEarly(part) ? part.opened : part.finished, ways.learners) * 100"
          height="6"
          class="finished"
        />
      </svg>
      <section v-for="place in placesOf(part)" :key="place.key">
        <h3 dir="auto">{{ place.head }}</h3>
        <ul>
          <li v-for="way in place.ways" :key="way.id" class="way">
            <span class="words" dir="auto">{{ way.words || t('reports.withoutWords') }}</span>
            <span class="to" dir="auto">→ {{ leadsOf(way) }}</span>
            <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
              <rect width="100" height="8" class="room" />
              <rect :width="share(way.learners, part.opened) * 100" height="8" class="taken" />
            </svg>
            <span class="mono count">{{ n(way.learners) }}</span>
            <span class="mono muted count">{{
              percent(part.opened > 0 ? way.learners / part.opened : null)
            }}</span>
          </li>
        </ul>
      </section>
    </li>
  </ol>
</template>

<style scoped>
.sentence {
  margin-bottom: 14px;
  font-family: var(--reading);
  font-size: 17px;
}
.parts {
  margin: 0;
  padding: 0;
  list-style: none;
}
.part {
  margin-bottom: 12px;
  padding: 14px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
}
h2 {
  flex: 1;
  font-size: 17px;
}
h3 {
  margin: 12px 0 2px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.come {
  display: block;
  width: 100%;
  height: 6px;
  margin-top: 8px;
}
.room {
  fill: var(--sunk);
}
.opened {
  fill: var(--fern-soft);
}
.finished {
  fill: var(--fern);
}
.taken {
  fill: var(--plum);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.way {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1.6fr) minmax(80px, 1.4fr) 2.6em 3.6em;
  gap: 12px;
  align-items: center;
  padding: 5px 0;
  border-top: 1px solid var(--line);
}
.to {
  color: var(--ink-2);
}
.way svg {
  width: 100%;
  height: 10px;
}
.count {
  text-align: end;
}
@media (max-width: 720px) {
  .way {
    grid-template-columns: minmax(0, 1fr) 2.6em 3.6em;
  }
  .way svg {
    display: none;
  }
  .to {
    grid-row: 2;
  }
}
</style>
