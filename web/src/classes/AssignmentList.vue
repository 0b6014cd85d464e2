<script setup lang="ts">
// What a class was given, in the order of its page: dragged, or moved by its buttons.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { phaseAt } from '@fernbrake/core/classes'
import type { Assignment, Class } from '@fernbrake/core/contract'
import LessonPicture from '../home/LessonPicture.vue'
import { writeInZone } from '../ui/dates.ts'

const props = defineProps<{
  school: Class
  assignments: readonly Assignment[]
  chosenId: string | null
}>()
const emit = defineEmits<{ choose: [id: string]; place: [id: string, beforeId: string | null] }>()
const { t, n } = useI18n()
const running = computed(() => props.assignments.filter(({ isWithdrawn }) => !isWithdrawn))
const back = computed(() => props.assignments.filter(({ isWithdrawn }) => isWithdrawn))
const when = (iso: string) => writeInZone(iso, props.school.timeZone)
function timesOf(one: Assignment): string {
  const { opensAt, dueAt, closesAt } = one
  const phase = phaseAt(one, new Date())
  return [
    ...(phase === 'early' ? [t('assign.opensOn', { when: when(opensAt!) })] : []),
    ...(dueAt ? [t('assign.dueOn', { when: when(dueAt) })] : []),
    ...(closesAt
      ? [t(phase === 'closed' ? 'assign.closedOn' : 'assign.closesOn', { when: when(closesAt) })]
      : []),
  ].join(' · ')
}
function whomOf({ groups, people }: Assignment): string {
  if (people.length > 0) return t('assign.forPeople', people.length)
  const titles = props.school.groups.filter(({ id }) => groups.includes(id)).map((one) => one.title)
  return titles.length > 0 ? titles.join(', ') : t('assign.for.all')
}
function move(index: number, by: 1 | -1): void {
  const list = running.value
  const before = by === -1 ? list[index - 1] : list[index + 2]
  emit('place', list[index]!.id, before?.id ?? null)
}
const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
function drop(beforeId: string | null): void {
  if (dragged.value && dragged.value !== beforeId) emit('place', dragged.value, beforeId)
  dragged.value = over.value = null
}
</script>

<template>
  <ol class="list" :aria-label="t('assign.title')" @dragover.prevent @drop.prevent="drop(null)">
    <li
      v-for="(one, index) in running"
      :key="one.id"
      :class="{ chosen: one.id === chosenId, over: over === one.id && dragged !== one.id }"
      draggable="true"
      @dragstart="dragged = one.id"
      @dragend="dragged = over = null"
      @dragover.prevent="over = one.id"
      @drop.prevent.stop="drop(one.id)"
    >
      <span class="picture"><LessonPicture :media-id="one.posterMediaId" /></span>
      <div class="words">
        <RouterLink
          class="title"
          :to="{ name: 'standing', params: { classId: school.id, assignmentId: one.id } }"
          dir="auto"
          >{{ one.title }}</RouterLink
        >
        <span class="muted">{{ whomOf(one) }}</span>
        <span v-if="timesOf(one)">{{ timesOf(one) }}</span>
        <span class="bar" aria-hidden="true"
          ><span :style="{ width: `${(100 * one.begun) / Math.max(1, one.learners)}%` }"
        /></span>
        <span class="muted">{{
          t('assign.begunOf', { begun: n(one.begun), learners: n(one.learners) })
        }}</span>
      </div>
      <div class="acts">
        <Button
          :label="t('assign.change')"
          :aria-label="t('assign.changeWhich', { title: one.title })"
          :aria-expanded="one.id === chosenId"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="emit('choose', one.id)"
        />
        <Button
          :label="t('assign.earlier')"
          :aria-label="t('assign.earlierWhich', { title: one.title })"
          size="small"
          severity="secondary"
          variant="text"
          :disabled="index === 0"
          @click="move(index, -1)"
        />
        <Button
          :label="t('assign.later')"
          :aria-label="t('assign.laterWhich', { title: one.title })"
          size="small"
          severity="secondary"
          variant="text"
          :disabled="index === running.length - 1"
          @click="move(index, 1)"
        />
      </div>
    </li>
  </ol>
  <template v-if="back.length > 0">
    <h2>{{ t('assign.takenBack') }}</h2>
    <ul class="list back">
      <li v-for="one in back" :key="one.id">
        <RouterLink
          class="title"
          :to="{ name: 'standing', params: { classId: school.id, assignmentId: one.id } }"
          dir="auto"
          >{{ one.title }}</RouterLink
        >
        <span class="muted">{{
          t('assign.begunOf', { begun: n(one.begun), learners: n(one.learners) })
        }}</span>
        <Button
          :label="t('assign.change')"
          :aria-label="t('assign.changeWhich', { title: one.title })"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="emit('choose', one.id)"
        />
      </li>
    </ul>
  </template>
</template>

<style scoped>
.list {
  display: grid;
  gap: 12px;
  margin: 0 0 20px;
  padding: 0;
  list-style: none;
}
.list li {
  display: grid;
  grid-template-columns: 128px minmax(0, 1fr) auto;
  gap: 18px;
  align-items: center;
  padding: 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.list.back li {
  grid-template-columns: minmax(0, 1fr) auto auto;
}
.list li.chosen {
  border-color: var(--ink);
}
.list li.over {
  border-top: 3px solid var(--fern);
}
.picture {
  display: grid;
  place-items: center;
  width: 128px;
  aspect-ratio: 16 / 9;
  background: var(--sunk);
}
.picture :deep(img) {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.words {
  display: grid;
  gap: 3px;
  min-width: 0;
}
.title {
  font-family: var(--reading);
  font-size: 17px;
  font-weight: 600;
  color: var(--ink);
}
.bar {
  height: 4px;
  max-width: 260px;
  background: var(--line);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--fern);
}
.acts {
  display: grid;
  justify-items: stretch;
  gap: 4px;
}
h2 {
  margin-bottom: 10px;
}
@media (max-width: 1000px) {
  .list li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .list li > .picture {
    display: none;
  }
}
</style>
