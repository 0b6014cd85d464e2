<script setup lang="ts">
// How the numbers given to a prompt are spread: a column for each, or for each tenth of the range.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { spreadOf, type NumberRange } from '@fernbrake/core/talk'

const props = defineProps<{ numbers: readonly number[]; range: NumberRange }>()
const { t, n } = useI18n()
const spread = computed(() => spreadOf(props.numbers, props.range))
const most = computed(() => Math.max(1, ...spread.value.bars.map(({ count }) => count)))
const figure = (value: number | null) =>
  value === null ? '' : n(value, { maximumFractionDigits: 1 })
const isSingle = computed(() => spread.value.bars.every(({ from, to }) => from === to))
const bars = computed(() =>
  spread.value.bars.map(({ from, to, count }) => ({
    from,
    count,
    height: `${(count / most.value) * 100}%`,
    words: t('player.talk.bar', {
      range:
        from === to ? figure(from) : t('player.talk.range', { from: figure(from), to: figure(to) }),
      n: n(count),
    }),
  })),
)
const sentence = computed(() => {
  const { count, mean, median } = spread.value
  const figures = { n: n(count), mean: figure(mean), median: figure(median) }
  return t('player.talk.spread', figures, count)
})
</script>

<template>
  <figure>
    <ol v-if="spread.count > 0" :aria-label="sentence">
      <li v-for="bar in bars" :key="bar.from" :title="bar.words">
        <span class="visually-hidden">{{ bar.words }}</span>
        <span class="count" aria-hidden="true">{{ bar.count > 0 ? n(bar.count) : '' }}</span>
        <span class="room" aria-hidden="true"><span :style="{ height: bar.height }" /></span>
        <span class="from" aria-hidden="true">{{ figure(bar.from) }}</span>
      </li>
    </ol>
    <p v-if="spread.count > 0 && !isSingle" class="end" aria-hidden="true">
      {{ figure(range.to) }}
    </p>
    <figcaption>{{ sentence }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  position: relative;
  margin: 4px 0;
}
ol {
  display: flex;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  position: relative;
  flex: 1 1 0;
  display: grid;
  grid-template-rows: 16px 44px 16px;
  min-width: 0;
  text-align: center;
}
.count,
.from {
  overflow: hidden;
  font-family: var(--mono);
  font-size: 11.5px;
  line-height: 16px;
  white-space: nowrap;
}
.from {
  color: var(--ink-2);
}
.room {
  display: flex;
  align-items: flex-end;
  border-bottom: 1px solid var(--line-strong);
}
.room span {
  width: 100%;
  background: var(--fern);
}
.end {
  position: absolute;
  inset-inline-end: 0;
  top: 60px;
  color: var(--ink-2);
  font-family: var(--mono);
  font-size: 11.5px;
  line-height: 16px;
}
figcaption {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
