<script setup lang="ts">
// The lessons that somebody is learning from.
import { useI18n } from 'vue-i18n'
import type { AttemptCard } from '@fernbrake/core/contract'
import { writeMoment } from '../ui/dates.ts'
import LessonPicture from './LessonPicture.vue'

defineProps<{ attempts: AttemptCard[] }>()
const { t, n } = useI18n()
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
</script>

<template>
  <ul class="learning">
    <li v-for="attempt in attempts" :key="attempt.id">
      <a :href="`/learn/${attempt.id}`">
        <span class="picture"><LessonPicture :media-id="attempt.posterMediaId" /></span>
        <span class="words">
          <b dir="auto">{{ attempt.title }}</b>
          <span class="muted">
            {{ attempt.finished ? t('home.finished') : t('home.begun') }} ·
            <template v-if="attempt.watched !== null"
              >{{ t('home.watched', { share: percent(attempt.watched) }) }} ·
            </template>
            {{ t('home.answered', { answered: attempt.answered, questions: attempt.questions }) }}
          </span>
          <span class="muted">{{
            t('home.lastSeen', { when: writeMoment(new Date(attempt.lastSeenAt)) })
          }}</span>
        </span>
        <span class="go">{{ attempt.finished ? t('home.lookAgain') : t('home.goOn') }}</span>
      </a>
    </li>
  </ul>
</template>

<style scoped>
.learning {
  display: grid;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}
a {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 18px;
  align-items: center;
  min-height: 84px;
  padding-block: 10px;
  padding-inline: 10px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  border-color: var(--line-strong);
}
.picture {
  display: grid;
  place-items: center;
  width: 128px;
  aspect-ratio: 16 / 9;
  background: var(--sunk);
}
.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.words {
  display: flex;
  flex-direction: column;
}
b {
  font-family: var(--reading);
  font-size: 17px;
}
.go {
  color: var(--fern);
  font-weight: 650;
}
@media (max-width: 560px) {
  a {
    grid-template-columns: 1fr;
  }
}
</style>
