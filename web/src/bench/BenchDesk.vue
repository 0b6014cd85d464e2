<script setup lang="ts">
// The bench of one lesson: stage, script or sheet, frond; all show the same moment.
import { nanoid } from 'nanoid'
import {
  computed,
  defineAsyncComponent,
  nextTick,
  onMounted,
  onScopeDispose,
  ref,
  useTemplateRef,
  watch,
} from 'vue'
import { useI18n } from 'vue-i18n'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import type { KeptQuestion } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { useQuery } from '../ui/useQuery.ts'
import BenchFrond from './BenchFrond.vue'
import BenchHead from './BenchHead.vue'
import BenchStage from './BenchStage.vue'
import CueList from './CueList.vue'
import CueSheet from './CueSheet.vue'
import DeskTabs from './DeskTabs.vue'
import FilmIntake from './FilmIntake.vue'
import FirstSteps from './FirstSteps.vue'
import HistorySheet from './HistorySheet.vue'
import KeySheet from './KeySheet.vue'
import LessonSheet from './LessonSheet.vue'
import LinksSheet from './LinksSheet.vue'
import { DESKS } from './parts/desks.ts'
import NotTakenIn from './NotTakenIn.vue'
import PartsRow from './PartsRow.vue'
import PublishDialog from './PublishDialog.vue'
import QuestionShelf from './QuestionShelf.vue'
import ScriptDesk from './ScriptDesk.vue'
import SeveralSheet from './SeveralSheet.vue'
import TrialPanel from './TrialPanel.vue'
import TransportRow from './TransportRow.vue'
import { createBench, provideBench } from './useBench.ts'
import { useClipboard } from './useClipboard.ts'
import { useRegions } from './useRegions.ts'
import { usePlaceLeft } from './usePlaceLeft.ts'
import { useSheetFocus } from './useSheetFocus.ts'
import { useBenchKeys } from './useBenchKeys.ts'
import { provideDraft, restWithScope, type Draft } from './useDraft.ts'
import PlacingStrip from './placing/PlacingStrip.vue'
import { placerOf } from './placing/placings.ts'
import { useFilmUploads, useMedia } from './useFilmUpload.ts'

const props = defineProps<{ draft: Draft }>()
const { t } = useI18n()
const { draft } = props
provideDraft(draft)
restWithScope(draft)
const bench = createBench(draft, {
  bookmark: () =>
    t('bench.newBookmark', {
      number: bench.selection.cues.value.filter((cue) => cue.kind === 'bookmark').length + 1,
    }),
  overlay: () => t('bench.newOverlay'),
})
provideBench(bench)

/** The address says which part is open, so that it is open again after a reload. */
const route = useRoute()
const onRoutes = computed(() => route.name === 'routes')
/** The map brings a drawing library along, and is fetched when it is first looked at. */
const RoutesDesk = defineAsyncComponent(() => import('./routes/RoutesDesk.vue'))
const router = useRouter()
const writeQuery = useQuery()
const asked = typeof route.query.part === 'string' ? route.query.part : null
if (asked) bench.places.goToPart(asked)
usePlaceLeft(bench, asked)
/** Results lead to what asks a question: a cue, an item of a quiz, a thing in a part. */
function showWhatAsks(id: string): void {
  const cue = draft.lesson.value.cues[id]
  if (cue) {
    bench.places.goToPart(cue.partId)
    return bench.selection.select(id, true)
  }
  bench.places.showThing(id)
}
onMounted(() => {
  // What a class says leads to the moment that it is about.
  if (typeof route.query.at === 'string') {
    bench.playhead.seek(Number(route.query.at) || 0)
    writeQuery({ at: undefined })
  }
  if (typeof route.query.ask !== 'string') return
  showWhatAsks(route.query.ask)
  writeQuery({ ask: undefined })
})
watch(
  () => bench.places.openPart.value?.id,
  (part, before) => {
    if (part && before && route.query.part !== part) writeQuery({ part })
  },
)

const frond = useTemplateRef<{ zoom(factor: number): void; zoomAll(): void; toggleSnap(): void }>(
  'frond',
)
const publishing = ref(false)
const showsKeys = ref(false)
const showsLesson = ref(false)
/** What else of the whole lesson is open in place of a sheet. */
const beside = ref<'history' | 'links' | null>(null)
function closeWhole(): void {
  showsLesson.value = false
  beside.value = null
}
/** The sheet of the lesson stands on the bench. */
async function showLesson(): Promise<void> {
  const isShown = showsLesson.value && !onRoutes.value
  if (onRoutes.value)
    await router.push({ name: 'bench', params: { lessonId: draft.lessonId }, query: route.query })
  bench.selection.select(null)
  beside.value = null
  showsLesson.value = !isShown
}

const { follow } = useMedia((media) => {
  bench.playhead.media.value = media
  const part = bench.places.part.value
  // The film's length is known only now; it is written into the lesson once, as an edit like any other.
  if (part?.mediaId === media.id && media.state === 'ready' && bench.rights.canEdit.value) {
    const { durationMs, frameRate } = media
    if (part.durationMs !== durationMs || part.frameRate !== frameRate)
      draft.amend(edits.attachFilm, { partId: part.id, mediaId: media.id, durationMs, frameRate })
  }
})
watch(
  () => bench.places.part.value?.mediaId ?? null,
  (mediaId) => {
    if (bench.playhead.media.value?.id !== mediaId) bench.playhead.media.value = null
    follow(mediaId)
  },
  { immediate: true },
)

/** Shows one of the desks and puts the focus there. */
async function showDesk(desk: 'script' | 'list', focus: string): Promise<void> {
  bench.selection.select(null)
  closeWhole()
  bench.desk.value = desk
  await nextTick()
  document.querySelector<HTMLElement>(`.side ${focus}`)?.focus()
}

/** Another film is being chosen for the one that is there. */
const replacing = ref(false)
const tried = computed(() => {
  const cue = bench.selection.selected.value
  return bench.showsTrial.value && cue?.kind === 'question' ? cue : null
})
/** The desk of the open part; null where it is a film, or there is none. */
const partDesk = computed(() => {
  const open = bench.places.openPart.value
  return open && DESKS[open.kind]
})
const isFilm = computed(() => partDesk.value === null)
const plays = computed(() => bench.playhead.media.value?.state === 'ready' && !replacing.value)

/** The edit is made at once, whatever part is open by now; how long the film is, is known once it was looked at. */
function attachFilm(forPart: string | null, mediaId: string): void {
  if (forPart === (bench.places.part.value?.id ?? null)) replacing.value = false
  const partId = forPart ?? nanoid()
  const { title } = draft.lesson.value
  if (forPart === null) draft.make(edits.addFilmPart, { id: partId, title })
  draft.make(edits.attachFilm, { partId, mediaId, durationMs: null, frameRate: null })
  void bench.placings.await({ at: 'filmLength', partId }, { mediaId, kind: 'film', name: title })
}
const uploadOf = useFilmUploads(attachFilm)

// What is on its way comes into the lesson while its bench is open.
const placer = placerOf(draft)
if (bench.rights.canEdit.value) void bench.placings.open(placer)
onScopeDispose(() => bench.placings.close(placer))
onScopeDispose(
  bench.placings.onPlaced((place, thingId) => {
    const isOpen = 'partId' in place && place.partId === bench.places.openPart.value?.id
    if (isOpen && thingId) bench.places.thingId.value = thingId
  }),
)

/** Asks a question from the shelf at the moment shown. */
function askKept({ id: shelfId, question }: KeptQuestion): void {
  const partId = bench.places.part.value?.id
  if (!partId) return
  const ids = { cueId: nanoid(), questionId: nanoid(), shelfId }
  const atMs = bench.playhead.mediaMs.value
  if (draft.make(edits.addKeptQuestion, { ...ids, question, partId, atMs }))
    bench.selection.select(ids.cueId, true)
}

/** On the map of routes the film and its cues are out of sight. */
const isHere = () => !onRoutes.value
useClipboard(bench, isHere)

const { focusSheet } = useSheetFocus(bench.selection)
useBenchKeys(bench, {
  isHere,
  zoom: (factor) => frond.value?.zoom(factor),
  zoomAll: () => frond.value?.zoomAll(),
  toggleSnap: () => frond.value?.toggleSnap(),
  findInScript: () => void showDesk('script', '[data-find]'),
  showKeys: () => (showsKeys.value = true),
  focusSheet: () => void focusSheet(),
  publish: () => {
    if (bench.rights.canEdit.value) publishing.value = true
  },
})
useRegions()

watch(bench.selection.selectedId, (id) => {
  if (id) closeWhole()
})
// A cue that someone else removed must not stay selected.
watch(bench.selection.selected, (cue) => {
  if (!cue && bench.selection.selectedIds.value.length > 0) bench.selection.select(null)
})
/** From the part and the moment that are shown; a new tab begins with the part. */
function seeAsLearner(event: MouseEvent): void {
  if (event.ctrlKey || event.metaKey || event.shiftKey) return
  event.preventDefault()
  const query = {
    part: bench.places.openPart.value?.id,
    at: Math.round(bench.playhead.mediaMs.value),
  }
  void router.push({ name: 'preview', params: { lessonId: draft.lessonId }, query })
}
onBeforeRouteLeave(() => bench.playhead.film.value?.pause())
</script>

<template>
  <div class="bench">
    <BenchHead
      :draft="draft"
      @publish="publishing = true"
      @settings="showLesson"
      @keys="showsKeys = true"
      @as-learner="seeAsLearner"
    />
    <NotTakenIn />
    <PlacingStrip />
    <PartsRow v-if="!onRoutes" />
    <main v-if="onRoutes" class="work" data-region>
      <RoutesDesk />
    </main>
    <main v-else class="work">
      <component
        :is="partDesk"
        v-if="partDesk && bench.places.openPart.value"
        :key="bench.places.openPart.value.id"
        :part="bench.places.openPart.value"
        :covered="showsLesson || beside !== null"
      />
      <div v-else class="left">
        <section class="film night" data-region :aria-label="t('bench.stage')">
          <div class="stage-room">
            <BenchStage v-if="plays" />
            <FilmIntake
              v-else
              :key="bench.places.part.value?.id ?? 'none'"
              :replacing="replacing"
              :upload="uploadOf(bench.places.part.value?.id ?? null)"
              @uploaded="attachFilm(bench.places.part.value?.id ?? null, $event)"
              @keep="replacing = false"
            />
          </div>
          <TransportRow v-if="plays" />
          <TrialPanel
            v-if="tried"
            :cue="tried"
            :question-id="tried.questionId"
            @close="bench.showsTrial.value = false"
          />
        </section>
        <BenchFrond v-if="plays" ref="frond" />
      </div>
      <div v-if="isFilm || showsLesson || beside !== null" class="side" data-region>
        <LessonSheet
          v-if="showsLesson"
          @close="showsLesson = false"
          @replace="replacing = true"
          @film="attachFilm(bench.places.part.value?.id ?? null, $event)"
          @beside="((showsLesson = false), (beside = $event))"
        />
        <HistorySheet v-else-if="beside === 'history'" @close="beside = null" />
        <LinksSheet v-else-if="beside === 'links'" @close="beside = null" />
        <FirstSteps v-else-if="!bench.places.openPart.value" />
        <CueList
          v-else-if="
            bench.desk.value === 'list' &&
            !(bench.selection.sheetOpen.value && bench.selection.selected.value)
          "
        />
        <SeveralSheet v-else-if="bench.selection.selectedCues.value.length > 1" />
        <CueSheet
          v-else-if="bench.selection.selected.value"
          :key="bench.selection.selected.value.id"
          :cue="bench.selection.selected.value"
        />
        <QuestionShelf
          v-else-if="bench.desk.value === 'questions'"
          :ask-label="t('questionShelf.ask', { time: clockTime(bench.playhead.mediaMs.value) })"
          @ask="askKept"
        >
          <DeskTabs />
        </QuestionShelf>
        <ScriptDesk v-else />
      </div>
    </main>
    <PublishDialog v-model:visible="publishing" />
    <KeySheet v-model:visible="showsKeys" />
  </div>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  height: 100vh;
  min-height: 560px;
}
.work {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 56fr) minmax(400px, 44fr);
}
.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.film {
  position: relative;
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 12px 14px 2px;
}
.stage-room {
  flex: 1;
  min-height: 0;
  container-type: size;
  display: flex;
  align-items: center;
  justify-content: center;
}
.side {
  min-height: 0;
  min-width: 0;
  border-inline-start: 1px solid var(--line);
}
/* On a narrow screen, or a wide one that is much enlarged, one stands below the other. */
@media (max-width: 820px) {
  .bench {
    height: auto;
  }
  .work {
    grid-template-columns: minmax(0, 1fr);
  }
  .stage-room {
    flex: none;
    height: min(58vw, 60vh);
  }
  .work :deep(.side) {
    height: 85vh;
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
