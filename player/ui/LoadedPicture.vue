<script setup lang="ts">
// A picture that is asked for again where it did not come: a dropped connection leaves no holes in a lesson.
import { onBeforeUnmount, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'

const props = defineProps<{ src: string; alt: string; lazy?: boolean; small?: boolean }>()
const emit = defineEmits<{ press: [event: PointerEvent]; loaded: [] }>()
const { t } = useI18n()
/** The waits before it is asked for again by itself, in ms; the last one goes on. */
const WAITS_MS = [1000, 2000, 5000, 15_000]
const tried = ref(0)
const failed = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined

function retry(): void {
  clearTimeout(timer)
  tried.value += 1
  failed.value = false
}
function onError(): void {
  failed.value = true
  clearTimeout(timer)
  timer = setTimeout(retry, WAITS_MS[Math.min(tried.value, WAITS_MS.length - 1)])
}
watch(() => props.src, retry)
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <span v-if="failed" class="failed" :class="{ small }">
    <template v-if="!small">
      {{ t('player.pictureFailed') }}
      <button class="fb-button" type="button" @click="retry">{{ t('player.retry') }}</button>
    </template>
  </span>
  <img
    v-else
    :key="tried"
    :src="src"
    :alt="alt"
    :loading="lazy ? 'lazy' : 'eager'"
    draggable="false"
    @load="emit('loaded')"
    @error="onError"
    @pointerdown="emit('press', $event)"
  />
</template>

<style scoped>
.failed {
  display: grid;
  gap: 10px;
  place-content: center;
  min-height: 180px;
  padding: 16px;
  background: var(--sunk);
  text-align: center;
}
.failed.small {
  min-height: 0;
}
</style>
