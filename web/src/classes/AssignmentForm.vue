<script setup lang="ts">
// How a lesson is given to a class: to whom, when, how often, under which rules.
import Button from 'primevue/button'
import { computed, reactive, ref, useId } from 'vue'
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import {
  COMPLETIONS,
  FEEDBACK_TIMES,
  SEEK_RULES,
  timesFault,
  TOP_RATES,
  usualRules,
} from '@fernbrake/core/classes'
import { MOST_ATTEMPTS, type Assignment, type Class } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import WallClockField from './WallClockField.vue'

const props = defineProps<{
  school: Class
  assignment: Assignment | null
  busy: boolean
  /** Why it could not be kept. */
  fault: unknown
  /** The lesson that is chosen at first, of a new assignment. */
  lessonId?: string | null
}>()
const emit = defineEmits<{ save: [given: Given]; drop: [] }>()
type Given = Pick<
  Assignment,
  | 'id'
  | 'lessonId'
  | 'opensAt'
  | 'dueAt'
  | 'closesAt'
  | 'mostAttempts'
  | 'rules'
  | 'groups'
  | 'people'
>
const { t, n } = useI18n()
const known = props.assignment
const given = reactive<Given>({
  id: known?.id ?? nanoid(),
  lessonId: known?.lessonId ?? props.lessonId ?? '',
  opensAt: known?.opensAt ?? null,
  dueAt: known?.dueAt ?? null,
  closesAt: known?.closesAt ?? null,
  mostAttempts: known ? known.mostAttempts : 1,
  rules: structuredClone(known?.rules ?? usualRules()),
  // A group may be gone since; whoever assigns it again picks another.
  groups: props.school.groups.map(({ id }) => id).filter((id) => known?.groups.includes(id)),
  people: [...(known?.people ?? [])],
})
const {
  value: lessons,
  error,
  reload,
} = useLoaded(() => call('lessons').then((reply) => reply.lessons))
const choices = computed(() =>
  (lessons.value ?? [])
    .filter(({ editionNumber }) => editionNumber !== null)
    .map((lesson) => ({ value: lesson.id, label: lesson.title || t('bench.untitled') })),
)
type Whom = 'all' | 'groups' | 'people'
const whom = ref<Whom>(known?.groups.length ? 'groups' : known?.people.length ? 'people' : 'all')
const WHOM: Whom[] = ['all', 'groups', 'people']
const here = computed(() => props.school.members.filter(({ leftAt }) => leftAt === null))
const badTimes = computed(() => timesFault(given))
/** The time that would have to be another. */
const faultAt = (time: 'due' | 'closes') =>
  badTimes.value?.startsWith(time) ? t(`assign.times.${badTimes.value}`) : null
const isEmpty = computed(
  () =>
    (whom.value === 'groups' && given.groups.length === 0) ||
    (whom.value === 'people' && given.people.length === 0),
)
const labelled = <Value,>(values: readonly Value[], write: (value: Value) => string) =>
  values.map((value) => ({ value, label: write(value) }))
const seeks = labelled(SEEK_RULES, (rule) => t(`assign.seek.${rule}`))
const rates = labelled(TOP_RATES, (rate) => t('assign.rateTimes', { rate: n(rate) }))
const feedback = computed({
  get: () => given.rules.feedback ?? 'atOnce',
  set: (when) => (given.rules.feedback = when),
})
const feedbacks = labelled(FEEDBACK_TIMES, (when) => t(`assign.feedback.${when}`))
const TALKS = ['off', 'on'] as const
const talk = computed({
  get: () => (given.rules.talk ? 'on' : 'off'),
  set: (word) => (given.rules.talk = word === 'on'),
})
const talks = labelled(TALKS, (word) => t(`assign.talk.${word}`))
const MARKERS = ['server', 'device'] as const
const marker = computed({
  get: () => (given.rules.marksOffline ? 'device' : 'server'),
  set: (where) => (given.rules.marksOffline = where === 'device'),
})
const markers = labelled(MARKERS, (where) => t(`assign.marker.${where}`))
/** Nobody would ever be told. */
const tellsNever = computed(
  () =>
    (feedback.value === 'afterClosing' && !given.closesAt) ||
    (feedback.value === 'afterDue' && !given.dueAt && !given.closesAt),
)
const completions = labelled(COMPLETIONS, (by) => t(`assign.by.${by}`))
/** A list shows no value that is null, so any number of attempts is 0 in it. */
const ANY = 0
const mostAttempts = computed({
  get: () => given.mostAttempts ?? ANY,
  set: (count) => (given.mostAttempts = count === ANY ? null : count),
})
const attempts = labelled([ANY, 1, 2, 3, 4, 5, 10, MOST_ATTEMPTS], (count) =>
  count === ANY ? t('assign.anyAttempts') : n(count),
)
const needsShare = computed(() => ['watched', 'score'].includes(given.rules.completion.by))

/** What it still needs before it can be given. */
const missing = computed(() => {
  if (given.lessonId === '') return 'lesson'
  if (isEmpty.value) return whom.value
  return badTimes.value ? 'times' : tellsNever.value ? 'telling' : null
})
const missingId = useId()

function toggle(list: string[], one: string, isIn: boolean): void {
  const at = list.indexOf(one)
  if (isIn && at === -1) list.push(one)
  if (!isIn && at !== -1) list.splice(at, 1)
}
const isOn = (event: Event) => (event.target as HTMLInputElement).checked
function save(): void {
  const { rules, groups, people } = given
  emit('save', {
    ...given,
    rules: { ...rules, completion: { ...rules.completion } },
    groups: whom.value === 'groups' ? [...groups] : [],
    people: whom.value === 'people' ? [...people] : [],
  })
}
</script>

<template>
  <form class="sheet-form" @submit.prevent="save">
    <b v-if="known" dir="auto">{{ known.title }}</b>
    <LabelledSelect
      v-else
      v-model="given.lessonId"
      :label="t('assign.lesson')"
      :options="choices"
      :placeholder="t('assign.pick')"
      :loading="lessons === null && !error"
      filter
    />
    <p v-if="lessons && choices.length === 0" class="help">{{ t('assign.noLessons') }}</p>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <fieldset>
      <legend>{{ t('assign.whom') }}</legend>
      <template v-for="one in WHOM" :key="one">
        <label v-if="one !== 'groups' || school.groups.length > 0" class="check">
          <input v-model="whom" type="radio" :value="one" /> {{ t(`assign.for.${one}`) }}
        </label>
      </template>
      <div v-if="whom === 'groups'" class="targets">
        <label v-for="group in school.groups" :key="group.id" class="check">
          <input
            type="checkbox"
            :checked="given.groups.includes(group.id)"
            @change="toggle(given.groups, group.id, isOn($event))"
          />
          <span dir="auto">{{ group.title }}</span>
        </label>
      </div>
      <div v-if="whom === 'people'" class="targets">
        <label v-for="member in here" :key="member.id" class="check">
          <input
            type="checkbox"
            :checked="given.people.includes(member.id)"
            @change="toggle(given.people, member.id, isOn($event))"
          />
          <span dir="auto">{{ member.name }}</span>
        </label>
      </div>
    </fieldset>
    <fieldset>
      <legend>{{ t('assign.when') }}</legend>
      <WallClockField v-model="given.opensAt" :label="t('assign.opens')" :zone="school.timeZone" />
      <WallClockField
        v-model="given.dueAt"
        :label="t('assign.due')"
        :zone="school.timeZone"
        :fault="faultAt('due')"
      />
      <WallClockField
        v-model="given.closesAt"
        :label="t('assign.closes')"
        :zone="school.timeZone"
        :fault="faultAt('closes')"
      />
      <p class="help">{{ t('assign.zone', { zone: school.timeZone.replaceAll('_', ' ') }) }}</p>
    </fieldset>
    <fieldset>
      <legend>{{ t('assign.rules') }}</legend>
      <LabelledSelect v-model="mostAttempts" :label="t('assign.attempts')" :options="attempts" />
      <LabelledSelect v-model="given.rules.seek" :label="t('assign.seekLabel')" :options="seeks" />
      <LabelledSelect v-model="given.rules.topRate" :label="t('assign.rate')" :options="rates" />
      <LabelledSelect v-model="feedback" :label="t('assign.feedbackLabel')" :options="feedbacks" />
      <p v-if="tellsNever" class="fault" role="alert">{{ t('assign.tellsNever') }}</p>
      <LabelledSelect v-model="marker" :label="t('assign.markerLabel')" :options="markers" />
      <p class="help">{{ t(`assign.markerHelp.${marker}`) }}</p>
      <LabelledSelect v-model="talk" :label="t('assign.talkLabel')" :options="talks" />
      <LabelledSelect
        v-model="given.rules.completion.by"
        :label="t('assign.complete')"
        :options="completions"
      />
      <label v-if="needsShare" class="check">
        {{ t(`assign.share.${given.rules.completion.by}`) }}
        <input
          class="share"
          type="number"
          min="1"
          max="100"
          step="1"
          :value="Math.round(given.rules.completion.share * 100)"
          @input="
            given.rules.completion.share =
              Math.min(100, Math.max(1, Number(($event.target as HTMLInputElement).value))) / 100
          "
        />
        %
      </label>
    </fieldset>
    <FaultNotice v-if="fault" :error="fault" @retry="save" />
    <Button
      type="submit"
      :label="t(!known ? 'assign.give' : known.isWithdrawn ? 'assign.giveAgain' : 'assign.keep')"
      :disabled="missing !== null"
      :aria-describedby="missing ? missingId : undefined"
      :loading="busy"
    />
    <p v-if="missing" :id="missingId" class="help">{{ t(`assign.missing.${missing}`) }}</p>
    <template v-if="known && !known.isWithdrawn">
      <p class="help">{{ t('assign.dropHelp') }}</p>
      <Button
        :label="t('assign.drop')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="busy"
        @click="emit('drop')"
      />
    </template>
  </form>
</template>

<style scoped>
.targets {
  display: grid;
  gap: 4px;
  max-height: 220px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  overflow-y: auto;
}
.share {
  width: 5em;
  padding: 4px 8px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
</style>
