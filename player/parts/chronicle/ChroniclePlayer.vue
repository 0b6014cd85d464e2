<script setup lang="ts">
// A chronicle as a learner meets it: drawn along time with one entry open beneath, or all of it as a list.
import { computed, nextTick, onBeforeUnmount, ref, toRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder, isBlank } from '@fernbrake/core/fields'
import type { ChroniclePart } from '@fernbrake/core/lesson'
import TextView from '../../questions/TextView.vue'
import type { ShownWay } from '../../ui/partsState.ts'
import PartFrame from '../PartFrame.vue'
import type { PartProps } from '../partProps.ts'
import { useNarrow } from '../useNarrow.ts'
import { usePart } from '../usePart.ts'
import ChronicleDrawing from './ChronicleDrawing.vue'
import ChronicleEntry from './ChronicleEntry.vue'
import { useChronicle } from './useChronicle.ts'

const props = defineProps<PartProps & { part: ChroniclePart }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
const sitting = usePart(props.host, props.opened, props.part)
const { items } = useChronicle(toRef(props, 'part'))
/** There is no room for a drawing on a phone held upright; it can be asked for all the same. */
const isNarrow = useNarrow(760).value
const shows = ref<'drawing' | 'list'>(isNarrow ? 'list' : props.part.opensAs)
const categories = computed(() => inOrder(Object.values(props.part.categories)))
const background = computed(() => {
  const { background } = props.part
  return background ? (props.opened.staged?.[background.mediaId] ?? null) : null
})

const openId = ref<string | null>(items.value[0]?.item.id ?? null)
const at = computed(() => items.value.findIndex(({ item }) => item.id === openId.value))
const open = computed(() => items.value[at.value] ?? null)
const entry = useTemplateRef('entry')
function pick(itemId: string, takesFocus = true): void {
  openId.value = itemId
  sitting.see(itemId)
  void nextTick(() => {
    if (takesFocus) entry.value?.focus({ preventScroll: true })
    entry.value?.scrollIntoView({ block: 'nearest' })
    document
      .querySelector(`[data-item="${itemId}"]`)
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  })
}

if (shows.value === 'drawing' && openId.value) sitting.see(openId.value)

/** In the list, what has come into sight was seen. */
const list = useTemplateRef('list')
let watcher: IntersectionObserver | null = null
watch(
  list,
  (element) => {
    watcher?.disconnect()
    if (!element) return
    watcher = new IntersectionObserver(
      (entries) => {
        for (const { isIntersecting, target } of entries)
          if (isIntersecting) sitting.see((target as HTMLElement).dataset.entry!)
      },
      { threshold: 0.5 },
    )
    for (const child of element.children) watcher.observe(child)
  },
  { flush: 'post' },
)
onBeforeUnmount(() => watcher?.disconnect())
</script>

<template>
  <PartFrame
    v-bind="props"
    :title="part.title"
    :part-id="part.id"
    @pick-part="emit('pickPart', $event)"
    @take="emit('take', $event)"
  >
    <template #tools>
      <div class="ways" role="group" :aria-label="t('player.part.showAs')">
        <button
          v-for="way in ['drawing', 'list'] as const"
          :key="way"
          type="button"
          :aria-pressed="shows === way"
          @click="shows = way"
        >
          {{ t(`player.part.as.${way}`) }}
        </button>
      </div>
    </template>
    <TextView v-if="!isBlank(part.text)" class="said" :text="part.text" />
    <ul v-if="categories.length > 0" class="categories" :aria-label="t('player.part.categories')">
      <li v-for="category in categories" :key="category.id" dir="auto">
        <i aria-hidden="true" :style="{ background: category.colour }" />{{ category.name }}
      </li>
    </ul>
    <template v-if="shows === 'drawing'">
      <ChronicleDrawing
        :part="part"
        :open-id="openId"
        :background="background"
        :seen="sitting.seen"
        @pick="pick"
      />
      <section v-if="open" ref="entry" class="open paper" tabindex="-1">
        <ChronicleEntry :key="open.item.id" :shown="open" :level="2" />
        <div class="steps">
          <button
            class="fb-button"
            type="button"
            :disabled="at === 0"
            @click="pick(items[at - 1]!.item.id, false)"
          >
            {{ t('player.part.earlier') }}
          </button>
          <button
            class="fb-button"
            type="button"
            :disabled="at === items.length - 1"
            @click="pick(items[at + 1]!.item.id, false)"
          >
            {{ t('player.part.later') }}
          </button>
        </div>
      </section>
    </template>
    <ol v-else ref="list" class="list">
      <li
        v-for="shown in items"
        :key="shown.item.id"
        :data-entry="shown.item.id"
        :style="{ borderInlineStartColor: shown.category?.colour ?? 'var(--fern)' }"
      >
        <ChronicleEntry :shown="shown" :level="2" />
      </li>
    </ol>
  </PartFrame>
</template>

<style scoped>
.said {
  display: block;
  max-width: 70ch;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
}
.ways {
  display: flex;
  flex: none;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
}
.ways button {
  min-height: 40px;
  padding: 6px 14px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.ways [aria-pressed='true'] {
  background: var(--fern-soft);
  font-weight: 650;
  box-shadow: inset 0 -3px 0 var(--fern);
}
.categories {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--ink-2);
  font-size: 13.5px;
}
.categories i {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-inline-end: 6px;
}
.open {
  padding: 16px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.open:focus-visible {
  outline-offset: -2px;
}
.steps {
  display: flex;
  gap: 12px;
  margin-top: 14px;
}
.list {
  display: grid;
  gap: 22px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.list li {
  padding-inline-start: 16px;
  border-inline-start: 4px solid var(--fern);
}
@media print {
  .ways,
  .steps {
    display: none;
  }
}
</style>
