<script setup lang="ts">
// The head of a lesson's places: its title, whether everything is kept, undo and redo, and where to go from here.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { isAtLeast } from '@fernbrake/core/contract'
import { writeMoment } from '../ui/dates.ts'
import FernMark from '../ui/FernMark.vue'
import type { Draft, Keeping } from './useDraft.ts'

const props = defineProps<{ draft: Draft; canPublish: boolean }>()
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
const undoWord = computed(() => {
  const name = props.draft.undoName.value
  return name ? t('bench.undoNamed', { name: t(`edit.${name}`) }) : t('bench.nothingToUndo')
})
const redoWord = computed(() => {
  const name = props.draft.redoName.value
  return name ? t('bench.redoNamed', { name: t(`edit.${name}`) }) : t('bench.nothingToRedo')
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
  <header class="head">
    <div class="where">
      <RouterLink to="/" class="home" :aria-label="t('bench.home')" :title="t('bench.home')"
        ><FernMark
      /></RouterLink>
      <h1 dir="auto">
        <button type="button" :title="t('sheet.lesson')" @click="emit('settings')">
          {{ title }}
        </button>
      </h1>
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
      <nav :aria-label="t('bench.places')">
        <RouterLink
          :to="{ name: 'bench', params: { lessonId }, query: { part: route.query.part } }"
          >{{ t('bench.bench') }}</RouterLink
        >
        <RouterLink :to="{ name: 'routes', params: { lessonId }, query: route.query }">{{
          t('routes.routes')
        }}</RouterLink>
        <RouterLink v-if="mayEdit" :to="{ name: 'results', params: { lessonId } }">{{
          t('bench.results')
        }}</RouterLink>
        <RouterLink :to="{ name: 'sharing', params: { lessonId } }">{{
          t('sharing.sharing')
        }}</RouterLink>
      </nav>
    </div>
    <div class="acts">
      <Button
        :label="t('bench.undo')"
        :title="undoWord"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!draft.undoName.value"
        @click="draft.undo()"
      />
      <Button
        :label="t('bench.redo')"
        :title="redoWord"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!draft.redoName.value"
        @click="draft.redo()"
      />
      <Button
        :label="t('bench.keys')"
        severity="secondary"
        variant="text"
        size="small"
        @click="emit('keys')"
      />
      <a class="as-learner" :href="asLearner" @click="emit('asLearner', $event)">{{
        t('bench.asLearner')
      }}</a>
      <Button
        v-if="mayEdit"
        :label="t('bench.publish', { number: draft.editions.value.length + 1 })"
        :disabled="!canPublish"
        @click="emit('publish')"
      />
    </div>
  </header>
</template>

<style scoped>
.head,
.where,
.acts {
  display: flex;
  align-items: center;
  gap: 10px;
}
/* What can be pressed is never cut: what says where one is gives way first, then there are two rows. */
.where {
  flex: 1 1 620px;
  min-width: 0;
}
.acts > * {
  flex: none;
}
.head {
  flex-wrap: wrap;
  min-height: 54px;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
  white-space: nowrap;
}
.home {
  display: grid;
  padding: 4px;
}
h1 {
  /* The status gives way first. */
  flex-shrink: 0.05;
  min-width: 0;
  overflow: hidden;
}
h1 button {
  max-width: 100%;
  overflow: hidden;
  padding: 4px 6px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  text-overflow: ellipsis;
  cursor: pointer;
}
h1 button:hover {
  background: var(--sunk);
}
h1 button:focus-visible {
  outline-offset: -2px;
}
.status {
  flex-shrink: 8;
  min-width: 90px;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 13.5px;
  color: var(--ink-2);
}
.loud {
  padding: 3px 8px;
  background: var(--straw-soft);
  color: var(--ink);
}
nav {
  display: flex;
  gap: 16px;
  padding: 0 10px;
}
nav a {
  padding: 16px 0 13px;
  border-bottom: 3px solid transparent;
  color: var(--ink-2);
  font-weight: 600;
  text-decoration: none;
}
nav a.router-link-exact-active {
  border-color: var(--fern);
  color: var(--ink);
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
