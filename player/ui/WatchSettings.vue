<script setup lang="ts">
// How the film is shown: captions, speed, sound, full screen.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { languageName } from '@fernbrake/core/fields'
import { CAPTION_GROUNDS, CAPTION_SIZES, type CaptionLook } from '../session/useCaptionLook.ts'
import type { FilmSession } from '../session/useFilmSession.ts'
import { ASSIGNMENT } from './about.ts'
import FoldedPanel from './FoldedPanel.vue'
import KeysPanel from './KeysPanel.vue'

const props = defineProps<{
  session: FilmSession
  languages: readonly string[]
  /** Changed in place. */
  look: CaptionLook
}>()
const look = props.look
const captions = defineModel<boolean>('captions', { required: true })
const language = defineModel<string | null>('language', { required: true })
const emit = defineEmits<{ fullScreen: [] }>()
const { t, n } = useI18n()
const { snapshot } = props.session
/** A language by its own name, so that whoever reads it knows it. */
const nameOf = (tag: string) => languageName(tag, tag)
const ALL_RATES = [0.75, 1, 1.25, 1.5, 2]
const assignment = inject(ASSIGNMENT, null)
const RATES = computed(() =>
  ALL_RATES.filter((rate) => rate <= (assignment?.value?.topRate ?? Infinity)),
)
</script>

<template>
  <div class="settings">
    <button
      v-if="languages.length > 0"
      class="fb-button plain toggle"
      type="button"
      :aria-pressed="captions"
      @click="captions = !captions"
    >
      {{ t('player.captions') }}
    </button>
    <FoldedPanel
      v-if="languages.length > 0 && captions"
      class="look"
      :label="t('player.captionLook')"
    >
      <label>
        <span>{{ t('player.captionSize') }}</span>
        <select v-model="look.size">
          <option v-for="size in CAPTION_SIZES" :key="size" :value="size">
            {{ t(`player.captionSizes.${size}`) }}
          </option>
        </select>
      </label>
      <label>
        <span>{{ t('player.captionGround') }}</span>
        <select v-model="look.ground">
          <option v-for="ground in CAPTION_GROUNDS" :key="ground" :value="ground">
            {{ t(`player.captionGrounds.${ground}`) }}
          </option>
        </select>
      </label>
    </FoldedPanel>
    <label v-if="languages.length > 1" class="speed">
      <span>{{ t('player.captionsIn') }}</span>
      <select v-model="language">
        <option v-for="tag in languages" :key="tag" :value="tag">{{ nameOf(tag) }}</option>
      </select>
    </label>
    <label v-if="!snapshot.hasOneRate" class="speed">
      <span>{{ t('player.speed') }}</span>
      <select
        :value="snapshot.rate"
        @change="session.setRate(Number(($event.target as HTMLSelectElement).value))"
      >
        <option v-for="rate in RATES" :key="rate" :value="rate">
          {{ t('player.speedTimes', { rate: n(rate) }) }}
        </option>
      </select>
    </label>
    <button
      class="fb-button plain"
      type="button"
      :aria-pressed="snapshot.muted"
      @click="session.setMuted(!snapshot.muted)"
    >
      {{ snapshot.muted ? t('player.unmute') : t('player.mute') }}
    </button>
    <button class="fb-button plain" type="button" @click="emit('fullScreen')">
      {{ t('player.fullScreen') }}
    </button>
    <KeysPanel />
  </div>
</template>

<style scoped>
.look label {
  display: grid;
  grid-template-columns: 5em auto;
  gap: 10px;
  align-items: center;
}
.look select {
  min-height: 36px;
  padding: 2px 4px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.settings {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 2px;
}
.fb-button.plain {
  font-weight: 500;
}
.toggle[aria-pressed='true'] {
  text-decoration: underline;
  text-decoration-color: var(--fern);
  text-decoration-thickness: 3px;
  text-underline-offset: 6px;
}
.speed {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.speed select {
  min-height: 36px;
  padding: 2px 4px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
@media (max-width: 760px) {
  .settings {
    flex: 0 1 auto;
    margin: 0 -10px;
  }
  .speed span {
    position: absolute;
    clip-path: inset(50%);
  }
}
</style>
