<script setup lang="ts">
// A chart with its table: the drawing for whoever would rather look, the figures for whoever would rather read.
import { computed, onMounted, onUnmounted, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Chart, ChartData, ChartType } from 'chart.js'
import type { DrawnChart } from './drawChart.ts'

const props = defineProps<{
  caption: string
  type: ChartType
  data: ChartData
  /** The upper end of the values, where it is known; shares end at 1. */
  max?: number | undefined
  shares?: boolean
  xTitle: string
  yTitle: string
  heads: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}>()
const { t, locale } = useI18n()
const canvas = useTemplateRef('canvas')
let drawn: Chart | null = null
let isGone = false
const given = computed((): DrawnChart => ({
  type: props.type,
  data: props.data,
  max: props.max,
  shares: props.shares ?? false,
  xTitle: props.xTitle,
  yTitle: props.yTitle,
  locale: locale.value,
}))
/** What draws is fetched with the first chart. */
async function draw(): Promise<void> {
  const { drawChart } = await import('./drawChart.ts')
  if (isGone || !canvas.value) return
  drawn?.destroy()
  drawn = drawChart(canvas.value, given.value)
}
onMounted(draw)
watch(given, draw)
onUnmounted(() => {
  isGone = true
  drawn?.destroy()
})
</script>

<template>
  <figure>
    <figcaption>{{ caption }}</figcaption>
    <div class="canvas"><canvas ref="canvas" role="img" :aria-label="caption" /></div>
    <details>
      <summary>{{ t('reports.asTable') }}</summary>
      <div class="scroll" tabindex="0" role="region" :aria-label="caption">
        <table>
          <thead>
            <tr>
              <th v-for="head in heads" :key="head" scope="col">{{ head }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, at) in rows" :key="at">
              <td v-for="(cell, column) in row" :key="column" class="mono">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  min-width: 0;
}
figcaption {
  margin-bottom: 6px;
  font-weight: 650;
}
.canvas {
  position: relative;
  height: 210px;
}
summary {
  color: var(--ink-2);
  cursor: pointer;
}
.scroll {
  max-height: 260px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13.5px;
}
th,
td {
  padding-block: 3px;
  padding-inline: 0 10px;
  border-top: 1px solid var(--line);
  text-align: start;
}
</style>
