<script setup lang="ts">
// A deck as a learner leafs through it.
import { computed, nextTick, onMounted, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder, isBlank } from '@fernbrake/core/fields'
import type { DeckPart } from '@fernbrake/core/lesson'
import TextView from '../../questions/TextView.vue'
import type { ShownWay } from '../../ui/partsState.ts'
import PartFrame from '../PartFrame.vue'
import type { PartProps } from '../partProps.ts'
import { usePart } from '../usePart.ts'
import SlidePicture from './SlidePicture.vue'

const props = defineProps<PartProps & { part: DeckPart }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
const sitting = usePart(props.host, props.opened, props.part)
const slides = inOrder(Object.values(props.part.slides))
/** Whoever comes back goes on at the last one that they had come to. */
const last = slides.findLastIndex(({ id }) => sitting.seen.has(id))
const at = ref(sitting.done.value ? 0 : Math.max(0, last))
const slide = computed(() => slides[at.value])
watch(slide, (shown) => shown && sitting.see(shown.id), { immediate: true })
const nameOf = (index: number) =>
  slides[index]!.title || t('player.part.slideOf', { number: index + 1, count: slides.length })
const offered = computed(() => {
  const { offers } = props.part
  return offers === null ? null : (props.opened.staged?.[offers] ?? null)
})

const stage = useTemplateRef('stage')
function leaf(to: number): void {
  if (to < 0 || to >= slides.length) return
  at.value = to
}
async function pick(index: number): Promise<void> {
  leaf(index)
  await nextTick()
  stage.value?.scrollIntoView({ block: 'nearest' })
}
function onKey(event: KeyboardEvent): void {
  const to = { ArrowLeft: at.value - 1, ArrowRight: at.value + 1, Home: 0, End: slides.length - 1 }
  const wanted = to[event.key as keyof typeof to]
  if (wanted === undefined || event.altKey || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  leaf(wanted)
}

/** Where arrows already do something else. */
const OTHERS_ARROWS =
  'input, textarea, select, audio, video, [contenteditable="true"], [role="dialog"], [role="listbox"], [role="menu"], [role="slider"], [role="tab"], [role="application"]'

/** Arrows turn the deck from anywhere on its page; nobody need press it first. */
function onArrow(event: KeyboardEvent): void {
  if (event.defaultPrevented || !event.key.startsWith('Arrow')) return
  const on = event.target instanceof Element ? event.target : null
  if (!on?.closest(OTHERS_ARROWS)) onKey(event)
}
onMounted(() => document.addEventListener('keydown', onArrow))
onScopeDispose(() => document.removeEventListener('keydown', onArrow))
</script>

<template>
  <PartFrame
    v-bind="props"
    :title="part.title"
    :part-id="part.id"
    wide
    @pick-part="emit('pickPart', $event)"
    @take="emit('take', $event)"
  >
    <template v-if="offered" #tools>
      <a class="fb-button plain" :href="offered" download>{{ t('player.part.takeDeck') }}</a>
    </template>
    <section
      v-if="slide"
      ref="stage"
      class="stage"
      tabindex="0"
      :aria-label="t('player.part.leafing')"
      @keydown="onKey"
    >
      <SlidePicture :key="slide.id" :slide="slide" />
      <div class="leafing">
        <button class="fb-button" type="button" :disabled="at === 0" @click="leaf(at - 1)">
          {{ t('player.part.before') }}
        </button>
        <p role="status">
          {{ t('player.part.slideOf', { number: at + 1, count: slides.length })
          }}<span v-if="slide.title" class="name" dir="auto"> · {{ slide.title }}</span>
        </p>
        <button
          class="fb-button act"
          type="button"
          :disabled="at === slides.length - 1"
          @click="leaf(at + 1)"
        >
          {{ t('player.part.after') }}
        </button>
      </div>
      <TextView v-if="!isBlank(slide.notes)" class="notes" :text="slide.notes" />
    </section>
    <template #beside>
      <nav class="slides" :aria-label="t('player.part.slides')">
        <h2>{{ t('player.part.slides') }}</h2>
        <ol>
          <li v-for="(one, index) in slides" :key="one.id">
            <button
              type="button"
              :aria-current="index === at ? 'true' : undefined"
              @click="pick(index)"
            >
              <SlidePicture :slide="one" small />
              <span dir="auto">{{ nameOf(index) }}</span>
            </button>
          </li>
        </ol>
      </nav>
    </template>
  </PartFrame>
</template>

<style scoped>
.stage {
  display: grid;
  gap: 12px;
}
.leafing {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}
.leafing p {
  min-width: 0;
  text-align: center;
  overflow-wrap: anywhere;
}
.name {
  font-weight: 650;
}
.notes {
  display: block;
  max-width: 70ch;
  padding: 12px 0 0;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.55;
}
.slides {
  padding: 18px 0 6px;
}
h2 {
  padding: 0 24px 6px;
  color: var(--ink-2);
  font-size: 13.5px;
  font-weight: 600;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li button {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 48px;
  padding-block: 6px;
  padding-inline: 20px 24px;
  border: 0;
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
li button:hover {
  background: var(--ground);
}
li button:focus-visible {
  outline-offset: -3px;
}
li [aria-current] {
  border-color: var(--fern);
  background: var(--fern-soft);
}
</style>
