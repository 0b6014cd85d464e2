<script setup lang="ts">
// A lesson on the home page: its picture, its words, its frond.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { isAtLeast, type LessonCard, type PlaceFound } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { Frond, type FrondCue } from '@fernbrake/player'
import { writeMoment } from '../ui/dates.ts'
import LessonPicture from './LessonPicture.vue'
import PlacesFound from '../finding/PlacesFound.vue'

const props = defineProps<{
  lesson: LessonCard
  /** Where the words stand that were looked for. */
  places?: readonly PlaceFound[]
  more?: number
  /** Closely, as one line of a list. */
  line?: boolean
  choosing?: boolean
  chosen?: boolean
}>()
const emit = defineEmits<{ choose: [on: boolean]; copy: []; away: [] }>()
const isOn = (event: Event) => (event.target as HTMLInputElement).checked
const { t, n } = useI18n()
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
  <article class="card" :class="{ chosen, line }">
    <div class="picture">
      <label v-if="choosing" class="choose above">
        <input
          type="checkbox"
          :checked="chosen"
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
      <p v-if="lesson.summary && !line && !places?.length" class="summary" dir="auto">
        {{ lesson.summary }}
      </p>
      <PlacesFound
        v-if="places && places.length > 0"
        :places="places"
        :more="more ?? 0"
        :lesson-id="lesson.id"
      />
      <Frond v-if="lesson.stemMs > 0 && !line" :duration-ms="lesson.stemMs" :cues="cues" small />
      <p class="foot">
        <span class="muted">{{
          t('home.changed', { when: writeMoment(new Date(lesson.updatedAt)) })
        }}</span>
        <span class="subjects muted" dir="auto">{{
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
        <button
          type="button"
          class="above link-button"
          :aria-label="
            t(lesson.isAway ? 'home.takeOutOne' : 'home.putAwayOne', { title: lesson.title })
          "
          @click="emit('away')"
        >
          {{ t(lesson.isAway ? 'home.takeOut' : 'home.putAway') }}
        </button>
        <RouterLink
          v-if="lesson.learners > 0 && isAtLeast(lesson.role, 'editor')"
          class="above"
          :to="{ name: 'results', params: { lessonId: lesson.id } }"
        >
          {{ t('home.learners', lesson.learners) }}
        </RouterLink>
        <span v-if="lesson.opened > lesson.learners" class="muted">{{
          t('home.opened', { n: n(lesson.opened) }, lesson.opened)
        }}</span>
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
  gap: 14px;
  margin-top: auto;
  font-size: 13.5px;
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
/* One of many: what is far below is not drawn before it comes near. */
.card {
  content-visibility: auto;
  contain-intrinsic-size: auto 170px;
}
.line {
  grid-template-columns: 104px minmax(0, 1fr);
  contain-intrinsic-size: auto 72px;
}
.line .picture {
  position: relative;
  min-height: 58px;
}
.line .picture > img,
.line .mark {
  position: absolute;
  height: 58px;
}
.line .mark {
  inset-inline: 0;
  width: 36px;
  margin: 0 auto;
}
.line .words {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 0 20px;
  align-content: center;
  padding: 6px 16px;
}
.line h2 {
  overflow: hidden;
  font-size: 17px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line .words > .muted {
  grid-row: 2;
  overflow: hidden;
  font-size: 13.5px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line .foot {
  grid-column: 2;
  grid-row: 1 / 3;
  align-self: center;
  margin: 0;
}
.line .places {
  grid-column: 1 / -1;
}
@media (max-width: 720px) {
  .line .words {
    display: flex;
  }
  .card {
    grid-template-columns: 1fr;
  }
  .picture {
    height: 150px;
  }
  .card.line {
    grid-template-columns: 72px minmax(0, 1fr);
  }
  .line .picture {
    height: auto;
  }
}
</style>
