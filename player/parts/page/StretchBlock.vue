<script setup lang="ts">
// A stretch of one of the lesson's films on a page: its first frame until it is asked for, then the film itself.
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Stretch } from '@fernbrake/core/fields'
import { clockTime } from '@fernbrake/core/media'
import { ADDRESSES, STRETCHES } from '../../questions/answerView.ts'
import StretchPlayer from '../../quiz/StretchPlayer.vue'

const props = defineProps<{ stretch: Stretch }>()
const { t } = useI18n()
const playing = inject(STRETCHES, null)
const addresses = inject(ADDRESSES, null)
const address = computed(() => addresses?.film(props.stretch.partId) ?? null)
const still = computed(() => addresses?.still(props.stretch.partId) ?? null)
const times = computed(() => ({
  from: clockTime(props.stretch.fromMs),
  to: clockTime(props.stretch.toMs),
}))
/** The film itself is not there, as where it stays with a host. */
const failed = ref(false)
const plays = ref(false)
const opener = useTemplateRef('opener')
function close(): void {
  plays.value = false
  void nextTick(() => opener.value?.focus())
}
</script>

<template>
  <StretchPlayer
    v-if="plays && playing"
    :host="playing.host"
    :opened="playing.opened"
    :stretch="stretch"
    @close="close"
  />
  <div v-else-if="address || still" class="stretch night">
    <img v-if="(!address || failed) && still" :src="still" alt="" />
    <video
      v-else-if="address"
      :key="`${address} ${stretch.fromMs}`"
      :src="`${address}#t=${stretch.fromMs / 1000}`"
      preload="metadata"
      muted
      playsinline
      tabindex="-1"
      aria-hidden="true"
      @error="failed = true"
    />
    <button ref="opener" class="fb-button" type="button" :disabled="!playing" @click="plays = true">
      {{ t('player.part.playStretch', times) }}
    </button>
  </div>
  <p v-else class="missing">{{ t('player.mediumMissing') }}</p>
</template>

<style scoped>
.stretch {
  font-family: var(--interface);
  font-size: 15px;
  display: grid;
  gap: 10px;
  padding: 12px;
  border-radius: var(--radius);
  justify-items: start;
}
video,
img {
  display: block;
  width: 100%;
  height: auto;
  max-height: 60vh;
  background: var(--sunk);
}
.missing {
  color: var(--ink-2);
  font-size: 15px;
}
@media print {
  .stretch {
    display: none;
  }
}
</style>
