<script setup lang="ts">
// Lets several lessons be chosen, so that something is done with all at once.
import { defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Collection, LessonCard } from '@fernbrake/core/contract'

// Few choose several: what it takes is fetched then.
const ShareChosen = defineAsyncComponent(() => import('./ShareChosen.vue'))

defineProps<{
  lessons: readonly LessonCard[]
  /** Those that are shown, which can be chosen all at once. */
  shownIds: readonly string[]
  collections: readonly Collection[]
  collection: Collection | null
}>()
const chosen = defineModel<string[] | null>('chosen', { required: true })
const emit = defineEmits<{ changed: [] }>()
const { t } = useI18n()
const toggle = () => (chosen.value = chosen.value === null ? [] : null)
</script>

<template>
  <div class="several">
    <button type="button" class="fb-button plain small" @click="toggle">
      {{ t(chosen === null ? 'sharing.choose' : 'sharing.chooseDone') }}
    </button>
    <template v-if="chosen !== null">
      <button
        type="button"
        class="fb-button plain small"
        :disabled="shownIds.length === 0"
        @click="chosen = shownIds.every((id) => chosen!.includes(id)) ? [] : [...shownIds]"
      >
        {{ t(shownIds.every((id) => chosen!.includes(id)) ? 'home.chooseNone' : 'home.chooseAll') }}
      </button>
      <ShareChosen
        :chosen="lessons.filter(({ id }) => chosen!.includes(id))"
        :collections="collections"
        :collection="collection"
        @changed="emit('changed')"
      />
    </template>
  </div>
</template>

<style scoped>
.several {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  min-height: 36px;
  margin-bottom: 12px;
  margin-inline-start: -10px;
}
</style>
