<script setup lang="ts">
// A lesson on the home page: its picture, its words, its frond.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { isAtLeast, type LessonCard } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { Frond, type FrondCue } from '@fernbrake/player'
import { writeMoment } from '../ui/dates.ts'
import LessonPicture from './LessonPicture.vue'

const props = defineProps<{ lesson: LessonCard; choosing?: boolean; chosen?: boolean }>()
const emit = defineEmits<{ choose: [on: boolean]; copy: [] }>()
const isOn = (event: Event) => (event.target as HTMLInputElement).checked
const { t } = useI18n()
const cues = computed<FrondCue[]>(() => props.lesson.cues.map((cue) => ({ ...cue, label: '' })))
const counts = computed(() => {
  const { durationMs, quizzes, questions, editionNumber } = props.lesson
  return [
    ...(durationMs > 0 ? [clockTime(durationMs)] : quizzes > 0 ? [] : [t('home.noFilm')]),
    ...(quizzes > 0 ? [t('home.quizzes', quizzes)] : []),
    t('home.questions', questions),
    editionNumber ? t('home.edition', { number: editionNumber }) : t('home.draft'),
    ...(props.lesson.role === 'owner' ? [] : [t(`sharing.role.${props.lesson.role}`)]),
    ...(editionNumber && props.lesson.seenBy !== 'link'
      ? [t(`sharing.onCard.${props.lesson.seenBy}`)]
      : []),
  ].join(' · ')
})
</script>

<template>
  <article class="card" :class="{ chosen }">
    <div class="picture">
      <label v-if="choosing" class="choose above">
        <input
          type="checkbox"
          :checked="chosen"
          :disabled="lesson.role !== 'owner'"
          :aria-label="t('sharing.pick', { title: lesson.title })"
          @change="emit('choose', isOn($event))"
        />
      </label>
      <LessonPicture :media-id="lesson.posterMediaId" />
    </div>
    <div class="words">
      <h2>
        <RouterLink :to="{ name: 'bench', params: { lessonId: lesson.id } }" dir="auto">{{
          lesson.title
        }}</RouterLink>
      </h2>
      <p class="muted">{{ counts }}</p>
      <p v-if="lesson.summary" class="summary" dir="auto">{{ lesson.summary }}</p>
      <Frond v-if="lesson.stemMs > 0" :duration-ms="lesson.stemMs" :cues="cues" small />
      <p class="foot">
        <span class="muted">{{
          t('home.changed', { when: writeMoment(new Date(lesson.updatedAt)) })
        }}</span>
        <span v-if="lesson.level || lesson.tags.length > 0" class="subjects muted" dir="auto">{{
          [lesson.level, ...lesson.tags].filter(Boolean).join(' · ')
        }}</span>
        <button
          type="button"
          class="above link-button"
          :aria-label="t('sharing.makeCopyOf', { title: lesson.title })"
          @click="emit('copy')"
        >
          {{ t('sharing.makeCopy') }}
        </button>
        <RouterLink
          v-if="lesson.learners > 0 && isAtLeast(lesson.role, 'editor')"
          class="above"
          :to="{ name: 'results', params: { lessonId: lesson.id } }"
        >
          {{ t('home.learners', lesson.learners) }}
        </RouterLink>
      </p>
    </div>
  </article>
</template>

<style scoped>
.card {
  position: relative;
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.card:hover {
  border-color: var(--line-strong);
}
.chosen {
  border-color: var(--fern);
  outline: 1px solid var(--fern);
}
.choose {
  position: absolute;
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  background: var(--surface);
  cursor: pointer;
}
.choose input {
  width: 20px;
  height: 20px;
  accent-color: var(--fern);
}
.picture {
  background: var(--sunk);
  min-height: 168px;
}
.mark {
  display: block;
  width: 56px;
  height: 56px;
  margin: 54px auto;
  opacity: 0.35;
}
.picture img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.words {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 14px 22px 12px;
  min-width: 0;
}
h2 {
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  line-height: 1.25;
  overflow-wrap: anywhere;
}
h2 a {
  color: var(--ink);
  text-decoration: none;
}
h2 a::after {
  content: '';
  position: absolute;
  inset: 0;
}
.summary {
  font-family: var(--reading);
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
}
.foot {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
  margin-top: auto;
  font-size: 13.5px;
}
.foot > button {
  margin-inline-start: auto;
}
.subjects {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.above {
  z-index: 1;
}
a.above,
button.above {
  position: relative;
  font-weight: 650;
}
@media (max-width: 720px) {
  .card {
    grid-template-columns: 1fr;
  }
  .picture {
    height: 150px;
  }
}
</style>
