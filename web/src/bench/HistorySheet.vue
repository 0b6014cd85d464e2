<script setup lang="ts">
// The history of the lesson by day; any state in it can be gone back to.
import Button from 'primevue/button'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { HistoryEntry } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import SheetFrame from './SheetFrame.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { writeClock, writeDay } from '../ui/dates.ts'
import { useRights, useBench } from './useBench.ts'
import { useEditWords } from './useEditWords.ts'

const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const entries = shallowRef<readonly HistoryEntry[]>([])
const more = ref(false)
const oldest = ref<number | null>(null)
const loading = ref(true)
const fault = shallowRef<unknown>(null)
const goingTo = ref<number | null>(null)
const { lessonId } = bench.draft
/** Edits of one kind by one person within this time are told as one, in ms. */
const TOGETHER_MS = 5 * 60_000

interface Step {
  /** The state after all of it. */
  revision: number
  name: string
  personName: string | null
  at: Date
  count: number
}

/** The entries by day, those that carry on one another taken together; all newest first. */
const days = computed(() => {
  const groups: { day: string; steps: Step[] }[] = []
  for (const { revision, name, personName, madeAt } of entries.value) {
    const at = new Date(madeAt)
    const day = writeDay(at)
    if (groups.at(-1)?.day !== day) groups.push({ day, steps: [] })
    const { steps } = groups.at(-1)!
    const later = steps.at(-1)
    const goesOn =
      later?.name === name &&
      later.personName === personName &&
      later.at.getTime() - at.getTime() < TOGETHER_MS
    if (goesOn) Object.assign(later, { at, count: later.count + 1 })
    else steps.push({ revision, name, personName, at, count: 1 })
  }
  return groups
})
const newest = computed(() => entries.value[0]?.revision ?? 0)
const { editWord } = useEditWords()
const canGoBackTo = (revision: number) => oldest.value !== null && revision >= oldest.value

async function load(before?: number): Promise<void> {
  loading.value = true
  fault.value = null
  try {
    const reply = await call('history', { params: { lessonId }, query: before ? { before } : {} })
    entries.value = before ? [...entries.value, ...reply.entries] : reply.entries
    more.value = reply.more
    oldest.value = reply.oldest
  } catch (error) {
    fault.value = error
  } finally {
    loading.value = false
  }
}
onMounted(() => load())

async function goBackTo(revision: number): Promise<void> {
  goingTo.value = revision
  fault.value = null
  try {
    // What is not sent yet must be in the history before it is gone back behind.
    await bench.draft.send()
    const { lesson } = await call('stateAt', { params: { lessonId, revision } })
    if (bench.draft.make(edits.restoreLesson, { lesson })) emit('close')
  } catch (error) {
    fault.value = error
  } finally {
    goingTo.value = null
  }
}
</script>

<template>
  <SheetFrame :title="t('history.title')" :aria-busy="loading" @close="emit('close')">
    <p class="help">{{ t('history.help') }}</p>
    <FaultNotice v-if="fault" :error="fault" @retry="load()" />
    <section v-for="{ day, steps } in days" :key="day">
      <h3>{{ day }}</h3>
      <ol>
        <li v-for="step in steps" :key="step.revision">
          <span class="mono at">{{ writeClock(step.at) }}</span>
          <span class="what">
            {{ t('history.times', { name: editWord(step.name), n: step.count }, step.count) }}
            <span class="who">{{ step.personName ?? t('history.someone') }}</span>
          </span>
          <span v-if="step.revision === newest" class="who">{{ t('history.now') }}</span>
          <Button
            v-else-if="rights.canEdit.value && canGoBackTo(step.revision)"
            :label="t('history.goBack')"
            :aria-label="
              t('history.goBackLong', { name: editWord(step.name), time: writeClock(step.at) })
            "
            severity="secondary"
            variant="text"
            size="small"
            :loading="goingTo === step.revision"
            :disabled="goingTo !== null"
            @click="goBackTo(step.revision)"
          />
        </li>
      </ol>
    </section>
    <div v-if="loading" class="bones" role="status" :aria-label="t('app.loading')">
      <div v-for="bone in 5" :key="bone" class="skeleton" />
    </div>
    <Button
      v-else-if="more"
      :label="t('history.more')"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="load(entries.at(-1)?.revision)"
    />
    <p v-else class="who">
      {{ oldest ? t('history.tooOld') : t('history.begun') }}
    </p>
  </SheetFrame>
</template>

<style scoped>
h3 {
  font-size: 15px;
}
.help,
.who {
  font-size: 13.5px;
  color: var(--ink-2);
}
ol {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 36px;
  border-bottom: 1px solid var(--line);
}
.at {
  font-size: 13.5px;
  color: var(--ink-2);
  white-space: nowrap;
}
.what {
  flex: 1;
}
.what::first-letter {
  text-transform: uppercase;
}
.what .who {
  margin-inline-start: 6px;
}
li > :last-child {
  flex: none;
}
.bones .skeleton {
  height: 24px;
  margin-bottom: 12px;
}
</style>
