<script setup lang="ts">
// The whole player: opens the lesson through its host and shows its parts, one at a time. Needs nothing but a Host.
import { computed, nextTick, onMounted, onScopeDispose, ref, shallowRef, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { placeToGoOn } from '@fernbrake/core/playback'
import { HostError, type Host, type HostState, type OpenedLesson } from '../hosts/Host.ts'
import { fetchQuizPlayer } from '../quiz/fetchQuizPlayer.ts'
import { useTravelled } from '../session/useTravelled.ts'
import FilmPlayer from './FilmPlayer.vue'
import HostStrip from './HostStrip.vue'
import { partsState } from './partsState.ts'
import QuizPart from './QuizPart.vue'

const props = defineProps<{ host: Host; aside?: string }>()
const { t } = useI18n()
const opened = shallowRef<OpenedLesson | null>(null)
const failure = ref<HostError['reason'] | null>(null)
const hostState = shallowRef<HostState>(props.host.state())
onScopeDispose(props.host.onState((state) => (hostState.value = state)))
const root = useTemplateRef('root')
const travel = useTravelled(props.host, opened)

/** The part that is open; null in a lesson without any. `visit` grows with each coming. */
const open = shallowRef<{ partId: string; visit: number; opened: OpenedLesson } | null>(null)
const part = computed(() =>
  open.value && opened.value ? (opened.value.lesson.parts[open.value.partId] ?? null) : null,
)
const parts = computed(
  () => part.value && partsState(opened.value!.lesson, travel.travelled.value, part.value.id),
)

/** Opens a part: where it was left, or from its beginning where a way led there. */
function goTo(partId: string, fromBeginning: boolean): void {
  if (!opened.value?.lesson.parts[partId]) return
  const visit = (open.value?.visit ?? 0) + 1
  open.value = { partId, visit, opened: travel.openedAt(partId, fromBeginning) }
  if (visit > 1)
    void nextTick(() => root.value?.querySelector<HTMLElement>('[data-focus="part"]')?.focus())
}

/** What later parts need is fetched while the connection is there; a part that still lacks it says so. */
function prepareParts(): void {
  const all = Object.values(opened.value!.lesson.parts)
  if (all.some(({ kind }) => kind === 'quiz')) void nextTick(fetchQuizPlayer).catch(() => undefined)
}

async function openLesson(): Promise<void> {
  failure.value = null
  try {
    opened.value = await props.host.open()
    document.title = opened.value.lesson.title
    travel.begin()
    const place = placeToGoOn(opened.value.lesson, opened.value.progress)
    if (place) goTo(place.part.id, false)
    prepareParts()
  } catch (error) {
    failure.value = error instanceof HostError ? error.reason : 'failed'
  }
}
onMounted(openLesson)
</script>

<template>
  <div ref="root" class="player" :class="part?.kind === 'quiz' ? 'reading' : 'night'">
    <HostStrip :state="hostState" />
    <FilmPlayer
      v-if="open && parts && part?.kind === 'film'"
      :key="`${open.partId} ${open.visit}`"
      :host="travel.host"
      :opened="open.opened"
      :part-id="part.id"
      :host-state="hostState"
      :aside="aside ?? open.opened.learnerName"
      :parts="parts"
      @to-part="goTo($event, true)"
      @pick-part="goTo($event, false)"
    />
    <QuizPart
      v-else-if="open && parts && part?.kind === 'quiz'"
      :key="`${open.partId} ${open.visit}`"
      :host="travel.host"
      :opened="open.opened"
      :quiz="part"
      :host-state="hostState"
      :aside="aside ?? open.opened.learnerName"
      :parts="parts"
      :takes-focus="open.visit > 1"
      @pick-part="goTo($event, false)"
    />
    <div v-else-if="failure" class="middle" role="alert">
      <p>{{ t(`player.${failure}`) }}</p>
      <button v-if="failure !== 'notFound'" class="fb-button" type="button" @click="openLesson">
        {{ t('player.retry') }}
      </button>
    </div>
    <div v-else class="skeleton" role="status" :aria-label="t('player.loading')">
      <div class="bone stage" />
      <div class="bone bar" />
    </div>
  </div>
</template>

<style scoped>
.player {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
  overflow: hidden;
}
.reading {
  background: var(--ground);
}
.middle {
  margin: auto;
  max-width: 46ch;
  padding: 24px;
  text-align: center;
}
.middle .fb-button {
  margin-top: 18px;
}
.skeleton {
  padding: 60px 22px;
  max-width: 66%;
}
.bone {
  background: var(--surface);
  border-radius: var(--radius);
}
.bone.stage {
  aspect-ratio: 16 / 9;
  max-height: calc(100vh - 250px);
}
.bone.bar {
  height: 44px;
  margin-top: 18px;
}
@media (max-width: 760px) {
  .player {
    height: auto;
    min-height: 100dvh;
    overflow: visible;
  }
  .skeleton {
    max-width: none;
    padding: 50px 0;
  }
}
</style>
