<script setup lang="ts">
// The watch map of a film: a line a learner, time from left to right. Low where it was seen, high where it was seen again.
import VirtualScroller from 'primevue/virtualscroller'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { WatchedPart } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { runsOf } from './runs.ts'
import { useFigures } from './useReport.ts'

const props = defineProps<{ part: WatchedPart; order: 'name' | 'furthest' | 'watched' }>()
const { t, n } = useI18n()
const { percent } = useFigures()
const ROW = 22
/** More lines than this are drawn only where they are in sight. */
const MOST_AT_ONCE = 120
const rows = computed(() => {
  const { learners } = props.part
  const by = {
    name: () => 0,
    furthest: (a: (typeof learners)[number], b: (typeof learners)[number]) =>
      b.furthestMs - a.furthestMs,
    watched: (a: (typeof learners)[number], b: (typeof learners)[number]) => b.watched - a.watched,
  }[props.order]
  return [...learners].sort(by).map((learner, index) => ({ ...learner, index }))
})
const bins = computed(() => props.part.plays.length)
const share = (ms: number) => `${(ms / props.part.durationMs) * 100}%`
/** About eight marks of round times. */
const times = computed(() => {
  const STEPS = [5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600]
  const seconds = props.part.durationMs / 1000
  const step = STEPS.find((one) => seconds / one <= 9) ?? 3600
  return Array.from({ length: Math.floor(seconds / step) + 1 }, (_, at) => at * step * 1000)
})
const describe = ({ name, watched, furthestMs }: WatchedPart['learners'][number]) =>
  t('reports.rowOf', { name, share: percent(watched), at: clockTime(furthestMs) })
</script>

<template>
  <div class="map">
    <div class="line axis" aria-hidden="true">
      <span />
      <span class="track">
        <span v-for="ms in times" :key="ms" class="time mono" :style="{ left: share(ms) }">{{
          clockTime(ms)
        }}</span>
        <span
          v-for="one in part.asked"
          :key="one.number"
          class="asked"
          :style="{ left: share(one.atMs) }"
          >{{ n(one.number) }}</span
        >
      </span>
      <span class="mono share">{{ t('reports.watched') }}</span>
    </div>
    <component
      :is="rows.length > MOST_AT_ONCE ? VirtualScroller : 'div'"
      class="rows"
      :class="{ long: rows.length > MOST_AT_ONCE }"
      v-bind="rows.length > MOST_AT_ONCE ? { items: rows, itemSize: ROW } : {}"
      role="list"
      :aria-label="t('reports.mapLabel', { title: part.title })"
      tabindex="0"
    >
      <template v-if="rows.length > MOST_AT_ONCE" #item="{ item }">
        <div class="line" role="listitem" :aria-label="describe(item)">
          <span class="name" dir="auto">{{ item.name }}</span>
          <svg class="track" :viewBox="`0 0 ${bins} 10`" preserveAspectRatio="none">
            <path :d="runsOf(item.cells, '1')" class="seen" />
            <path :d="runsOf(item.cells, '2')" class="again" />
          </svg>
          <span class="mono share">{{ percent(item.watched) }}</span>
        </div>
      </template>
      <template v-if="rows.length <= MOST_AT_ONCE" #default>
        <div
          v-for="item in rows"
          :key="item.index"
          class="line"
          role="listitem"
          :aria-label="describe(item)"
        >
          <span class="name" dir="auto">{{ item.name }}</span>
          <svg class="track" :viewBox="`0 0 ${bins} 10`" preserveAspectRatio="none">
            <path :d="runsOf(item.cells, '1')" class="seen" />
            <path :d="runsOf(item.cells, '2')" class="again" />
          </svg>
          <span class="mono share">{{ percent(item.watched) }}</span>
        </div>
      </template>
    </component>
    <ul class="key">
      <li>
        <svg viewBox="0 0 20 10"><path d="M0 9h20v1H0z" class="none" /></svg
        >{{ t('reports.skipped') }}
      </li>
      <li>
        <svg viewBox="0 0 20 10"><path d="M0 5h20v5H0z" class="seen" /></svg>{{ t('reports.seen') }}
      </li>
      <li>
        <svg viewBox="0 0 20 10"><path d="M0 0h20v10H0z" class="again" /></svg
        >{{ t('reports.again') }}
      </li>
      <li v-if="part.asked.length > 0">
        <span class="asked">1</span>{{ t('reports.questionAt') }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr) 74px;
  gap: 12px;
  align-items: center;
  height: 22px;
}
.name {
  overflow: hidden;
  font-size: 13.5px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.share {
  font-size: 13.5px;
  text-align: end;
}
.track {
  position: relative;
  width: 100%;
  height: 16px;
}
svg.track {
  border-bottom: 1px solid var(--line-strong);
}
.axis {
  height: 40px;
}
.axis .track {
  height: 38px;
}
.axis .share {
  align-self: end;
  color: var(--ink-2);
}
.time {
  position: absolute;
  bottom: 0;
  font-size: 12.5px;
  color: var(--ink-2);
}
.time::before {
  position: absolute;
  left: 0;
  bottom: -4px;
  height: 4px;
  border-inline-start: 1px solid var(--line-strong);
  content: '';
}
.axis .asked {
  position: absolute;
  top: 0;
  transform: translateX(-50%);
}
.asked {
  display: inline-grid;
  place-items: center;
  min-width: 17px;
  height: 17px;
  padding: 0 3px;
  border-radius: 8px 8px 8px 0;
  background: var(--rust);
  color: #fff;
  font-size: 11.5px;
  font-weight: 700;
}
.rows.long {
  height: 560px;
}
.seen {
  fill: var(--fern);
  opacity: 0.75;
}
.again {
  fill: var(--fern-deep);
}
.none {
  fill: var(--line-strong);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  margin: 12px 0 0;
  padding: 0;
  font-size: 13.5px;
  color: var(--ink-2);
  list-style: none;
}
.key li {
  display: inline-flex;
  align-items: center;
  gap: 7px;
}
.key svg {
  width: 20px;
  height: 10px;
}
@media (max-width: 720px) {
  .line {
    grid-template-columns: 92px minmax(0, 1fr) 44px;
    gap: 6px;
  }
}
</style>
