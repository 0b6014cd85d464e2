<script setup lang="ts">
// Several lessons are being chosen: how many, all or none, and what is to be done with them.
import { computed, defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Collection, LessonCard } from '@fernbrake/core/contract'

// Few choose several: what it takes is fetched then.
const ShareChosen = defineAsyncComponent(() => import('./ShareChosen.vue'))

const props = defineProps<{
  lessons: readonly LessonCard[]
  /** Those that are shown, which can be chosen all at once. */
  shownIds: readonly string[]
  collections: readonly Collection[]
  collection: Collection | null
}>()
const chosen = defineModel<string[]>('chosen', { required: true })
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
/** In the order in which they are shown, as a collection takes them in. */
const chosenLessons = computed(() =>
  props.shownIds
    .filter((id) => chosen.value.includes(id))
    .flatMap((id) => props.lessons.filter((lesson) => lesson.id === id)),
)
const isAll = computed(() => props.shownIds.every((id) => chosen.value.includes(id)))
</script>

<template>
  <div class="several">
    <button
      type="button"
      class="fb-button plain small"
      :disabled="shownIds.length === 0"
      @click="chosen = isAll ? [] : [...shownIds]"
    >
      {{ t(isAll ? 'home.chooseNone' : 'home.chooseAll') }}
    </button>
    <ShareChosen
      :chosen="chosenLessons"
      :collections="collections"
      :collection="collection"
      @changed="emit('changed')"
    />
  </div>
</template>

<style scoped>
.several {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
</style>
