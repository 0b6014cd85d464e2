<script setup lang="ts">
// The frame of a part that is read: what it is called, what it holds, the way on, and beside it the parts of the lesson.
import { computed, onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import PartsNav from '../ui/PartsNav.vue'
import type { ShownWay } from '../ui/partsState.ts'
import { useClassTalk } from '../talk/classTalk.ts'
import PartEnd from './PartEnd.vue'
import type { PartProps } from './partProps.ts'
import { useNarrow } from './useNarrow.ts'
import { useSitting } from './usePart.ts'

const props = defineProps<PartProps & { title: string; partId: string; wide?: boolean }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
const sitting = useSitting()!
const classTalk = useClassTalk()
const where = computed(() => ({
  number: props.parts.all.findIndex(({ id }) => id === props.partId) + 1,
  count: props.parts.all.length,
}))
const heading = useTemplateRef('heading')
/** In one column, what stands beside comes right after what it belongs to, before the way on. */
const narrow = useNarrow(1000)
onMounted(() => props.takesFocus && heading.value?.focus({ preventScroll: true }))
</script>

<template>
  <div class="frame" :class="{ wide, alone: parts.all.length < 2 && !$slots.beside && !classTalk }">
    <main>
      <header>
        <p class="lesson">
          <span dir="auto">{{ opened.lesson.title }}</span> · {{ aside }}
        </p>
        <div class="title">
          <div>
            <p v-if="where.count > 1" class="where">{{ t('player.partOf', where) }}</p>
            <h1 ref="heading" tabindex="-1" dir="auto">{{ title }}</h1>
          </div>
          <slot name="tools" />
        </div>
      </header>
      <slot />
      <div v-if="narrow && ($slots.beside || classTalk)" class="beside paper">
        <slot name="beside" />
        <component
          :is="classTalk.views.folded"
          v-if="classTalk"
          :class-talk="classTalk"
          :part-id="partId"
        />
      </div>
      <PartEnd
        :sitting="sitting"
        :parts="parts"
        :all-sent="hostState.waiting === 0"
        @take="emit('take', $event)"
      />
    </main>
    <div class="side paper">
      <slot v-if="!narrow" name="beside" />
      <component
        :is="classTalk.views.folded"
        v-if="classTalk && !narrow"
        :class-talk="classTalk"
        :part-id="partId"
      />
      <PartsNav :parts="parts" @pick="emit('pickPart', $event)" />
    </div>
  </div>
</template>

<style scoped>
.frame {
  flex: 1 1 0;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  background: var(--ground);
  color: var(--ink);
}
.frame.wide {
  grid-template-columns: minmax(0, 1fr) 360px;
}
.frame.alone {
  grid-template-columns: minmax(0, 1fr);
}
.alone .side {
  display: none;
}
main {
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 18px;
  min-height: 0;
  overflow-y: auto;
  padding: 18px max(22px, calc((100% - 880px) / 2)) 40px;
}
.wide main {
  padding-inline: 22px;
}
main > * {
  flex: none;
}
.side {
  overflow-y: auto;
  border-inline-start: 1px solid var(--line);
}
header p {
  color: var(--ink-2);
}
.title {
  display: flex;
  align-items: end;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin-top: 10px;
}
h1 {
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
h1:focus-visible {
  outline: none;
}
@media (max-width: 1000px) {
  .frame,
  .frame.wide {
    flex: 1 0 auto;
    display: block;
  }
  main,
  .wide main {
    overflow: visible;
    padding: 12px 16px 24px;
  }
  .beside {
    margin-inline: -16px;
    border-block: 1px solid var(--line);
  }
  .side {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
}
/* On paper there is nothing to press, and nothing is cut off at the edge of a screen. */
@media print {
  .frame,
  .frame.wide {
    display: block;
    background: none;
  }
  main,
  .wide main {
    display: block;
    overflow: visible;
    padding: 0;
  }
  main > * + * {
    margin-top: 14px;
  }
  .side {
    display: none;
  }
}
</style>
