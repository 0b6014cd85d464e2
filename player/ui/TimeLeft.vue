<script setup lang="ts">
// The time that is left to choose or to answer, as a bar that shrinks and in words.
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'

const props = defineProps<{ share: number; leftMs: number }>()
const { t } = useI18n()
const seconds = computed(() => Math.ceil(props.leftMs / 1000))
/** Said aloud only now and then: every second would drown what is read out. */
const SAID_AT = [60, 30, 10]
const said = ref('')
watch(seconds, (now) => {
  if (SAID_AT.includes(now)) said.value = t('player.secondsLeft', now)
})
</script>

<template>
  <div class="time">
    <div class="track" aria-hidden="true">
      <div class="left" :style="{ width: `${(1 - share) * 100}%` }" />
    </div>
    <p role="timer">{{ t('player.secondsLeft', seconds) }}</p>
    <p class="visually-hidden" aria-live="polite">{{ said }}</p>
  </div>
</template>

<style scoped>
.time {
  margin-bottom: 18px;
}
.time p {
  margin-top: 6px;
  font-family: var(--mono);
  font-size: 13.5px;
}
.track {
  height: 6px;
  background: var(--sunk);
}
.left {
  height: 100%;
  background: var(--time, var(--plum));
}
</style>
