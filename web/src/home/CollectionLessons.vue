<script setup lang="ts">
// The lessons of a collection in their order, and what can still come in.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Collection, LessonCard } from '@fernbrake/core/contract'
import { holdingWords } from '@fernbrake/core/text'
import LessonPicture from './LessonPicture.vue'

const props = defineProps<{ collection: Collection; lessons: readonly LessonCard[] }>()
const emit = defineEmits<{
  change: [change: { add?: string[]; remove?: string[]; order?: string[] }]
}>()
const { t } = useI18n()
const words = ref('')
/** So many are offered at once; more are found by their words. */
const MOST_OFFERED = 8
const byId = computed(() => new Map(props.lessons.map((lesson) => [lesson.id, lesson])))
const inIt = computed(() => props.collection.lessonIds.flatMap((id) => byId.value.get(id) ?? []))
const others = computed(() => {
  const holds = holdingWords(words.value)
  return props.lessons.filter(
    ({ id, title, tags }) =>
      !props.collection.lessonIds.includes(id) && holds([title, ...tags].join(' ')),
  )
})

/** Whoever has the link of the collection sees only what they may learn by a link. */
function lackOf({ editionNumber, seenBy }: LessonCard): string {
  if (editionNumber === null) return t('collection.notPublished')
  if (seenBy === 'me' || seenBy === 'people') return t('collection.notForAll')
  return ''
}

function move(id: string, by: 1 | -1): void {
  const order = inIt.value.map((lesson) => lesson.id)
  const at = order.indexOf(id)
  order.splice(at, 1)
  order.splice(at + by, 0, id)
  emit('change', { order })
}
</script>

<template>
  <p v-if="inIt.length === 0" class="muted">{{ t('collection.empty') }}</p>
  <ol class="inIt">
    <li v-for="(lesson, index) in inIt" :key="lesson.id">
      <span class="picture"><LessonPicture :media-id="lesson.posterMediaId" /></span>
      <span class="words">
        <RouterLink :to="{ name: 'bench', params: { lessonId: lesson.id } }" dir="auto">{{
          lesson.title || t('bench.untitled')
        }}</RouterLink>
        <span v-if="collection.seenBy !== 'me' && lackOf(lesson)" class="lack">{{
          lackOf(lesson)
        }}</span>
      </span>
      <span class="acts">
        <button
          type="button"
          class="fb-button plain small"
          :disabled="index === 0"
          :aria-label="t('ask.moveUp', { name: lesson.title })"
          @click="move(lesson.id, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          class="fb-button plain small"
          :disabled="index === inIt.length - 1"
          :aria-label="t('ask.moveDown', { name: lesson.title })"
          @click="move(lesson.id, 1)"
        >
          ↓
        </button>
        <button
          type="button"
          class="fb-button plain small"
          :aria-label="t('ask.remove', { name: lesson.title })"
          @click="emit('change', { remove: [lesson.id] })"
        >
          {{ t('collection.takeOut') }}
        </button>
      </span>
    </li>
  </ol>
  <h2>{{ t('collection.add') }}</h2>
  <input
    v-if="lessons.length > MOST_OFFERED"
    v-model="words"
    type="search"
    class="fb-input"
    maxlength="200"
    :aria-label="t('collection.find')"
    :placeholder="t('collection.find')"
  />
  <ul class="others">
    <li v-for="lesson in others.slice(0, MOST_OFFERED)" :key="lesson.id">
      <span dir="auto">{{ lesson.title || t('bench.untitled') }}</span>
      <button
        type="button"
        class="fb-button small"
        :aria-label="t('collection.putInWhich', { title: lesson.title })"
        @click="emit('change', { add: [lesson.id] })"
      >
        {{ t('home.collect') }}
      </button>
    </li>
  </ul>
  <p v-if="others.length > MOST_OFFERED" class="muted">
    {{ t('collection.others', { n: others.length - MOST_OFFERED }, others.length - MOST_OFFERED) }}
  </p>
</template>

<style scoped>
ol,
ul {
  display: grid;
  gap: 6px;
  margin: 10px 0 20px;
  padding: 0;
  list-style: none;
}
.inIt li {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) auto;
  gap: 16px;
  align-items: center;
  padding-inline-end: 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.picture {
  height: 60px;
  background: var(--sunk);
}
.picture :deep(img) {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.picture :deep(svg) {
  display: block;
  height: 36px;
  margin: 12px auto;
  opacity: 0.35;
}
.words {
  display: grid;
}
.words a {
  overflow-wrap: anywhere;
  font-family: var(--reading);
  font-size: 17px;
}
.lack {
  color: var(--straw);
  font-size: 13.5px;
}
.others li {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  border-bottom: 1px solid var(--line);
  padding-block: 4px;
}
.acts {
  display: flex;
}
h2 {
  margin-bottom: 8px;
}
</style>
