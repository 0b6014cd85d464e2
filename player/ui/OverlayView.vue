<script setup lang="ts">
// One overlay on the stage. The same drawing is used for playing and for editing; `live` ones can be clicked.
import { computed, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { opensOf, overlayOf, showsWords, type OverlayCue } from '@fernbrake/core/lesson'
import { usePlaces } from '../questions/usePlaces.ts'
import { placeStyle, pointerLine } from './overlayShapes.ts'
import SecondFilm from './SecondFilm.vue'
import SoundOverlay from './SoundOverlay.vue'
import WebOverlay from './WebOverlay.vue'

const props = defineProps<{
  overlay: OverlayCue
  /** Where the bytes of what it shows or lets hear are. */
  address?: string | null
  live?: boolean
}>()
const emit = defineEmits<{ act: [] }>()
const { t } = useI18n()
const headId = useId()
const whole = computed(() => overlayOf(props.overlay))
const content = computed(() => whole.value.content)
const style = computed(() => placeStyle(whole.value))
const filled = usePlaces()
const text = computed(() => filled(props.overlay.text))
const line = computed(() =>
  content.value.form === 'label' ? pointerLine(whole.value.box, content.value.to) : null,
)
const stroke = computed(() => {
  const { border, ink } = whole.value.look
  return { stroke: border?.colour ?? ink, strokeWidth: `${(border?.width ?? 0.006) * 100}cqh` }
})
const href = computed(() =>
  props.live && content.value.form === 'link' ? content.value.address : null,
)
/** These have their own things to press. */
const isOwn = computed(() => content.value.form === 'sound' || content.value.form === 'web')
const acts = computed(
  () => props.live && whole.value.action !== null && href.value === null && !isOwn.value,
)
const tag = computed(() => (href.value ? 'a' : acts.value ? 'button' : 'div'))
const attributes = computed(() => {
  const title = content.value.form === 'panel' ? filled(content.value.title) : ''
  const words = text.value || title
  if (href.value && content.value.form === 'link') {
    const opens = t(`player.opens.${opensOf(content.value)}`)
    const target = { target: '_blank', rel: 'noopener noreferrer' }
    return { href: href.value, ...target, 'aria-label': `${words}, ${opens}` }
  }
  return acts.value ? { type: 'button', 'aria-label': words || t('player.act') } : {}
})
/** A link keeps its address, for those who open it in a way of their own; a plain press is the stage's affair. */
function onClick(event: MouseEvent): void {
  if (href.value && (event.ctrlKey || event.metaKey || event.shiftKey)) return
  if (href.value) event.preventDefault()
  if (acts.value || href.value) emit('act')
}
</script>

<template>
  <div class="layer" :style="{ transformOrigin: style.origin }">
    <svg v-if="line" class="line" aria-hidden="true">
      <line
        :x1="`${line.from.x * 100}%`"
        :y1="`${line.from.y * 100}%`"
        :x2="`${line.to.x * 100}%`"
        :y2="`${line.to.y * 100}%`"
        :style="{ stroke: overlay.look.fill ?? overlay.look.ink }"
      />
      <circle
        :cx="`${line.to.x * 100}%`"
        :cy="`${line.to.y * 100}%`"
        r="4"
        :style="{ fill: overlay.look.fill ?? overlay.look.ink, stroke: overlay.look.ink }"
      />
    </svg>
    <component
      :is="tag"
      class="overlay"
      :class="[content.form, { live: acts || href }]"
      :style="style.box"
      v-bind="attributes"
      @click="onClick"
    >
      <img
        v-if="content.form === 'picture' && address"
        :src="address"
        :alt="text"
        :class="content.fit"
        draggable="false"
      />
      <svg v-else-if="content.form === 'arrow'" class="arrow" role="img" :aria-label="text">
        <defs>
          <marker
            :id="headId"
            viewBox="0 0 10 10"
            refX="8"
            refY="5"
            markerWidth="4.5"
            markerHeight="4.5"
            orient="auto"
          >
            <path d="M0 0 L10 5 L0 10 L2.5 5 Z" :style="{ fill: stroke.stroke }" />
          </marker>
        </defs>
        <line x1="2%" y1="50%" x2="96%" y2="50%" :style="stroke" :marker-end="`url(#${headId})`" />
      </svg>
      <SoundOverlay
        v-else-if="content.form === 'sound'"
        :cue-id="overlay.id"
        :content="content"
        :words="text"
        :from-ms="overlay.fromMs"
        :address="address ?? null"
        :live="live"
      />
      <SecondFilm
        v-else-if="content.form === 'film'"
        :content="content"
        :words="text"
        :from-ms="overlay.fromMs"
        :address="address ?? null"
      />
      <WebOverlay
        v-else-if="content.form === 'web'"
        :content="content"
        :words="text"
        :live="live"
      />
      <template v-else-if="content.form === 'panel'">
        <b v-if="content.title" dir="auto">{{ filled(content.title) }}</b>
        <span dir="auto">{{ text }}</span>
      </template>
      <span
        v-else-if="showsWords(content.form)"
        dir="auto"
        :class="{ address: content.form === 'link' }"
        >{{ text }}</span
      >
      <span v-else-if="content.form !== 'picture' && text" class="visually-hidden">{{ text }}</span>
    </component>
  </div>
</template>

<style scoped>
.layer {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.line,
.arrow {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
}
.line line {
  stroke-width: 2.5;
}
.line circle {
  stroke-width: 1.5;
}
.overlay {
  position: absolute;
  display: flex;
  align-items: center;
  margin: 0;
  padding: 0.35em 0.6em;
  border: 0;
  line-height: 1.25;
  font-weight: 600;
  text-decoration: none;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.panel {
  flex-direction: column;
  align-items: stretch;
  justify-content: flex-start;
  gap: 0.35em;
  padding: 0.7em 0.9em;
  font-weight: 450;
  overflow: auto;
}
.panel b {
  font-size: 1.12em;
}
.picture,
.arrow,
.sound,
.film,
.web {
  padding: 0;
}
.picture,
.arrow {
  overflow: visible;
}
.film,
.web {
  overflow: hidden;
}
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
  border-radius: inherit;
}
img.fill {
  object-fit: cover;
}
.address {
  text-decoration: underline;
  text-underline-offset: 0.18em;
}
.live {
  pointer-events: auto;
  cursor: pointer;
}
.live:hover {
  filter: brightness(1.08);
}
.live:focus-visible {
  outline: 3px solid #f3ecd8;
  outline-offset: 2px;
  box-shadow: 0 0 0 6px #0f1713;
}
</style>
