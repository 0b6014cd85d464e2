<script setup lang="ts">
// Finding one of many lessons: by words, by what is shown, in which order and how closely.
import { useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Collection } from '@fernbrake/core/contract'
import { AWAY, IN_USE, LESSON_SORTS, type LessonSort } from './arrange.ts'

defineProps<{
  counts: { inUse: number; away: number }
  collections: readonly Collection[]
  isLooking: boolean
}>()
const words = defineModel<string>('words', { required: true })
const shown = defineModel<string>('shown', { required: true })
const sort = defineModel<LessonSort>('sort', { required: true })
const inLines = defineModel<boolean>('inLines', { required: true })
const { t, n } = useI18n()
const id = useId()
</script>

<template>
  <search class="tools">
    <div class="find">
      <label class="visually-hidden" :for="id">{{ t('home.find') }}</label>
      <input
        :id="id"
        v-model="words"
        type="search"
        class="fb-input"
        maxlength="200"
        :placeholder="t('home.find')"
        :aria-busy="isLooking"
      />
    </div>
    <label v-if="shown === IN_USE || shown === AWAY" class="choice">
      {{ t('home.sortBy') }}
      <select v-model="sort" class="fb-input">
        <option v-for="one in LESSON_SORTS" :key="one" :value="one">
          {{ t(`home.sort.${one}`) }}
        </option>
      </select>
    </label>
    <label class="choice">
      {{ t('home.layout') }}
      <select v-model="inLines" class="fb-input">
        <option :value="false">{{ t('home.cards') }}</option>
        <option :value="true">{{ t('home.lines') }}</option>
      </select>
    </label>
    <slot />
  </search>
  <div
    v-if="collections.length > 0 || counts.away > 0 || shown === AWAY"
    class="shelves"
    role="group"
    :aria-label="t('home.shownWhich')"
  >
    <button type="button" :aria-pressed="shown === IN_USE" @click="shown = IN_USE">
      {{ t('home.inUse') }} <span class="mono">{{ n(counts.inUse) }}</span>
    </button>
    <button
      v-for="one in collections"
      :key="one.id"
      type="button"
      :aria-pressed="shown === one.id"
      @click="shown = one.id"
    >
      <bdi>{{ one.title }}</bdi> <span class="mono">{{ n(one.lessonIds.length) }}</span>
    </button>
    <button
      v-if="counts.away > 0 || shown === AWAY"
      type="button"
      :aria-pressed="shown === AWAY"
      @click="shown = AWAY"
    >
      {{ t('home.away') }} <span class="mono">{{ n(counts.away) }}</span>
    </button>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 20px;
}
.tools :slotted(button) {
  margin-inline-start: auto;
}
.find {
  flex: 1 1 260px;
  max-width: 400px;
}
.choice {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.choice select {
  width: auto;
  padding-block: 6px;
}
.shelves {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin-top: 12px;
}
.shelves button {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  max-width: 260px;
  min-height: 32px;
  padding: 4px 2px;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--ink-2);
  font: inherit;
  cursor: pointer;
}
.shelves bdi {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.shelves button:hover {
  color: var(--ink);
}
.shelves [aria-pressed='true'] {
  border-bottom-color: var(--fern);
  color: var(--ink);
  font-weight: 600;
}
.shelves .mono {
  font-size: 12.5px;
  color: var(--ink-2);
}
</style>
