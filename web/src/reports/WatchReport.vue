<script setup lang="ts">
// What a class watched, film by film: sentences, the map, and what came of it over time.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { WatchedPart, WatchMap as WatchMapReply } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import LabelledSelect from '../ui/LabelledSelect.vue'
import ChartFigure from './ChartFigure.vue'
import { useFigures } from './useReport.ts'
import WatchMap from './WatchMap.vue'

const props = defineProps<{ map: WatchMapReply }>()
const { t, n } = useI18n()
const { percent } = useFigures()
const order = ref<'name' | 'furthest' | 'watched'>('furthest')
const ORDERS = (['furthest', 'watched', 'name'] as const).map((value) => ({
  value,
  label: t(`reports.order.${value}`),
}))
const any = computed(() => props.map.parts.length > 0)
const MOST_RETURNED = 4
/** The strongest few, in the order of the film. */
const returnedIn = ({ returned }: WatchedPart) =>
  [...returned]
    .sort((a, b) => b.again - a.again || b.ratio - a.ratio)
    .slice(0, MOST_RETURNED)
    .sort((a, b) => a.fromMs - b.fromMs)
const range = (fromMs: number, toMs: number) => `${clockTime(fromMs)}–${clockTime(toMs)}`
const labelsOf = ({ plays, binMs }: WatchedPart) => plays.map((_, bin) => clockTime(bin * binMs))
const stillThere = (part: WatchedPart) => ({
  labels: labelsOf(part),
  datasets: [
    {
      label: t('reports.stillThere'),
      data: part.leaveOff,
      borderColor: '--fern',
      backgroundColor: '--fern-soft',
      fill: true,
      stepped: true,
    },
  ],
})
const playedOf = (part: WatchedPart) => ({
  labels: labelsOf(part),
  datasets: [
    {
      label: t('reports.plays'),
      data: part.plays,
      borderColor: '--slate',
      stepped: true,
      backgroundColor: '--slate',
    },
    {
      label: t('reports.seenBy'),
      data: part.seenBy,
      borderColor: '--fern',
      stepped: true,
      backgroundColor: '--fern-soft',
      fill: true,
    },
  ],
})
const rowsOf = (part: WatchedPart) =>
  part.plays.map((count, bin) => [
    clockTime(bin * part.binMs),
    percent(part.leaveOff[bin]!),
    n(count),
    n(part.seenBy[bin]!),
  ])
const heads = computed(() =>
  ['at', 'stillThere', 'plays', 'seenBy'].map((one) => t(`reports.${one}`)),
)
</script>

<template>
  <p v-if="!any" class="empty">{{ t('reports.noFilm') }}</p>
  <LabelledSelect
    v-else
    v-model="order"
    class="order"
    :label="t('reports.orderBy')"
    :options="ORDERS"
  />
  <section v-for="part in map.parts" :key="part.partId" class="film">
    <h2 dir="auto">{{ part.title }}</h2>
    <p class="sentence">
      {{
        part.leaving
          ? t(
              'reports.left',
              {
                count: n(part.leaving.count),
                of: n(part.leaving.of),
                from: clockTime(part.leaving.fromMs),
                to: clockTime(part.leaving.toMs),
              },
              part.leaving.count,
            )
          : t('reports.nobodyLeft')
      }}
    </p>
    <ul v-if="part.returned.length > 0" class="returned">
      <li v-for="one in returnedIn(part)" :key="one.fromMs">
        {{
          t('reports.returned', {
            again: n(one.again),
            seen: n(one.seen),
            range: range(one.fromMs, one.toMs),
          })
        }}
        <q v-if="one.line" dir="auto">{{ one.line }}</q>
      </li>
    </ul>
    <WatchMap :part="part" :order="order" />
    <div class="charts">
      <ChartFigure
        :caption="t('reports.stillThereCaption')"
        type="line"
        shares
        :max="1"
        :data="stillThere(part)"
        :x-title="t('reports.at')"
        :y-title="t('reports.stillThere')"
        :heads="heads"
        :rows="rowsOf(part)"
      />
      <ChartFigure
        :caption="t('reports.playsCaption')"
        type="line"
        :data="playedOf(part)"
        :x-title="t('reports.at')"
        :y-title="t('reports.playsAxis')"
        :heads="heads"
        :rows="rowsOf(part)"
      />
    </div>
  </section>
</template>

<style scoped>
.order {
  width: 240px;
  margin-bottom: 16px;
}
.film {
  margin-bottom: 28px;
  padding: 18px 22px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.sentence {
  margin: 4px 0 8px;
  font-family: var(--reading);
  font-size: 17px;
}
.returned {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}
.returned li {
  padding-block: 2px;
  padding-inline: 12px 0;
  border-inline-start: 3px solid var(--fern);
}
q {
  font-family: var(--reading);
  color: var(--ink-2);
}
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
  gap: 24px;
  margin-top: 20px;
}
</style>
