<script setup lang="ts">
// What my classes gave me to learn, class by class: what is due, how far I am, what I can do next.
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { attemptThatCounts, phaseAt } from '@fernbrake/core/classes'
import type { MyAssignment, MyClass } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { writeDayAndTime } from '../ui/dates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import LessonPicture from './LessonPicture.vue'

const props = defineProps<{ classes: readonly MyClass[] }>()
const emit = defineEmits<{ changed: [] }>()
const { t, n } = useI18n()
const fault = shallowRef<unknown>(null)
const busy = ref<string | null>(null)
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
const when = (iso: string) => writeDayAndTime(new Date(iso))

const classes = computed(() =>
  props.classes.map((school) => ({ ...school, cards: school.assignments.map(cardOf) })),
)

function cardOf(one: MyAssignment) {
  const phase = phaseAt(one, new Date())
  const last = one.attempts.at(-1) ?? null
  const best = attemptThatCounts(one.attempts)
  const left = (one.mostAttempts ?? Infinity) - one.attempts.length
  const isDone = best?.isComplete ?? false
  const isOpen = phase === 'open' || phase === 'late'
  // Told what is right, nobody begins anew.
  const canAgain = last !== null && left > 0 && isOpen && !one.wasTold
  const byHand =
    one.rules.completion.by === 'hand' && last !== null && !isDone && phase !== 'closed'
  return { ...one, phase, last, best, left, isDone, canAgain, byHand }
}
type Card = ReturnType<typeof cardOf>

function stateWords({ phase, opensAt, dueAt, closesAt, isDone }: Card): string {
  if (phase === 'early') return t('work.opens', { when: when(opensAt!) })
  if (phase === 'closed') return t('work.closed', { when: when(closesAt!) })
  if (isDone) return t('work.done')
  if (phase === 'late') return t('work.late', { when: when(dueAt!) })
  return dueAt ? t('work.due', { when: when(dueAt) }) : t('work.open')
}
function wanted({ rules: { completion }, mostAttempts }: Card): string {
  const done = t(`work.by.${completion.by}`, { share: percent(completion.share) })
  return mostAttempts === null ? done : `${done} ${t('work.attempts', mostAttempts)}`
}

async function act(id: string, carryOut: () => Promise<void>): Promise<void> {
  busy.value = id
  fault.value = null
  try {
    await carryOut()
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = null
  }
}
const begin = (one: Card) =>
  act(one.id, async () => {
    const body = { number: one.attempts.length + 1 }
    const { attemptId } = await call('beginAssignment', { params: { assignmentId: one.id }, body })
    // The learner's page is not of this application.
    location.assign(`/learn/${attemptId}`)
  })
const confirm = (one: Card) =>
  act(one.id, async () => {
    await call('confirmAttempt', { params: { attemptId: one.last!.id } })
    emit('changed')
  })
</script>

<template>
  <FaultNotice v-if="fault" :error="fault" @retry="emit('changed')" />
  <section v-for="school in classes" :key="school.id" :aria-label="school.title">
    <h2 dir="auto">{{ school.title }}</h2>
    <p v-if="school.cards.length === 0" class="muted">{{ t('work.nothing') }}</p>
    <ul>
      <li v-for="one in school.cards" :key="one.id" :class="one.phase">
        <span class="picture"><LessonPicture :media-id="one.posterMediaId" /></span>
        <div class="words">
          <b dir="auto">{{ one.title }}</b>
          <span
            class="stands"
            :class="{ done: one.isDone, late: one.phase === 'late' && !one.isDone }"
            >{{ stateWords(one) }}</span
          >
          <span v-if="one.best" class="muted">
            <template v-if="one.best.watched !== null"
              >{{ t('home.watched', { share: percent(one.best.watched) }) }} ·
            </template>
            {{ t('home.answered', { answered: one.best.answered, questions: one.best.questions }) }}
            <template v-if="one.best.max > 0 && one.tells">
              ·
              {{
                t('work.marks', {
                  points: n(one.best.points, { maximumFractionDigits: 1 }),
                  max: n(one.best.max),
                })
              }}
            </template>
          </span>
          <span v-if="one.last && one.last.marked > 0" class="marked">{{
            t('work.marked', one.last.marked)
          }}</span>
          <span v-if="one.newReplies > 0" class="marked">{{
            t('work.replied', { n: n(one.newReplies) }, one.newReplies)
          }}</span>
          <span v-if="!one.isDone && one.phase !== 'closed'" class="muted">{{ wanted(one) }}</span>
        </div>
        <div class="acts">
          <a v-if="one.last" class="go" :href="`/learn/${one.last.id}`">{{
            one.last.finishedAt || one.phase === 'closed' ? t('home.lookAgain') : t('home.goOn')
          }}</a>
          <RouterLink
            v-if="one.last"
            :to="{ name: 'my-results', params: { attemptId: one.last.id } }"
            :aria-label="t('work.resultsWhich', { title: one.title })"
            >{{ t('work.results') }}</RouterLink
          >
          <button
            v-if="!one.last && (one.phase === 'open' || one.phase === 'late')"
            type="button"
            class="fb-button act"
            :aria-label="t('work.beginWhich', { title: one.title })"
            :aria-busy="busy === one.id"
            :disabled="busy === one.id"
            @click="begin(one)"
          >
            {{ t('work.begin') }}
          </button>
          <button
            v-if="one.canAgain"
            type="button"
            class="fb-button small"
            :aria-busy="busy === one.id"
            :disabled="busy === one.id"
            @click="begin(one)"
          >
            {{ t('work.again', { number: one.attempts.length + 1 }) }}
          </button>
          <button
            v-if="one.byHand"
            type="button"
            class="fb-button small"
            :aria-busy="busy === one.id"
            :disabled="busy === one.id"
            @click="confirm(one)"
          >
            {{ t('work.confirm') }}
          </button>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 28px;
}
h2 {
  margin-bottom: 10px;
}
ul {
  display: grid;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 128px minmax(0, 1fr) auto;
  gap: 18px;
  align-items: center;
  padding-block: 10px;
  padding-inline: 10px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
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
  gap: 2px;
  min-width: 0;
}
b {
  font-family: var(--reading);
  font-size: 17px;
}
.stands {
  font-weight: 600;
}
.stands.late {
  color: var(--rust);
}
.stands.done {
  color: var(--fern);
}
.marked {
  font-weight: 650;
  color: var(--fern);
}
.acts {
  display: grid;
  gap: 8px;
  justify-items: end;
}
.go {
  padding: 8px 16px;
  border: 1px solid var(--fern);
  border-radius: var(--radius);
  font-weight: 650;
  text-decoration: none;
}
.go:hover {
  background: var(--fern-soft);
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 96px minmax(0, 1fr);
    gap: 8px 14px;
    padding: 10px;
    align-items: start;
  }
  .picture {
    width: 96px;
  }
  .acts {
    grid-column: 1 / -1;
    justify-items: stretch;
    text-align: center;
  }
}
</style>
