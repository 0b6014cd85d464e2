<script lang="ts">
export type SideTab = 'contents' | 'script' | 'notes' | 'talk'

/** A question of the film that can be opened from its contents. */
export interface MetQuestion {
  id: string
  atMs: number
  number: number
  standing: 'unanswered' | 'triesRemain' | 'done'
}
</script>

<script setup lang="ts">
// What stands beside the film while no question does: its contents, its script, notes, and what the class says.
import { computed, nextTick, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { lineIndexAt, type ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { bookmarkAt, type Schedule } from '@fernbrake/core/playback'

const props = defineProps<{
  schedule: Schedule
  lines: readonly ScriptLine[]
  language: string
  mediaMs: number
  /** Where jumps may land; null where there are none. */
  range: { fromMs: number; toMs: number } | null
  /** How much of the talk is new; null where there is none. */
  unseen: number | null
  /** The questions that the learner has come to, with how each stands. */
  questions: readonly MetQuestion[]
}>()
const emit = defineEmits<{ seek: [ms: number]; open: [cueId: string] }>()
const { t } = useI18n()
const tabs = computed<SideTab[]>(() => [
  ...(['contents', 'script', 'notes'] as const),
  ...(props.unseen === null ? [] : (['talk'] as const)),
])
/** Kept by whoever shows this, for a question takes its place now and then. */
const tab = defineModel<SideTab>({ required: true })
const NAMES = {
  contents: 'player.contents',
  script: 'player.script',
  notes: 'player.notes.mine',
  talk: 'player.talk.title',
}
/** What the film holds, by time: bookmarks, and questions that lie behind the learner. */
const entries = computed(() =>
  [
    ...props.schedule.bookmarks.map(({ cueId: id, atMs, title }) => ({
      id,
      atMs,
      title,
      asks: null,
    })),
    ...props.questions.map((one) => ({ id: one.id, atMs: one.atMs, title: '', asks: one })),
  ].sort((one, other) => one.atMs - other.atMs),
)
const list = ref<HTMLElement | null>(null)
const current = computed(() => lineIndexAt(props.lines, props.mediaMs))
const bookmark = computed(() => bookmarkAt(props.schedule, props.mediaMs)?.cueId ?? null)
const mayGoTo = (ms: number) => props.range !== null && ms <= props.range.toMs
const rule = computed(() => {
  if (props.range === null) return t('player.seekNone')
  return props.schedule.seekRule === 'backOnly' ? t('player.seekBackOnly') : null
})

// Without any talk there is nothing to look at.
watch(tabs, (names) => names.includes(tab.value) || (tab.value = 'contents'))
watch([current, tab], async () => {
  await nextTick()
  const line = list.value?.querySelector<HTMLElement>('[aria-current="true"]')
  // Only the panel scrolls; the page must not move under a reader's hands.
  if (line && list.value) list.value.scrollTop = line.offsetTop - list.value.clientHeight / 3
})

function onTabKey(event: KeyboardEvent): void {
  if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
  event.preventDefault()
  event.stopPropagation()
  const step = event.key === 'ArrowRight' ? 1 : tabs.value.length - 1
  tab.value = tabs.value[(tabs.value.indexOf(tab.value) + step) % tabs.value.length]!
  void nextTick(() => document.getElementById(`tab-${tab.value}`)?.focus())
}
defineExpose({ showNotes: () => (tab.value = 'notes') })
</script>

<template>
  <div class="panel">
    <div class="tabs" role="tablist" @keydown="onTabKey">
      <button
        v-for="name in tabs"
        :id="`tab-${name}`"
        :key="name"
        type="button"
        role="tab"
        :aria-selected="tab === name"
        :tabindex="tab === name ? 0 : -1"
        aria-controls="side-panel"
        @click="tab = name"
      >
        {{ t(NAMES[name])
        }}<span v-if="name === 'talk' && unseen" class="unseen"
          ><span class="visually-hidden">{{ t('player.talk.new', unseen) }}</span
          ><span aria-hidden="true">{{ unseen }}</span></span
        >
      </button>
    </div>
    <div
      id="side-panel"
      ref="list"
      class="list"
      role="tabpanel"
      tabindex="0"
      :aria-labelledby="`tab-${tab}`"
    >
      <div v-if="tab === 'notes'" class="own"><slot name="notes" /></div>
      <div v-else-if="tab === 'talk'" class="own"><slot name="talk" /></div>
      <p v-else-if="rule" class="empty">{{ rule }}</p>
      <template v-if="tab === 'contents'">
        <p v-if="entries.length === 0" class="empty">{{ t('player.noContents') }}</p>
        <ol v-else>
          <li v-for="{ id, atMs, title, asks } in entries" :key="id">
            <button v-if="asks" type="button" class="asks" @click="emit('open', id)">
              <span class="at">{{ clockTime(atMs) }}</span>
              <span>
                {{ t('player.questionNumber', { number: asks.number }) }}
                <span class="standing">{{ t(`player.${asks.standing}`) }}</span>
              </span>
            </button>
            <button
              v-else
              type="button"
              :aria-current="id === bookmark"
              :disabled="!mayGoTo(atMs)"
              @click="emit('seek', atMs)"
            >
              <span class="at">{{ clockTime(atMs) }}</span>
              <span dir="auto">{{ title }}</span>
            </button>
          </li>
        </ol>
      </template>
      <template v-else-if="tab === 'script'">
        <p v-if="lines.length === 0" class="empty">{{ t('player.noScript') }}</p>
        <ol v-else class="script" :lang="language">
          <li v-for="(line, index) in lines" :key="line.id">
            <button
              type="button"
              :aria-current="index === current"
              :disabled="!mayGoTo(line.fromMs)"
              @click="emit('seek', line.fromMs)"
            >
              <span class="at">{{ clockTime(line.fromMs) }}</span>
              <span dir="auto">{{ line.text }}</span>
            </button>
          </li>
        </ol>
      </template>
    </div>
  </div>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.tabs {
  display: flex;
  gap: 20px;
  padding: 20px 28px 0;
  border-bottom: 1px solid var(--line);
}
.tabs button {
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.tabs [aria-selected='true'] {
  border-color: var(--fern);
  color: var(--ink);
}
.unseen {
  margin-inline-start: 6px;
  padding: 0 6px;
  border-radius: var(--radius);
  background: var(--rust);
  color: var(--surface);
  font-family: var(--mono);
  font-size: 12.5px;
}
.list {
  position: relative;
  flex: 1 1 0;
  min-height: 0;
  overflow-y: auto;
}
.list:focus-visible {
  outline-offset: -3px;
}
ol {
  margin: 0;
  padding: 10px 0;
  list-style: none;
}
li button {
  display: grid;
  grid-template-columns: 4.2em 1fr;
  width: 100%;
  min-height: 44px;
  align-items: baseline;
  padding: 9px 28px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 16px;
  text-align: start;
  cursor: pointer;
}
li button:focus-visible {
  outline-offset: -3px;
}
.script button {
  font-family: var(--reading);
  line-height: 1.5;
}
li button:enabled:hover {
  background: var(--ground);
}
li button:disabled {
  color: var(--ink-2);
  cursor: default;
}
li [aria-current='true'] {
  background: var(--fern-soft);
}
.at {
  font-family: var(--mono);
  font-size: 13.5px;
  color: var(--ink-3);
}
li [aria-current='true'] .at {
  color: var(--ink-2);
}
.own {
  padding: 20px 28px;
}
.empty {
  padding: 24px 28px;
  color: var(--ink-2);
}
@media (max-width: 760px) {
  .tabs {
    padding: 4px 16px 0;
  }
  li button {
    padding: 9px 16px;
  }
  .list {
    max-height: 46vh;
    flex-basis: auto;
  }
}
.standing {
  margin-inline-start: 6px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.asks {
  color: var(--rust);
}
</style>
