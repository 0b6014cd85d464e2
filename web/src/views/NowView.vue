<script setup lang="ts">
// Who is where in a lesson now: quiet enough to be left open. Nobody changes places; only what is said of them does.
import { computed, onScopeDispose, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { presenceAt, type Presence } from '@fernbrake/core/classes'
import { clockTime } from '@fernbrake/core/media'
import { Frond, type FrondCue } from '@fernbrake/player'
import { call } from '../api/client.ts'
import { writeMoment } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ classId: string; assignmentId: string }>()
const { t, n } = useI18n()
const EVERY_MS = 5000
const fetchNow = () =>
  call('assignmentNow', { params: { classId: props.classId, assignmentId: props.assignmentId } })
const { value, error, reload } = useLoaded(fetchNow)
let isAsking = false
const timer = setInterval(() => {
  if (document.hidden || isAsking || !value.value) return
  isAsking = true
  fetchNow()
    .then(
      (now) => (value.value = now),
      // What cannot be asked just now is asked again; what is shown says from when it is.
      () => undefined,
    )
    .finally(() => (isAsking = false))
}, EVERY_MS)
onScopeDispose(() => clearInterval(timer))

const rows = computed(() => {
  const now = value.value
  return (now?.learners ?? []).map(({ personId, name, attempt }) => {
    const part = attempt?.part ? now!.parts[attempt.part] : undefined
    const presence = presenceAt(attempt?.lastSeenAt ?? null, new Date(now!.at))
    const cues = (part?.cues ?? []).map((cue): FrondCue => {
      const isRight = attempt!.answered[cue.id]
      const standing = isRight === undefined ? 'open' : isRight ? 'right' : 'answered'
      return { ...cue, label: '', ...(cue.kind === 'question' ? { standing } : {}) }
    })
    return { personId, name, attempt, part, presence, cues }
  })
})
type Row = (typeof rows.value)[number]
const PRESENCES: Presence[] = ['here', 'quiet', 'away']
const counted = computed(() =>
  PRESENCES.map((presence) => ({
    presence,
    count: rows.value.filter((row) => row.presence === presence).length,
  })).filter(({ count, presence }) => count > 0 || presence === 'here'),
)
function where({ attempt, part }: Row): string {
  if (!attempt) return t('now.notBegun')
  if (attempt.finished) return t('now.finished')
  if (!part) return t('now.begun')
  const place = t('now.part', { number: n(part.number), title: part.title })
  return attempt.atMs > 0 ? `${place} · ${clockTime(attempt.atMs)}` : place
}
watchEffect(() => (document.title = t('now.title', { title: value.value?.title ?? '' })))
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" @retry="reload">
    <template #back>
      <RouterLink :to="{ name: 'standing', params: { classId, assignmentId } }">{{
        t('now.toStanding')
      }}</RouterLink>
    </template>
    <template v-if="value">
      <h1 dir="auto">{{ t('now.title', { title: value.title }) }}</h1>
      <p class="sentence">
        <span v-for="one in counted" :key="one.presence">{{
          t(`now.count.${one.presence}`, one.count)
        }}</span>
        <span class="muted">{{ t('now.asOf', { when: writeMoment(new Date(value.at)) }) }}</span>
      </p>
      <ul>
        <li v-for="row in rows" :key="row.personId" :class="row.presence">
          <span class="who">
            <b dir="auto">{{ row.name }}</b>
            <small>{{ t(`now.is.${row.presence}`) }}</small>
          </span>
          <span class="where" dir="auto">{{ where(row) }}</span>
          <Frond
            v-if="row.part && row.part.stemMs > 0"
            :duration-ms="row.part.stemMs"
            :cues="row.cues"
            :covered="row.attempt!.covered"
            :playhead-ms="row.attempt!.atMs"
            small
            :labels="false"
          />
        </li>
      </ul>
    </template>
  </ManagedPage>
</template>

<style scoped>
.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 8px 0 18px;
  font-family: var(--reading);
  font-size: 17px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  align-content: start;
  gap: 2px;
  min-height: 104px;
  padding: 10px 14px;
  border: 1px solid var(--line);
  border-inline-start: 4px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
li.here {
  border-inline-start-color: var(--fern);
}
li.away {
  background: none;
}
.who {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
li.here small {
  color: var(--fern);
  font-weight: 650;
}
small,
.where {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
