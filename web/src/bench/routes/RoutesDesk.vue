<script setup lang="ts">
// The routes of a lesson: the map, and beside it what is picked on it, or what there is to say of the whole.
import { nanoid } from 'nanoid'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import Button from 'primevue/button'
import { edits } from '@fernbrake/core/lesson'
import { END, surveyRoutes, type Way } from '@fernbrake/core/routes'
import { useQuery } from '../../ui/useQuery.ts'
import SheetFrame from '../SheetFrame.vue'
import { usePlaces, useRights, useSelection, useBench } from '../useBench.ts'
import GateField from './GateField.vue'
import RouteMap from './RouteMap.vue'
import RoutesSheet from './RoutesSheet.vue'
import WaysField from './WaysField.vue'

const bench = useBench()
const places = usePlaces()
const rights = useRights()
const selection = useSelection()
const { draft } = bench
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const writeQuery = useQuery()
const lessonId = computed(() => draft.lessonId)
const survey = computed(() => surveyRoutes(bench.lesson.value))
const doubtful = computed(
  () =>
    new Set(
      survey.value.findings.flatMap((one) => ('partIds' in one ? one.partIds : [one.partId])),
    ),
)
/** The part that is picked; it stands in the address, so that others may lead here. */
const pickedInAddress = () => (typeof route.query.at === 'string' ? route.query.at : null)
const partId = ref(pickedInAddress())
watch(partId, (at) => writeQuery({ at: at ?? undefined }))
watch(pickedInAddress, (at) => (partId.value = at))
/** The way out of it that was pressed. */
const pressed = shallowRef<Pick<Way, 'id' | 'kind'> | null>(null)
const wayId = computed(() => pressed.value?.id ?? null)
/** The part on the sheet: the map shows first what was picked on it, and the sheet, with all its ways, in the next frame. */
const onSheet = ref(partId.value)
const inNextFrame = (work: () => void) => requestAnimationFrame(() => setTimeout(work))
watch(partId, () => inNextFrame(() => (onSheet.value = partId.value)))
const mapStands = ref(false)
onMounted(() => inNextFrame(() => (mapStands.value = true)))
const part = computed(() => bench.lesson.value.parts[onSheet.value ?? ''] ?? null)

function pick(id: string): void {
  partId.value = id
  pressed.value = null
}
/** A way of a film or a picture is written where it stands, by cue or pin; a route on the sheet of its part. */
const isWrittenThere = ({ kind }: Pick<Way, 'kind'>) => kind !== 'order' && kind !== 'route'
function pickWay(way: Way): void {
  pick(way.fromId)
  pressed.value = way
  if (!isWrittenThere(way)) return
  places.goToPart(way.fromId)
  if (way.kind === 'pin') places.thingId.value = way.thingId
  else selection.select(way.thingId, true)
}
function draw(fromId: string, toId: string): void {
  const target =
    toId === END
      ? ({ to: 'ending', message: '' } as const)
      : ({ to: 'part', partId: toId } as const)
  const id = nanoid()
  if (fromId !== toId && draft.make(edits.addRoute, { id, fromId, target })) {
    pick(fromId)
    pressed.value = { id, kind: 'route' }
  }
}
const place = (id: string) => ({ params: { lessonId: lessonId.value }, query: { part: id } })
</script>

<template>
  <section class="left" :aria-label="t('routes.map')">
    <p v-if="Object.keys(bench.lesson.value.parts).length === 0" class="empty">
      {{ t('routes.empty') }}
    </p>
    <RouteMap
      v-else
      :picked="{ partId: partId ?? undefined, wayId: wayId ?? undefined }"
      :doubtful="doubtful"
      @part="pick"
      @way="pickWay"
      @drawn="draw"
    />
    <p class="help">{{ t('routes.mapHelp') }}</p>
  </section>
  <div class="side" @keydown.esc="partId = null">
    <SheetFrame
      v-if="part"
      :key="part.id"
      :title="part.title || t('bench.untitled')"
      @close="partId = null"
    >
      <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
      <div class="sheet-form">
        <div class="links">
          <Button
            :label="t('routes.openOnBench')"
            severity="secondary"
            variant="outlined"
            size="small"
            @click="(places.goToPart(part.id), router.push({ name: 'bench', ...place(part.id) }))"
          />
          <RouterLink :to="{ name: 'preview', ...place(part.id) }">{{
            t('routes.tryFromHere')
          }}</RouterLink>
        </div>
        <p v-if="pressed && isWrittenThere(pressed)" class="notice straw">
          {{ t('routes.writtenThere') }}
        </p>
        <WaysField :part="part" :picked-id="wayId" />
        <GateField :part="part" />
      </div>
    </SheetFrame>
    <RoutesSheet v-else-if="mapStands" :survey="survey" @part="pick" />
  </div>
</template>

<style scoped>
.left {
  position: relative;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  background: var(--ground);
}
.help {
  padding: 6px 16px;
  border-top: 1px solid var(--line);
  color: var(--ink-2);
  font-size: 13.5px;
}
.empty {
  flex: 1;
  padding: 40px;
}
.side {
  min-width: 0;
  min-height: 0;
  border-inline-start: 1px solid var(--line);
}
.links {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
</style>
