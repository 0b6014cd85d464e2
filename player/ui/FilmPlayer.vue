<script setup lang="ts">
// One film part as a learner works through it: stage, frond, controls, and beside them the question or the contents.
import { computed, nextTick, onMounted, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  cueStartMs,
  linesSaid,
  linesInOrder,
  scriptLanguages,
  scriptOfPart,
} from '@fernbrake/core/lesson'
import { placesAsked, scoreSoFar } from '@fernbrake/core/analysis'
import { isOpenToAnswers, wasComeTo } from '@fernbrake/core/playback'
import { knownOf } from '@fernbrake/core/routes'
import { coverage } from '@fernbrake/core/watching'
import type { Answer } from '@fernbrake/core/questions'
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import { provideForQuestions } from '../questions/provideForQuestions.ts'
import { useCaptionLook } from '../session/useCaptionLook.ts'
import { useCaptionWish } from '../session/useCaptionWish.ts'
import { toldOf } from '../session/toldOf.ts'
import { askWays } from '../session/askWays.ts'
import { useAnswers } from '../session/useAnswers.ts'
import { useFacts } from '../session/useFacts.ts'
import { useFork } from '../session/useFork.ts'
import { useFrondCues } from '../session/useFrondCues.ts'
import { useFilmSession } from '../session/useFilmSession.ts'
import { useOpenQuestion } from '../session/useOpenQuestion.ts'
import { usePlayerKeys } from '../session/usePlayerKeys.ts'
import FilmBeside from './FilmBeside.vue'
import FilmEnd from './FilmEnd.vue'
import FilmStage from './FilmStage.vue'
import ForkSheet from './ForkSheet.vue'
import PartsNav from './PartsNav.vue'
import type { PartsState, ShownWay } from './partsState.ts'
import PlaceSlider from './PlaceSlider.vue'
import PlayControls from './PlayControls.vue'
import QuestionSheet from './QuestionSheet.vue'
import type { SideTab } from './SidePanel.vue'
import WatchSettings from './WatchSettings.vue'

const props = defineProps<{
  host: Host
  opened: OpenedLesson
  partId: string
  hostState: HostState
  /** Beside the title: whose sitting this is. */
  aside: string
  /** The parts of the lesson; none is shown where there is only one. */
  parts: PartsState
  /** The learner took a way that leads here: the film plays, where the browser lets it. */
  playsAtOnce?: boolean
}>()
const { t } = useI18n()
const { lesson } = props.opened
const emit = defineEmits<{
  toPart: [partId: string]
  pickPart: [partId: string]
  take: [way: ShownWay]
}>()
const session = useFilmSession(props.host, props.opened, props.partId, {
  toPart: (partId) => emit('toPart', partId),
})
const told = toldOf(props.opened)
const answers = useAnswers(props.host, lesson, props.opened.progress.responses, ...told)
const { state, mediaMs, covered, durationMs, schedule, range } = session
const root = useTemplateRef('root')
const side = useTemplateRef('side')
const tab = ref<SideTab>('contents')
provideForQuestions(props.host, props.opened, session)
const facts = useFacts(props.opened.learnerName, answers.score)

const languages = scriptLanguages(lesson, props.partId)
const language = ref(scriptOfPart(lesson, props.partId, lesson.language)?.language ?? null)
const script = computed(() =>
  language.value === null ? undefined : scriptOfPart(lesson, props.partId, language.value),
)
const lines = computed(() => (script.value ? linesInOrder(script.value) : []))
const captions = useCaptionWish()
const captionLook = useCaptionLook()
const saidAt = computed(() => linesSaid(lines.value))
/** Of what is said at once, each on its own line; null while nothing is. */
const caption = computed(() => {
  const said = captions.value ? saidAt.value(mediaMs.value) : []
  return said.length > 0 ? said.map(({ text }) => text).join('\n') : null
})

const { questionCues, open, openForMs } = useOpenQuestion(session, lesson, told[1])
const filmScore = computed(() =>
  answers.scoreOf(placesAsked(lesson, session.part).map(({ question }) => question)),
)
const { fork, forkEnding } = useFork(lesson, session)

/** Where only the server knows the way, the film waits for it. */
const way = askWays(
  props.host,
  () => (fork.value?.decides ? fork.value.id : null),
  (cueId, { open }) => {
    session.dispatch({ kind: 'decided', cueId, open: open[cueId] ?? [] })
    session.recordPlace()
  },
)

function choose(choiceId: string): void {
  if (!fork.value) return
  session.dispatch({ kind: 'chose', cueId: fork.value.id, choiceId })
  session.recordPlace()
  void props.host.flush()
  void nextTick(() => root.value?.querySelector<HTMLElement>('[data-focus="play"]')?.focus())
}

const frondCues = useFrondCues(lesson, props.partId, answers, told[1])

const watched = computed(() => coverage(covered.value, durationMs))
const isEnded = computed(() => state.value.mode.kind === 'ended')
watch(
  // A shallow ref itself would count as changed whenever any of the three did.
  [() => answers.responses.value, () => state.value.released, watched],
  ([responses, released, share]) => {
    const score = scoreSoFar(lesson, responses, released)
    const { facts } = knownOf(lesson, props.opened.progress)
    const watched = { ...facts.watched, [props.partId]: share }
    session.dispatch({ kind: 'known', facts: { ...facts, score, watched } })
  },
  { immediate: true },
)

function give(answer: Answer): void {
  if (!open.value) return
  const { cue } = open.value
  // A countdown stands still where nobody is there, so it knows better.
  const waitedMs = state.value.waited[cue.id] ?? openForMs()
  const result = answers.give(cue, answer, waitedMs)
  if (result) session.dispatch({ kind: 'answered', cueId: cue.id, result })
}

function goOn(): void {
  if (!open.value) return
  session.dispatch({ kind: 'dismissed', cueId: open.value.cue.id })
  session.recordPlace()
  void props.host.flush()
  void nextTick(() => root.value?.querySelector<HTMLElement>('[data-focus="play"]')?.focus())
}

/** The question that the learner opened last; one that only comes by again takes nobody's focus. */
const picked = ref<string | null>(null)
function pickCue(id: string): void {
  const cue = lesson.cues[id]
  if (cue?.kind === 'question') {
    picked.value = id
    session.openQuestion(id, cue.atMs)
  } else if (cue) session.seek(cueStartMs(cue))
}
function openAtEnd(id: string): void {
  picked.value = id
  session.dispatch({ kind: 'opened', cueId: id })
}

/** Every question of the film with how it stands, and whether the learner has come to it. */
const asked = computed(() =>
  questionCues.map(({ id, atMs, questionId }, index) => {
    const isTried = answers.standing(questionId).triesUsed > 0
    const isOpen = isOpenToAnswers(state.value, id)
    const standing = isOpen ? (isTried ? 'triesRemain' : 'unanswered') : ('done' as const)
    return { id, atMs, number: index + 1, standing } as const
  }),
)
const stillOpen = computed(() => asked.value.filter(({ standing }) => standing !== 'done'))
const met = computed(() => asked.value.filter(({ id }) => wasComeTo(schedule, state.value, id)))

function fullScreen(): void {
  if (document.fullscreenElement) void document.exitFullscreen()
  else void root.value?.requestFullscreen?.().catch(() => undefined)
}

watch(isEnded, (ended) => ended && void props.host.flush())

usePlayerKeys({
  toggle: () => !session.isHeld.value && session.toggle(),
  step: (ms) => session.seek(mediaMs.value + ms),
  bookmark: (direction) => {
    const marks = schedule.bookmarks.map((mark) => mark.atMs)
    // A press just after a bookmark goes to the one before it.
    const target =
      direction > 0
        ? marks.find((ms) => ms > mediaMs.value + 50)
        : marks.findLast((ms) => ms < mediaMs.value - 1500)
    if (target !== undefined) session.seek(target)
  },
  captions: () => (captions.value = !captions.value),
  mute: () => session.setMuted(!session.snapshot.value.muted),
  fullScreen,
  note: () => void side.value?.addNoteHere(),
})

const live = ref('')
onMounted(() => {
  if (props.playsAtOnce) void session.play()
  const stop = watch([open, fork], ([now]) => {
    live.value = now
      ? t('player.questionOf', { number: now.number, count: questionCues.length })
      : fork.value
        ? fork.value.decides
          ? t('player.wayAskedHelp')
          : fork.value.prompt || t('player.chooseWay')
        : ''
  })
  onScopeDispose(stop)
})
</script>

<template>
  <div ref="root" class="film night">
    <main class="desk">
      <header class="head">
        <h1 tabindex="-1" data-focus="part" dir="auto">{{ lesson.title }}</h1>
        <p>{{ aside }}</p>
        <WatchSettings
          v-model:captions="captions"
          v-model:language="language"
          :look="captionLook"
          :session="session"
          :languages="languages"
          @full-screen="fullScreen"
        />
      </header>
      <div class="stage-room">
        <FilmStage
          :session="session"
          :lesson="lesson"
          :caption="caption"
          :captions="captions"
          :caption-look="captionLook"
          :language="script?.language ?? lesson.language"
          :staged="opened.staged ?? {}"
        />
      </div>
      <PlaceSlider
        :duration-ms="durationMs"
        :media-ms="mediaMs"
        :cues="frondCues"
        :covered="covered"
        :movable="range !== null"
        @seek="session.seek"
        @pick="pickCue"
      />
      <PlayControls :session="session" :watched="watched" :score="filmScore" />
    </main>
    <aside class="beside paper">
      <p class="visually-hidden" aria-live="assertive">{{ live }}</p>
      <QuestionSheet
        v-if="open"
        :key="open.cue.id"
        v-bind="open.leaving"
        :question="open.question"
        :material="open.material"
        :standing="answers.standing(open.question.id)"
        :number="open.number"
        :count="questionCues.length"
        :reviewing="state.mode.kind === 'reviewing'"
        :seed="opened.seed"
        :keeps-drafts="opened.keepsDrafts ?? true"
        :told="told[1]"
        :countdown="session.countdown.value"
        :time-up="state.timeUp[open.cue.id] === true"
        :takes-focus="!state.released[open.cue.id] || picked === open.cue.id"
        @give="give"
        @go-on="goOn"
        @rewatch="session.dispatch({ kind: 'rewatch', cueId: open.cue.id })"
      />
      <ForkSheet
        v-else-if="fork"
        :key="`fork-${fork.id}`"
        :fork="fork"
        :countdown="session.countdown.value"
        :failed="way.failed.value"
        @choose="choose"
      />
      <template v-else>
        <FilmEnd
          v-if="isEnded"
          :ending="lesson.ending"
          :fork-ending="forkEnding"
          :score="answers.score.value"
          :film-score="filmScore"
          :watched="watched"
          :facts="facts"
          :all-sent="hostState.waiting === 0"
          :parts="parts"
          :still-open="stillOpen"
          @open="openAtEnd"
          @take="emit('take', $event)"
        />
        <PartsNav :parts="parts" @pick="emit('pickPart', $event)" />
        <FilmBeside
          ref="side"
          v-model="tab"
          :session="session"
          :part-id="partId"
          :lines="lines"
          :language="script?.language ?? lesson.language"
          :questions="met"
          @open="pickCue"
        />
      </template>
    </aside>
  </div>
</template>

<style scoped>
.film {
  flex: 1 1 0;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) clamp(340px, 32vw, 460px);
}
.desk {
  /* What is hidden from sight alone stays within, instead of lengthening the page. */
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  min-width: 0;
  padding: 8px 22px 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
}
h1 {
  min-width: min(100%, 8em);
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.head p {
  flex: 1;
  color: var(--ink-3);
}
.head :deep(.settings) {
  flex: none;
}
.stage-room {
  flex: 0 1 auto;
  min-height: 0;
  display: flex;
  justify-content: center;
  /* The stage keeps its shape and leaves room for frond and controls. */
  max-height: calc(100vh - 250px);
}
.beside {
  position: relative;
  min-height: 0;
  overflow-y: auto;
}
/* A phone on its side: the film takes the height there is, and the rest of the desk is scrolled to. */
@media (max-height: 520px) and (min-width: 761px) {
  .desk {
    overflow-y: auto;
  }
  .desk > * {
    flex: none;
  }
  .stage-room {
    max-height: calc(100dvh - 24px);
  }
}
@media (max-width: 760px) {
  .film {
    flex: 1 0 auto;
    display: flex;
    flex-direction: column;
    overflow: visible;
  }
  .desk {
    display: contents;
  }
  .desk > * {
    flex: none;
  }
  .desk :deep(.place),
  .desk :deep(.controls) {
    padding: 0 12px;
  }
  .head :deep(.settings) {
    flex: 0 1 auto;
  }
  .head {
    padding-block: 8px 0;
    padding-inline: 16px 12px;
  }
  h1 {
    font-size: 17px;
  }
  .stage-room {
    position: sticky;
    top: 0;
    z-index: 2;
    max-height: 45vh;
    background: var(--ground);
  }
  .beside {
    flex: 1 0 auto;
    overflow: visible;
  }
}
</style>
