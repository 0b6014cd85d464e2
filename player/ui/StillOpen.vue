<script setup lang="ts">
// At the end of a lesson: the parts in which something can still be answered, each a press away. What only ways led to that
// were not taken is not asked for.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { STILL_OPEN } from '../session/stillOpen.ts'
import type { PartsState } from './partsState.ts'

const props = defineProps<{
  parts: PartsState
  /** Whether what is left of the open part is listed too; its own end lists it otherwise. */
  all?: boolean
}>()
const emit = defineEmits<{ pick: [partId: string] }>()
const { t } = useI18n()
const countIn = inject(STILL_OPEN, () => 0)
const open = computed(() =>
  props.parts.all.flatMap(({ id, title, isOpen }) => {
    const isAsked = isOpen && (props.all || id !== props.parts.openId)
    const count = isAsked ? countIn(id) : 0
    return count > 0 ? [{ id, title, count }] : []
  }),
)
</script>

<template>
  <ul v-if="open.length > 0" class="open" :aria-label="t('player.openParts')">
    <li v-for="one in open" :key="one.id">
      <button class="fb-button" type="button" @click="emit('pick', one.id)">
        {{ t('player.openIn', { title: one.title, n: one.count }, one.count) }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.open {
  display: grid;
  justify-items: start;
  gap: 8px;
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
.fb-button {
  max-width: 100%;
  overflow-wrap: anywhere;
  white-space: normal;
  text-align: start;
}
</style>
