<script setup lang="ts">
// What can be done with words that are selected on a page; it stands under them, out of the way of the device's own menu.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

const props = defineProps<{ box: DOMRect }>()
const emit = defineEmits<{ mark: []; write: [] }>()
const { t } = useI18n()
/** As wide as both buttons may be, in pixels. */
const ROOM = 250
const place = computed(() => ({
  top: `${Math.max(8, Math.min(props.box.bottom + 10, innerHeight - 64))}px`,
  left: `${Math.max(8, Math.min(props.box.left, innerWidth - ROOM))}px`,
}))
</script>

<template>
  <div class="bar paper" :style="place" data-keeps-selection @pointerdown.prevent>
    <button class="fb-button" type="button" @click="emit('mark')">
      {{ t('player.notes.mark') }}
    </button>
    <button class="fb-button act" type="button" @click="emit('write')">
      {{ t('player.notes.markAndWrite') }}
    </button>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  z-index: 5;
  display: flex;
  gap: 6px;
  padding: 6px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  box-shadow: 0 2px 10px #0f171333;
}
</style>
