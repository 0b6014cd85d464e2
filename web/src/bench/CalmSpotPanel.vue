<script setup lang="ts">
// How well the overlay reads where it lies, and up to three places where it would do better.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { boxOnStage, edits, type OverlayCue } from '@fernbrake/core/lesson'
import { ENOUGH_CONTRAST } from '@fernbrake/core/colour'
import { type Spot } from '@fernbrake/core/media'
import { readingMs } from '@fernbrake/core/text'
import { usePlayhead, useRights, useBench } from './useBench.ts'

const props = defineProps<{ cue: OverlayCue }>()
const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const { t, n } = useI18n()
const found = computed(() => bench.calm.found.value)
const needsMs = computed(() => readingMs(wordsOf(props.cue)))
const lastsMs = computed(() => props.cue.toMs - props.cue.fromMs)

function wordsOf({ text, content }: OverlayCue): string {
  return content?.form === 'panel' ? `${content.title} ${text}` : text
}

/** What keeps the words from being read; all of it stays until it is mended. */
const warnings = computed(() => {
  const list: string[] = []
  const here = found.value?.here
  if (here && here.contrast < ENOUGH_CONTRAST)
    list.push(t('calm.lowContrast', { ratio: ratio(here), enough: n(ENOUGH_CONTRAST) }))
  if (here && here.overlap > 0.02) list.push(t('calm.covered'))
  if (props.cue.shown?.when !== 'always' && lastsMs.value < needsMs.value)
    list.push(t('calm.tooShort', { lasts: seconds(lastsMs.value), needs: seconds(needsMs.value) }))
  return list
})
const seconds = (ms: number) => n(ms / 1000, { maximumFractionDigits: 1 })
const ratio = (spot: Spot) =>
  n(spot.contrast, { minimumFractionDigits: 1, maximumFractionDigits: 1 })
const share = (value: number) => n(value, { style: 'percent', maximumFractionDigits: 1 })
const figures = (spot: Spot) => [ratio(spot), share(spot.clutter), share(spot.change)]

function moveTo(spot: Spot): void {
  bench.draft.make(edits.setOverlayBox, { cueId: props.cue.id, box: boxOnStage(spot.box) })
}
</script>

<template>
  <section class="calm" :aria-label="t('calm.title')">
    <ul v-if="warnings.length > 0" class="notice straw" role="status">
      <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
    </ul>
    <h3>{{ t('calm.title') }}</h3>
    <table v-if="found">
      <thead>
        <tr>
          <th scope="col">{{ t('calm.place') }}</th>
          <th scope="col">{{ t('calm.contrast') }}</th>
          <th scope="col">{{ t('calm.clutter') }}</th>
          <th scope="col">{{ t('calm.change') }}</th>
          <td />
        </tr>
      </thead>
      <tbody>
        <tr class="here">
          <th scope="row">{{ t('calm.here') }}</th>
          <td v-for="(figure, index) in figures(found.here)" :key="index" class="mono">
            {{ figure }}
          </td>
          <td />
        </tr>
        <tr v-for="(spot, index) in found.best" :key="index">
          <th scope="row">
            <span class="number">{{ index + 1 }}</span>
          </th>
          <td v-for="(figure, at) in figures(spot)" :key="at" class="mono">{{ figure }}</td>
          <td>
            <Button
              v-if="rights.canEdit.value && !cue.locked"
              :label="t('calm.move')"
              :aria-label="t('calm.moveLong', { number: index + 1 })"
              size="small"
              severity="secondary"
              variant="text"
              @click="moveTo(spot)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="hint" role="status">
      {{
        t(
          `calm.${bench.calm.looking.value ? 'looking' : playhead.media.value?.hosted ? 'hosted' : 'unknown'}`,
        )
      }}
    </p>
  </section>
</template>

<style scoped>
.calm {
  display: grid;
  gap: 8px;
}
h3 {
  font-size: 13.5px;
  font-weight: 650;
}
ul {
  margin: 0;
  padding-block: 8px;
  padding-inline: 28px 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13.5px;
}
th,
td {
  height: 32px;
  padding-block: 2px;
  padding-inline: 0 8px;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
  text-align: start;
}
thead th {
  color: var(--ink-3);
}
td:last-child {
  text-align: end;
}
.here th {
  font-weight: 650;
}
.number {
  display: inline-block;
  width: 22px;
  border: 1px dashed var(--slate);
  color: var(--slate);
  text-align: center;
}
.hint {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
