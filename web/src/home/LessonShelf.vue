<script setup lang="ts">
// A designer's lessons: found, sorted, put away, gathered in collections, and chosen together.
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import type { Collection, LessonCard as Card } from '@fernbrake/core/contract'
import { cutText } from '@fernbrake/core/fields'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { AWAY, IN_USE } from './arrange.ts'
import LessonCard from './LessonCard.vue'
import LessonTools from './LessonTools.vue'
import ShareSeveral from './ShareSeveral.vue'
import { useManyLessons } from './useManyLessons.ts'

const props = defineProps<{ lessons: readonly Card[]; collections: readonly Collection[] }>()
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
const router = useRouter()
const fault = shallowRef<unknown>(null)
let again: () => Promise<void> = () => Promise.resolve()

const { words, shown, sort, inLines, arranged, collection, search } = useManyLessons(
  () => props.lessons,
  () => props.collections,
)
const shownIds = computed(() => arranged.value.shown.map(({ lesson }) => lesson.id))
const counts = computed(() => {
  const away = props.lessons.filter(({ isAway }) => isAway).length
  return { away, inUse: props.lessons.length - away }
})
const isAsking = computed(() => words.value.trim() !== '')
/** Found, but standing where nobody looks just now. */
const elsewhere = computed(() => (isAsking.value ? arranged.value.elsewhere : []))

/** The lessons chosen together; null while nothing is being chosen. */
const chosen = ref<string[] | null>(null)
// What is out of sight is chosen by nobody.
watch(shownIds, (ids) => {
  if (chosen.value) chosen.value = chosen.value.filter((id) => ids.includes(id))
})
function choose(id: string, on: boolean): void {
  chosen.value = (chosen.value ?? []).filter((one) => one !== id).concat(on ? [id] : [])
}

async function tryIt(work: () => Promise<void>): Promise<void> {
  again = () => tryIt(work)
  fault.value = null
  try {
    await work()
  } catch (caught) {
    fault.value = caught
  }
}

/** A copy of a lesson, opened at once. Made under one id, so that a repeat after a lost answer makes no second one. */
const copyIds = new Map<string, string>()
const copy = ({ id, title }: Card) =>
  tryIt(async () => {
    const newId = copyIds.get(id) ?? nanoid()
    copyIds.set(id, newId)
    const copied = cutText(t('sharing.copyOf', { title: title || t('bench.untitled') }), 200)
    const body = { id: newId, title: copied, language: 'en', from: { copyOf: id } }
    await call('createLesson', { body })
    copyIds.delete(id)
    await router.push({ name: 'bench', params: { lessonId: newId } })
  })
const putAway = ({ id, isAway }: Card) =>
  tryIt(async () => {
    await call('putAway', { body: { lessonIds: [id], away: !isAway } })
    emit('changed')
  })
</script>

<template>
  <div class="shelf">
    <LessonTools
      v-if="lessons.length > 1"
      v-model:words="words"
      v-model:shown="shown"
      v-model:sort="sort"
      v-model:in-lines="inLines"
      :counts="counts"
      :collections="collections"
      :is-looking="search.isLooking.value"
    >
      <button
        type="button"
        class="fb-button plain small"
        :aria-expanded="chosen !== null"
        @click="chosen = chosen === null ? [] : null"
      >
        {{ t(chosen === null ? 'sharing.choose' : 'sharing.chooseDone') }}
      </button>
    </LessonTools>
    <ShareSeveral
      v-if="chosen !== null"
      v-model:chosen="chosen"
      :lessons="lessons"
      :shown-ids="shownIds"
      :collections="collections"
      :collection="collection"
      @changed="emit('changed')"
    />
    <FaultNotice v-if="fault" :error="fault" @retry="again()" />
    <FaultNotice v-if="search.fault.value" :error="search.fault.value" @retry="search.again()" />
    <p v-if="collection" class="collection">
      <span v-if="collection.summary" dir="auto">{{ collection.summary }}</span>
      <RouterLink :to="{ name: 'collection', params: { collectionId: collection.id } }">{{
        t('collection.itsPage')
      }}</RouterLink>
    </p>
    <p v-if="isAsking" class="muted" role="status">
      {{
        search.isLooking.value && shownIds.length === 0
          ? t('home.looking')
          : t('home.found', { n: shownIds.length }, shownIds.length)
      }}
    </p>
    <p v-else-if="shownIds.length === 0" class="muted">
      {{ t(collection ? 'collection.empty' : shown === AWAY ? 'home.noneAway' : 'home.allAway') }}
    </p>
    <div class="lessons" :class="{ inLines }">
      <LessonCard
        v-for="{ lesson, places, more } in arranged.shown"
        :key="lesson.id"
        :lesson="lesson"
        :places="places"
        :more="more"
        :line="inLines"
        :chosen="chosen?.includes(lesson.id)"
        :choosing="chosen !== null"
        @choose="choose(lesson.id, $event)"
        @copy="copy(lesson)"
        @away="putAway(lesson)"
      />
    </div>
    <p v-if="elsewhere.length > 0">
      <button
        type="button"
        class="fb-button small"
        @click="shown = shown === IN_USE ? AWAY : IN_USE"
      >
        {{
          t(
            shown === IN_USE ? 'home.foundAway' : 'home.foundElse',
            { n: elsewhere.length },
            elsewhere.length,
          )
        }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 14px;
}
.lessons {
  display: grid;
  gap: 16px;
}
.inLines {
  gap: 6px;
}
.collection {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-family: var(--reading);
}
</style>
