<script setup lang="ts">
// What is said about a lesson, in a class or among those who came by its link, for the teachers: all of it in the order of
// the lesson, and who said what.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onScopeDispose, ref, useId, useTemplateRef, watch, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute } from 'vue-router'
import { nanoid } from 'nanoid'
import { clockTime } from '@fernbrake/core/media'
import {
  hidesSome,
  newestFirst,
  partsTalkedAbout,
  postsIn,
  saysIn,
  searchThreads,
  threadsOf,
  waitsForTeacher,
  type Thread,
} from '@fernbrake/core/talk'
import { TakenBack, TalkFault, TalkThread, useOpening, useTalk } from '@fernbrake/player'
import { ApiError, call, isKeptFrom } from '../api/client.ts'
import LessonHead from '../lesson/LessonHead.vue'
import ReportLead from '../reports/ReportLead.vue'
import ReportTabs from '../reports/ReportTabs.vue'
import { useSession } from '../stores/session.ts'
import { readWords } from '../talk/draft.ts'
import SayToClass from '../talk/SayToClass.vue'
import WhoPosted from '../talk/WhoPosted.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import ManagedPage from '../ui/ManagedPage.vue'
import { useAct } from '../ui/useAct.ts'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ classId?: string; assignmentId?: string; lessonId?: string }>()
const { t, n } = useI18n()
const session = useSession()
const id = useId()
const among = props.lessonId ? 'link' : 'class'
const params = props.lessonId
  ? ({ source: 'lesson', sourceId: props.lessonId } as const)
  : ({ source: 'assignment', sourceId: props.assignmentId! } as const)
const { value: report, error, reload } = useLoaded(() => call('talkActivity', { params }))
const me = session.person!
/** What the server says against it is said where it was tried. */
const inWords = <T,>(asked: Promise<T>) =>
  asked.catch((caught: unknown) => {
    const isSaid = caught instanceof ApiError && !caught.isPassing && caught.problem !== null
    throw isSaid ? new TalkFault(caught.sentence!) : caught
  })
const talk = useTalk(
  {
    read: (after) => call('taughtTalk', { params, query: { after } }),
    say: (body) => inWords(call('sayToAll', { params, body })),
    hide: (postId, isHidden) =>
      inWords(call('hideAsTeacher', { params: { ...params, postId }, body: { isHidden } })),
    unsent: () => Promise.resolve([]),
    newId: () => nanoid(),
  },
  { id: me.id, name: me.name, teaches: true },
)
onScopeDispose(talk.watch())
// Whoever says something is counted anew.
watch(
  () => talk.posts.value,
  () => talk.isRead.value && void reload(),
)

const draftKey = props.lessonId
  ? `fernbrake-lesson-talk ${me.id} ${props.lessonId}`
  : `fernbrake-class-talk ${me.id} ${props.assignmentId!}`
// Whoever was writing when the page went away finds their words where they were.
const begin = useTemplateRef<{ $el: HTMLElement }>('begin')
const beginButton = computed(() => begin.value?.$el ?? null)
const route = useRoute()
const opening = useOpening(beginButton, readWords(draftKey) !== null)
// From another view of the results, to say something about what was seen there.
if (route.query.say !== undefined) opening.open()
const { isOpen: saying, takesFocus } = opening
const query = ref('')
const SHOWS = ['all', 'waiting', 'enquiry', 'prompt', 'hidden'] as const
const show = ref<(typeof SHOWS)[number]>('all')
const shows = SHOWS.map((value) => ({ value, label: t(`talk.shows.${value}`) }))
const personId = ref('')
const parts = computed(() => report.value?.parts ?? [])
const partIds = computed(() =>
  partsTalkedAbout(
    parts.value.map((part) => part.id),
    talk.posts.value,
  ),
)
const threads = computed(() => threadsOf(talk.posts.value, partIds.value))
const isShown: Record<(typeof SHOWS)[number], (thread: Thread) => boolean> = {
  all: () => true,
  waiting: waitsForTeacher,
  enquiry: ({ head }) => head.sort === 'enquiry',
  prompt: ({ head }) => head.sort === 'prompt',
  hidden: hidesSome,
}
const found = computed(() =>
  searchThreads(threads.value, query.value).filter(
    (thread) =>
      isShown[show.value](thread) && (personId.value === '' || saysIn(thread, personId.value)),
  ),
)
const SHOWN_AT_ONCE = 60
const shown = ref(SHOWN_AT_ONCE)
const ORDERS = ['lesson', 'newest'] as const
const order = ref<(typeof ORDERS)[number]>('lesson')
const orders = ORDERS.map((value) => ({ value, label: t(`talk.orders.${value}`) }))
const titleOf = (partId: string) =>
  parts.value.find((one) => one.id === partId)?.title ?? t('talk.partGone')
const byPart = computed(() => {
  const isByPart = order.value === 'lesson'
  const ordered = isByPart ? found.value : newestFirst(found.value)
  const first = ordered.slice(0, shown.value)
  if (!isByPart) return first.length === 0 ? [] : [{ partId: null, part: null, threads: first }]
  const groups = new Map<string, Thread[]>()
  for (const thread of first)
    groups.set(thread.head.partId, [...(groups.get(thread.head.partId) ?? []), thread])
  return [...groups].map(([partId, own]) => ({
    partId,
    threads: own,
    part: parts.value.find((one) => one.id === partId) ?? null,
  }))
})
const meant = computed(() => (report.value?.people ?? []).filter(({ hasLeft }) => !hasLeft))
const spoke = computed(() => meant.value.filter((one) => postsIn(one) > 0).length)
const waiting = computed(() => threads.value.filter(waitsForTeacher).length)
const whose = computed(() => report.value?.people.find((one) => one.personId === personId.value))

const { busy, fault, act } = useAct()
const turn = (isOn: boolean) =>
  act(async () => {
    if (props.lessonId)
      await call('share', { params: { lessonId: props.lessonId }, body: { talks: isOn } })
    else {
      const [classId, assignmentId] = [props.classId!, props.assignmentId!]
      await call('switchTalk', { params: { classId, assignmentId }, body: { isOn } })
    }
    await Promise.all([reload(), talk.refresh()])
  })
const benchOf = ({ head: { partId, place } }: Thread) => ({
  name: 'bench',
  params: { lessonId: report.value!.lessonId },
  query: { part: partId, ...(place.on === 'moment' ? { at: place.atMs } : {}) },
})
const isInLesson = ({ head }: Thread) => parts.value.some((one) => one.id === head.partId)
const placeOf = ({ head: { place } }: Thread) =>
  place.on === 'moment' ? clockTime(place.atMs) : t('player.talk.onPart')
watchEffect(() => (document.title = t('talk.title', { title: report.value?.title ?? '' })))
</script>

<template>
  <ManagedPage :error="error" :ready="report !== null" @retry="reload">
    <template v-if="lessonId" #bar>
      <LessonHead
        :lesson-id="lessonId"
        :title="report?.title ?? ''"
        :sees-results="!isKeptFrom(error)"
      />
    </template>
    <template v-if="classId" #back>
      <RouterLink :to="{ name: 'class', params: { classId } }">{{
        t('assign.toClass')
      }}</RouterLink>
    </template>
    <template v-if="report">
      <h1 dir="auto">{{ lessonId ? t('results.titleOnly') : report.title }}</h1>
      <ReportTabs :class-id="classId" :source-id="params.sourceId" report="talk" />
      <ReportLead v-bind="params" report="talk">
        {{ t(`talk.said.${among}`, { n: n(spoke), of: n(meant.length) }, spoke) }}
        <template v-if="waiting > 0">{{ t('talk.waiting', { n: n(waiting) }, waiting) }}</template>
      </ReportLead>
      <p class="switch">
        <span :class="{ off: !report.isOn }">{{
          t(`talk.${report.isOn ? 'isOn' : 'isOff'}.${among}`)
        }}</span>
        <Button
          v-if="report.maySwitch"
          :label="report.isOn ? t('talk.end') : t(`talk.letTalk.${among}`)"
          size="small"
          severity="secondary"
          variant="outlined"
          :loading="busy"
          @click="turn(!report.isOn)"
        />
      </p>
      <FaultNotice v-if="fault" :error="fault" @retry="turn(!report.isOn)" />
      <div class="desk">
        <section :aria-label="t('reports.tab.talk')">
          <SayToClass
            v-if="saying"
            :parts="parts"
            :draft-key="draftKey"
            :takes-focus="takesFocus"
            :say="talk.say"
            @done="opening.close"
          />
          <p v-if="!saying" class="begin">
            <Button ref="begin" :label="t(`talk.say.${among}`)" @click="opening.open" />
          </p>
          <div class="tools">
            <LabelledSelect v-model="show" :label="t('talk.show')" :options="shows" />
            <LabelledSelect v-model="order" :label="t('talk.order')" :options="orders" />
            <div class="field">
              <label :for="id">{{ t('player.talk.find') }}</label>
              <InputText :id="id" v-model="query" type="search" />
            </div>
          </div>
          <p v-if="whose" class="whose">
            <span dir="auto">{{ t('talk.of', { name: whose.name }) }}</span>
            <Button
              :label="t('talk.everybody')"
              size="small"
              severity="secondary"
              variant="outlined"
              @click="personId = ''"
            />
          </p>
          <TakenBack :talk="talk" />
          <p v-if="talk.isAway.value" class="notice straw away" role="status">
            {{ t('fault.unreachable') }}
          </p>
          <p v-if="!talk.isRead.value && !talk.isAway.value" role="status">
            {{ t('player.talk.reading') }}
          </p>
          <p v-else-if="threads.length === 0 && talk.isRead.value" class="empty">
            {{ t('talk.nobodySaid') }}
          </p>
          <p v-else-if="found.length === 0 && talk.isRead.value" class="empty" role="status">
            {{ t('talk.nothing') }}
          </p>
          <section v-for="group in byPart" :key="group.partId ?? ''">
            <h2 v-if="group.partId !== null" dir="auto">
              {{
                group.part
                  ? t('talk.inPart', { number: n(group.part.number), title: group.part.title })
                  : t('talk.partGone')
              }}
            </h2>
            <ol class="threads">
              <TalkThread
                v-for="thread in group.threads"
                :key="thread.head.id"
                :thread="thread"
                :talk="talk"
                :draft-key="draftKey"
                :part-title="group.partId === null ? titleOf(thread.head.partId) : undefined"
              >
                <template v-if="report.mayOpenBench && isInLesson(thread)" #place>
                  <RouterLink
                    :to="benchOf(thread)"
                    :aria-label="t('talk.onBenchWhich', { place: placeOf(thread) })"
                    >{{ t('talk.onBench') }}</RouterLink
                  >
                </template>
              </TalkThread>
            </ol>
          </section>
          <Button
            v-if="found.length > shown"
            :label="t('player.talk.more')"
            severity="secondary"
            variant="outlined"
            @click="shown += SHOWN_AT_ONCE"
          />
        </section>
        <WhoPosted v-model="personId" :people="report.people" />
      </div>
    </template>
  </ManagedPage>
</template>

<style scoped>
h1 {
  margin-bottom: 14px;
  font-size: 26px;
}
.switch,
.whose {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-bottom: 18px;
}
.whose {
  font-weight: 650;
}
.off {
  color: var(--rust);
  font-weight: 650;
}
.desk {
  clear: both;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 440px);
  gap: 36px;
  align-items: start;
}
.begin {
  margin-bottom: 14px;
}
.tools > * {
  flex: 1 1 150px;
  min-width: 0;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 18px;
  margin-bottom: 16px;
}
.away {
  margin-bottom: 14px;
}
h2 {
  margin: 0 0 8px;
  font-size: 17px;
}
.threads {
  display: grid;
  gap: 12px;
  margin: 0 0 24px;
  padding: 0;
  list-style: none;
}
@media (max-width: 1000px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
