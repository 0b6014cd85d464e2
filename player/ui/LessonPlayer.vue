<script setup lang="ts">
// The whole player: opens the lesson through its host and shows its parts, one at a time. Needs nothing but a Host.
import {
  computed,
  nextTick,
  onMounted,
  onScopeDispose,
  provide,
  ref,
  shallowRef,
  useTemplateRef,
} from 'vue'
import { useI18n } from 'vue-i18n'
import { isPlayed, type Part } from '@fernbrake/core/lesson'
import { placeToGoOn } from '@fernbrake/core/playback'
import { HostError, type Host, type HostState, type OpenedLesson } from '../hosts/Host.ts'
import { isoTime, nowMs } from '../clock.ts'
import { isLater, prepareParts } from '../parts/fetchPart.ts'
import LaterPart from '../parts/LaterPart.vue'
import { askWays } from '../session/askWays.ts'
import { STILL_OPEN, stillOpenIn } from '../session/stillOpen.ts'
import { useTravelled } from '../session/useTravelled.ts'
import { ABOUT, aboutOf, ASSIGNMENT, EDITION } from './about.ts'
import ClosedStrip from './ClosedStrip.vue'
import FilmPlayer from './FilmPlayer.vue'
import HostStrip from './HostStrip.vue'
import { gateWords } from './gateWords.ts'
import LessonEnd from './LessonEnd.vue'
import { provideOwnNotes } from '../notes/useOwnNotes.ts'
import { provideTalk } from '../talk/provideTalk.ts'
import { partsState, type ShownWay } from './partsState.ts'
import { useTheme } from './useTheme.ts'

/** `ownTab` is where the lesson opens on its own, told where a frame on another page cannot keep who is learning. */
const props = defineProps<{
  host: Host
  aside?: string
  ownTab?: string
  /** Where to begin, in place of where the learner went on last. */
  startAt?: { partId: string; atMs: number } | null
}>()
const { t, n } = useI18n()
const opened = shallowRef<OpenedLesson | null>(null)
const failure = ref<HostError['reason'] | null>(null)
const hostState = shallowRef<HostState>(props.host.state())
onScopeDispose(props.host.onState((state) => (hostState.value = state)))
const root = useTemplateRef('root')
const travel = useTravelled(props.host, opened)
const ownNotes = provideOwnNotes(travel.host, () => opened.value!.lesson)

/** The part that is open; null in a lesson without any. `visit` grows with each coming. */
const open = shallowRef<{
  partId: string
  visit: number
  opened: OpenedLesson
  /** A way that was taken led here, so its film goes on by itself. */
  isLedTo: boolean
} | null>(null)
const part = computed(() =>
  open.value && opened.value ? (opened.value.lesson.parts[open.value.partId] ?? null) : null,
)
const words = { gate: (shut: Part) => gateWords(opened.value!.lesson, shut, t, n) }
const parts = computed(
  () =>
    part.value &&
    partsState(
      opened.value!.lesson,
      travel.travelled.value,
      travel.known.value,
      part.value.id,
      words,
    ),
)
askWays(
  travel.host,
  () => (parts.value?.awaits ? parts.value.openId : null),
  (_partId, judged) => travel.acceptJudged(judged),
)
const talk = provideTalk(travel.host, hostState, {
  goTo({ partId, place }) {
    if (place.on === 'moment') travel.leaveAt(opened.value!, { partId, atMs: place.atMs })
    goTo(partId, false)
  },
  mayOpen: (partId) => parts.value?.all.find(({ id }) => id === partId)?.isOpen ?? false,
  parts: computed(() => parts.value?.all ?? []),
})
const theme = useTheme(() => opened.value?.lesson.theme)
provide(
  ABOUT,
  computed(() => opened.value && aboutOf(opened.value.lesson, opened.value.credits)),
)
provide(
  EDITION,
  computed(() => opened.value?.edition ?? null),
)
provide(
  ASSIGNMENT,
  computed(() => opened.value?.assignment ?? null),
)
provide(STILL_OPEN, (partId) => {
  // With each record that decides about ways, what can be answered changes too.
  void travel.known.value
  return stillOpenIn(opened.value!, partId)
})
/** The words of the end that a way led to; null while the learner is in a part. */
const ended = ref<string | null>(null)

/** Opens a part: where it was left, or from its beginning where a way led there. */
function goTo(partId: string, fromBeginning: boolean): void {
  if (!opened.value?.lesson.parts[partId]) return
  ended.value = null
  const visit = (open.value?.visit ?? 0) + 1
  recordOpening(partId)
  const opening = travel.openedAt(partId, fromBeginning)
  open.value = { partId, visit, opened: opening, isLedTo: fromBeginning }
  if (visit === 1) return
  recordPlace(opening)
  void nextTick(() => root.value?.querySelector<HTMLElement>('[data-focus="part"]')?.focus())
}

/** Goes a way on from the open part; a route that is taken is told. */
function choose({ routeId, toId }: ShownWay): void {
  const { lesson } = opened.value!
  const route = routeId === null ? undefined : lesson.routes?.[routeId]
  if (route) {
    const about = { cueId: route.fromId, choiceId: route.id, at: isoTime(nowMs()) }
    travel.host.record({ kind: 'choice', id: travel.host.newId(), ...about })
    void travel.host.flush()
  }
  if (toId !== null) return goTo(toId, route !== undefined)
  ended.value = route?.target.to === 'ending' ? route.target.message : ''
}

/** Notes once that a part was opened. */
function recordOpening(partId: string): void {
  if (opened.value!.progress.seen[partId]?.includes(partId)) return
  const about = { partId, thingId: partId, at: isoTime(nowMs()) }
  travel.host.record({ kind: 'seen', id: travel.host.newId(), ...about })
}

/** Notes which film was opened, so that a page that is loaded anew comes back to it; other parts note it themselves. */
function recordPlace({ lesson, progress: { partId, atMs, released } }: OpenedLesson): void {
  const part = lesson.parts[partId ?? '']
  if (partId === null || !part || !isPlayed(part)) return
  const about = { partId, atMs, released: [...released], at: isoTime(nowMs()) }
  travel.host.record({ kind: 'place', id: travel.host.newId(), ...about })
}

async function openLesson(): Promise<void> {
  failure.value = null
  try {
    opened.value = await props.host.open()
    document.title = opened.value.lesson.title
    travel.begin()
    ownNotes.takeUp(opened.value)
    void talk.begin(opened.value)
    if (props.startAt) travel.leaveAt(opened.value, props.startAt)
    const wanted = opened.value.lesson.parts[props.startAt?.partId ?? '']
    const part = wanted ?? placeToGoOn(opened.value.lesson, opened.value.progress)?.part
    if (part) goTo(part.id, false)
    // What later parts need is fetched while the connection is there.
    void nextTick(() => prepareParts(Object.values(opened.value!.lesson.parts)))
  } catch (error) {
    failure.value = error instanceof HostError ? error.reason : 'failed'
  }
}
onMounted(openLesson)
</script>

<template>
  <div
    ref="root"
    class="player themed"
    :style="theme"
    :class="ended !== null || (part && isLater(part)) ? 'reading' : 'night'"
  >
    <HostStrip :state="hostState" />
    <ClosedStrip v-if="opened?.assignment?.closesAt" :closes-at="opened.assignment.closesAt" />
    <LessonEnd
      v-if="ended !== null && opened && parts"
      :host="travel.host"
      :opened="opened"
      :message="ended"
      :parts="parts"
      :host-state="hostState"
      @pick-part="goTo($event, false)"
    />
    <FilmPlayer
      v-else-if="open && parts && part && isPlayed(part)"
      :key="`${open.partId} ${open.visit}`"
      :host="travel.host"
      :opened="open.opened"
      :part-id="part.id"
      :host-state="hostState"
      :aside="aside ?? open.opened.learnerName"
      :parts="parts"
      :plays-at-once="open.isLedTo"
      @to-part="goTo($event, true)"
      @pick-part="goTo($event, false)"
      @take="choose"
    />
    <LaterPart
      v-else-if="open && parts && part && isLater(part)"
      :key="`${open.partId} ${open.visit}`"
      :host="travel.host"
      :opened="open.opened"
      :part="part"
      :host-state="hostState"
      :aside="aside ?? open.opened.learnerName"
      :parts="parts"
      :takes-focus="open.visit > 1"
      @pick-part="goTo($event, false)"
      @to-part="goTo($event, true)"
      @take="choose"
    />
    <div v-else-if="failure" class="middle" role="alert">
      <template v-if="ownTab && failure === 'notSignedIn'">
        <p>{{ t('player.notHere') }}</p>
        <a class="fb-button act" :href="ownTab" target="_blank" rel="noopener">
          {{ t('player.ownTab') }}
        </a>
      </template>
      <p v-else>{{ t(`player.${failure}`) }}</p>
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
@media print {
  .player {
    display: block;
    height: auto;
    overflow: visible;
  }
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
