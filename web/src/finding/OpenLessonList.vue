<script setup lang="ts">
// Published lessons as strangers see them, each leading to its beginning.
import { useI18n } from 'vue-i18n'
import type { OpenLesson, PlaceFound } from '@fernbrake/core/contract'
import FernMark from '../ui/FernMark.vue'
import PlacesFound from './PlacesFound.vue'

const { t } = useI18n()
defineProps<{
  lessons: readonly (OpenLesson & {
    places?: readonly PlaceFound[]
    more?: number
    said?: readonly PlaceFound[]
  })[]
}>()
</script>

<template>
  <ul class="open">
    <li v-for="lesson in lessons" :key="lesson.code">
      <a :href="`/open/${lesson.code}`">
        <img
          v-if="lesson.hasCover"
          :src="`/api/links/${lesson.code}/cover`"
          alt=""
          loading="lazy"
        />
        <span v-else class="blank"><FernMark /></span>
        <span class="words">
          <b dir="auto">{{ lesson.title }}</b>
          <span v-if="lesson.level || lesson.tags.length > 0" class="muted" dir="auto">{{
            [lesson.level, ...lesson.tags].filter(Boolean).join(' · ')
          }}</span>
          <span v-if="lesson.summary" class="summary" dir="auto">{{ lesson.summary }}</span>
          <PlacesFound
            v-if="lesson.places && lesson.places.length > 0"
            :places="lesson.places"
            :more="lesson.more ?? 0"
          />
          <template v-if="lesson.said && lesson.said.length > 0">
            <span class="muted">{{ t('openLessons.said') }}</span>
            <PlacesFound :places="lesson.said" :more="0" />
          </template>
        </span>
      </a>
    </li>
  </ul>
</template>

<style scoped>
.open {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 20px;
  margin: 0 0 24px;
  padding: 0;
  list-style: none;
}
a {
  display: flex;
  flex-direction: column;
  height: 100%;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  border-color: var(--line-strong);
}
img,
.blank {
  display: block;
  width: 100%;
  height: 160px;
  object-fit: cover;
  background: var(--sunk);
}
.blank :deep(svg) {
  display: block;
  width: 48px;
  height: 48px;
  margin: 56px auto;
  opacity: 0.35;
}
.words {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
  padding: 14px 18px 16px;
  min-width: 0;
}
b {
  font-family: var(--reading);
  font-size: 19px;
  overflow-wrap: anywhere;
}
.summary {
  font-family: var(--reading);
}
</style>
