<script setup lang="ts">
// The head of a lesson's places: its title, whether everything is kept, undo and redo, and where to go from here.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { isAtLeast } from '@fernbrake/core/contract'
import { writeMoment } from '../ui/dates.ts'
import LessonHead from '../lesson/LessonHead.vue'
import type { Draft, Keeping } from './useDraft.ts'
import { useEditWords } from './useEditWords.ts'

const props = defineProps<{ draft: Draft }>()
const emit = defineEmits<{ publish: []; settings: []; keys: []; asLearner: [event: MouseEvent] }>()
const { t } = useI18n()
const route = useRoute()
const router = useRouter()

// Whoever may write the lesson may publish it, and see what its learners did.
const mayEdit = computed(() => isAtLeast(props.draft.role, 'editor'))
const title = computed(() => props.draft.lesson.value.title || t('bench.untitled'))
const base = computed(() => {
  const number = props.draft.editions.value.length
  return number > 0 ? t('bench.draftAfter', { number }) : t('bench.draft')
})
const waiting = computed(() => props.draft.state.value.pending.length)
/** Written only where it is shown: this is asked with every edit. */
const keepingWords: Record<Keeping, () => string> = {
  kept: () => t('bench.keptAt', { time: writeMoment(props.draft.keptAt.value) }),
  sending: () => t('bench.keeping'),
  offline: () => t('bench.offline', waiting.value),
  signedOut: () => t('bench.signedOut', waiting.value),
}
const keepingWord = computed(() => keepingWords[props.draft.keeping.value]())
const isQuiet = computed(() => ['kept', 'sending'].includes(props.draft.keeping.value))
const BACK = 'M7.5 11.5 3.5 7.5 7.5 3.5 M3.5 7.5 H12 A4.5 4.5 0 0 1 12 16.5 H9'
const ON = 'M12.5 11.5 16.5 7.5 12.5 3.5 M16.5 7.5 H8 A4.5 4.5 0 0 0 8 16.5 H11'
const { editWord } = useEditWords()
const steps = computed(() => {
  const { undoName, redoName, undo, redo } = props.draft
  const of = (which: 'undo' | 'redo', name: string | null) => ({
    word: t(`bench.${which}`),
    can: name !== null,
    told: name
      ? t(`bench.${which}Named`, { name: editWord(name) })
      : t(which === 'undo' ? 'bench.nothingToUndo' : 'bench.nothingToRedo'),
  })
  return [
    { ...of('undo', undoName.value), path: BACK, take: undo },
    { ...of('redo', redoName.value), path: ON, take: redo },
  ]
})
const lessonId = computed(() => props.draft.lessonId)
const asLearner = computed(
  () =>
    router.resolve({
      name: 'preview',
      params: { lessonId: lessonId.value },
      query: { part: route.query.part },
    }).href,
)
</script>

<template>
  <LessonHead
    :lesson-id="lessonId"
    :title="title"
    :sees-results="mayEdit"
    opens
    @open="emit('settings')"
  >
    <template #status>
      <p
        class="status"
        role="status"
        data-test="keeping"
        :title="`${base} · ${keepingWord}`"
        :class="{ loud: !isQuiet }"
      >
        {{ base }} · {{ keepingWord }}
        <RouterLink
          v-if="draft.keeping.value === 'signedOut'"
          :to="{ name: 'sign-in', query: { to: route.fullPath } }"
          >{{ t('bench.signInAgain') }}</RouterLink
        >
      </p>
    </template>
    <template #acts>
      <span class="icons">
        <button
          v-for="step in steps"
          :key="step.word"
          type="button"
          :title="step.told"
          :disabled="!step.can"
          @click="step.take()"
        >
          <svg viewBox="0 0 20 20" aria-hidden="true"><path :d="step.path" /></svg>
          <span class="visually-hidden">{{ step.word }}</span>
        </button>
        <button type="button" :title="t('bench.keys')" @click="emit('keys')">
          <kbd aria-hidden="true">?</kbd>
          <span class="visually-hidden">{{ t('bench.keys') }}</span>
        </button>
      </span>
      <a class="as-learner" :href="asLearner" @click="emit('asLearner', $event)">{{
        t('bench.asLearner')
      }}</a>
      <Button
        v-if="mayEdit"
        :label="t('bench.publish', { number: draft.editions.value.length + 1 })"
        @click="emit('publish')"
      />
    </template>
  </LessonHead>
</template>

<style scoped>
.status {
  padding-inline: 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 12.5px;
  line-height: 17px;
  color: var(--ink-2);
}
.loud {
  background: var(--straw-soft);
  color: var(--ink);
}
.icons {
  display: flex;
}
.icons button {
  display: grid;
  place-items: center;
  min-width: 34px;
  min-height: 34px;
  padding: 4px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.icons button:hover:enabled {
  background: var(--sunk);
}
.icons button:disabled {
  color: var(--ink-3);
  opacity: 0.5;
  cursor: default;
}
svg {
  width: 20px;
  height: 20px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.75;
}
kbd {
  min-width: 21px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font-family: var(--mono);
  font-size: 13.5px;
  line-height: 19px;
}
.as-learner {
  padding: 6px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
.as-learner:hover {
  background: var(--sunk);
}
</style>
