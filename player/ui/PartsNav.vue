<script setup lang="ts">
// The parts of the lesson: where the learner is, what is done, and the way to each; and what the lesson is about.
import { inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { ABOUT } from './about.ts'
import AboutLesson from './AboutLesson.vue'
import CreditList from './CreditList.vue'
import NewerEdition from './NewerEdition.vue'
import type { PartsState } from './partsState.ts'

defineProps<{ parts: PartsState }>()
const emit = defineEmits<{ pick: [partId: string] }>()
const { t } = useI18n()
const about = inject(ABOUT, null)
</script>

<template>
  <div>
    <nav v-if="parts.all.length > 1" class="parts" :aria-label="t('player.parts')">
      <h2>{{ t('player.parts') }}</h2>
      <ol>
        <li v-for="part in parts.all" :key="part.id">
          <button
            type="button"
            :aria-current="part.id === parts.openId ? 'step' : undefined"
            :aria-disabled="part.isOpen ? undefined : 'true'"
            @click="part.isOpen && part.id !== parts.openId && emit('pick', part.id)"
          >
            <span class="number">{{ part.label }}</span>
            <span class="title" dir="auto">{{ part.title }}</span>
            <span class="kind">
              {{ t(`player.partKind.${part.kind}`)
              }}<template v-if="part.isDone"> · {{ t('player.partDone') }}</template
              ><template v-else-if="part.shut !== null">
                · {{ t('player.part.shut', { when: part.shut }) }}</template
              ><template v-else-if="!part.isOpen"> · {{ t('player.part.inTurn') }}</template>
            </span>
          </button>
        </li>
      </ol>
    </nav>
    <details v-if="about" class="about">
      <summary class="signed">{{ t('player.about.lesson') }}</summary>
      <p v-if="about.summary" dir="auto">{{ about.summary }}</p>
      <AboutLesson :objectives="about.objectives" :level="about.level" :licence="about.licence" />
      <CreditList v-if="about.credits.length > 0" :credits="about.credits" />
      <NewerEdition />
    </details>
  </div>
</template>

<style scoped>
.parts {
  padding: 18px 0 10px;
}
h2 {
  padding: 0 28px 6px;
  color: var(--ink-2);
  font-size: 13.5px;
  font-weight: 600;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  grid-template-columns: 1.6em minmax(0, 1fr);
  column-gap: 8px;
  width: 100%;
  min-height: 48px;
  padding-block: 7px;
  padding-inline: 24px 28px;
  border: 0;
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
button:hover {
  background: var(--ground);
}
button:focus-visible {
  outline-offset: -3px;
}
[aria-disabled] {
  cursor: default;
}
[aria-disabled]:hover {
  background: none;
}
[aria-disabled] .title {
  color: var(--ink-2);
  font-weight: 400;
}
[aria-current] {
  border-color: var(--fern);
  background: var(--fern-soft);
  cursor: default;
}
.number {
  grid-row: span 2;
  font-family: var(--mono);
  color: var(--ink-2);
}
.title {
  font-weight: 650;
  overflow-wrap: anywhere;
}
.kind {
  color: var(--ink-2);
  font-size: 13.5px;
}
.about {
  margin: 0 28px;
  padding: 6px 0 18px;
  font-size: 15px;
}
summary {
  color: var(--ink-2);
  font-size: 13.5px;
  font-weight: 600;
}
.about p {
  margin-bottom: 12px;
  font-family: var(--reading);
  overflow-wrap: anywhere;
}
@media print {
  .about {
    display: none;
  }
}
@media (max-width: 760px) {
  .about {
    margin-inline: 16px;
  }
  h2 {
    padding: 0 16px 6px;
  }
  button {
    padding-inline: 12px 16px;
  }
}
</style>
