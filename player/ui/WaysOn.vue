<script setup lang="ts">
// The ways on from the end of a part: what the order or a route leads to, or a choice between several; and where none is
// left, what can still be answered elsewhere.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import NewerEdition from './NewerEdition.vue'
import type { PartsState, ShownWay } from './partsState.ts'
import StillOpen from './StillOpen.vue'

const props = defineProps<{ parts: PartsState }>()
const emit = defineEmits<{ take: [way: ShownWay] }>()
const { t } = useI18n()
/** Nothing leads on from here any more. */
const isEnd = computed(() => props.parts.isOver || props.parts.waits.length > 0)
const backTo = (toId: string): ShownWay => ({ routeId: null, words: '', toId, title: null })
function wordsOf({ words, title }: ShownWay): string {
  if (words !== '') return words
  return title === null ? t('player.part.toTheEnd') : t('player.goOnWith', { title })
}
</script>

<template>
  <div v-if="parts.ways.length > 0" class="ways">
    <button
      v-for="(way, index) in parts.ways"
      :key="way.routeId ?? 'order'"
      class="fb-button"
      :class="{ act: parts.ways.length === 1 || (way.words === '' && index > 0) }"
      type="button"
      dir="auto"
      @click="emit('take', way)"
    >
      {{ wordsOf(way) }}
    </button>
  </div>
  <p v-if="parts.awaits" class="waits" role="status">{{ t('player.waysAsked') }}</p>
  <p v-for="part in parts.waits" :key="part.id" class="waits">
    {{ t('player.part.opensWhen', { title: part.title, when: part.shut }) }}
  </p>
  <StillOpen v-if="isEnd" :parts="parts" @pick="emit('take', backTo($event))" />
  <NewerEdition v-if="parts.isOver" />
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 12px;
}
.fb-button {
  overflow-wrap: anywhere;
}
.waits {
  margin-top: 8px;
  color: var(--ink-2);
}
</style>
