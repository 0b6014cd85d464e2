<script setup lang="ts">
// The mark book of a class: everybody in a line, an assignment in a column, all together by weight.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { weightedShare } from '@fernbrake/core/analysis'
import { mean } from '@fernbrake/core/statistics'
import { call } from '../api/client.ts'
import { useFigures } from '../reports/useReport.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import FormatLinks from '../reports/FormatLinks.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ classId: string }>()
const { t, n } = useI18n()
const { percent, figure } = useFigures()
const { value, error, loading, reload } = useLoaded(() =>
  call('markBook', { params: { classId: props.classId } }),
)
const fault = ref<unknown>(null)
const book = computed(() => value.value)
/** Those who left stand last. */
const learners = computed(() =>
  [...(book.value?.learners ?? [])].sort((a, b) => Number(a.hasLeft) - Number(b.hasLeft)),
)
const meanOfKnown = (shares: (number | null)[]) => mean(shares.filter((share) => share !== null))
const meanOf = (assignmentId: string) =>
  meanOfKnown(
    learners.value
      .filter(({ hasLeft }) => !hasLeft)
      .map(({ marks }) => marks[assignmentId])
      .map((mark) => (mark?.state === 'marked' && mark.max > 0 ? mark.points / mark.max : null)),
  )

/** The sums follow at once; where the server will not have it, the weight that it knows comes back. */
async function weigh(assignmentId: string, typed: string): Promise<void> {
  const weight = Math.min(100, Math.max(0, Number(typed.replace(',', '.'))))
  if (!book.value || !Number.isFinite(weight)) return
  const assignments = book.value.assignments.map((one) =>
    one.id === assignmentId ? { ...one, weight } : one,
  )
  const shareOf = ({ marks }: (typeof learners.value)[number]) =>
    weightedShare(assignments.map(({ id, weight: w }) => ({ weight: w, mark: marks[id]! })))
  value.value = {
    ...book.value,
    assignments,
    learners: book.value.learners.map((one) => ({ ...one, share: shareOf(one) })),
  }
  fault.value = null
  try {
    await call('weighAssignment', {
      params: { classId: props.classId, assignmentId },
      body: { weight },
    })
  } catch (caught) {
    fault.value = caught
    await reload()
  }
}
/** The cell changes once the server has it; the sum is worked out there. */
async function excuse(
  { personId, marks }: (typeof learners.value)[number],
  assignmentId: string,
): Promise<void> {
  fault.value = null
  try {
    await call('excuse', {
      params: { classId: props.classId, assignmentId, personId },
      body: { isExcused: marks[assignmentId]!.state !== 'excused' },
    })
  } catch (caught) {
    fault.value = caught
  }
  await reload()
}
</script>

<template>
  <section :aria-label="t('markBook.title')">
    <FaultNotice v-if="error ?? fault" :error="error ?? fault" @retry="reload" />
    <div v-if="loading && !book" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <p v-else-if="book && book.assignments.length === 0" class="empty">{{ t('markBook.none') }}</p>
    <template v-else-if="book">
      <div class="head">
        <p class="muted help">{{ t('markBook.help') }}</p>
        <FormatLinks
          :address-of="(format) => `/api/classes/${classId}/mark-book/file?format=${format}`"
        />
      </div>
      <div class="scroll" tabindex="0" role="region" :aria-label="t('markBook.title')">
        <table>
          <thead>
            <tr>
              <th scope="col">{{ t('classes.name') }}</th>
              <th v-for="one in book.assignments" :key="one.id" scope="col">
                <RouterLink
                  :to="{ name: 'standing', params: { classId, assignmentId: one.id } }"
                  dir="auto"
                  >{{ one.title }}</RouterLink
                >
                <small class="muted">{{ t('markBook.outOf', { max: figure(one.max) }) }}</small>
                <RouterLink
                  v-if="one.waiting > 0"
                  class="waiting"
                  :to="{ name: 'desk', params: { source: 'assignment', sourceId: one.id } }"
                  >{{ t('markBook.waiting', one.waiting) }}</RouterLink
                >
                <label class="weight">
                  {{ t('markBook.weight') }}
                  <input
                    type="text"
                    inputmode="decimal"
                    :aria-label="t('markBook.weightOf', { title: one.title })"
                    :value="n(one.weight)"
                    @change="weigh(one.id, ($event.target as HTMLInputElement).value)"
                  />
                </label>
              </th>
              <th scope="col">{{ t('markBook.all') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="learner in learners"
              :key="learner.personId"
              :class="{ left: learner.hasLeft }"
            >
              <th scope="row" dir="auto">
                {{ learner.name }}
                <small v-if="learner.hasLeft" class="muted">{{ t('assign.notMeant') }}</small>
              </th>
              <td v-for="one in book.assignments" :key="one.id">
                <span class="cell">
                  <span v-if="learner.marks[one.id]!.state === 'marked'" class="mono">{{
                    figure(learner.marks[one.id]!.points)
                  }}</span>
                  <span
                    v-else
                    class="none"
                    :class="learner.marks[one.id]!.state === 'missing' ? 'missing' : 'muted'"
                    >{{ t(`markBook.state.${learner.marks[one.id]!.state}`) }}</span
                  >
                  <button
                    v-if="learner.marks[one.id]!.state !== 'notGiven'"
                    type="button"
                    class="excuse"
                    :aria-label="
                      t(
                        learner.marks[one.id]!.state === 'excused'
                          ? 'markBook.countFor'
                          : 'markBook.excuseFrom',
                        { name: learner.name, title: one.title },
                      )
                    "
                    @click="excuse(learner, one.id)"
                  >
                    {{
                      t(
                        learner.marks[one.id]!.state === 'excused'
                          ? 'markBook.count'
                          : 'markBook.excuse',
                      )
                    }}
                  </button>
                </span>
              </td>
              <td>
                <span class="whole">
                  <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
                    <rect width="100" height="8" class="room" />
                    <rect :width="(learner.share ?? 0) * 100" height="8" class="part" />
                  </svg>
                  <span class="mono">{{ percent(learner.share) }}</span>
                </span>
              </td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">{{ t('markBook.mean') }}</th>
              <td v-for="one in book.assignments" :key="one.id" class="mono">
                {{ percent(meanOf(one.id)) }}
              </td>
              <td class="mono">
                <span class="whole">
                  <span />
                  <span>{{
                    percent(
                      meanOfKnown(
                        learners.filter(({ hasLeft }) => !hasLeft).map(({ share }) => share),
                      ),
                    )
                  }}</span>
                </span>
              </td>
            </tr>
          </tfoot>
        </table>
      </div>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px 24px;
  margin-bottom: 12px;
}
.help {
  max-width: 70ch;
}
.scroll {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
  text-align: start;
  vertical-align: baseline;
}
thead th {
  min-width: 150px;
  max-width: 240px;
  vertical-align: bottom;
}
thead small,
.waiting {
  display: block;
  font-weight: 400;
  font-size: 13.5px;
}
.waiting {
  color: var(--rust);
}
.weight {
  display: block;
  margin-top: 4px;
  font-weight: 400;
  font-size: 13.5px;
  color: var(--ink-2);
}
.weight input {
  width: 3.6em;
  padding: 2px 6px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
tbody th,
tfoot th {
  position: sticky;
  inset-inline-start: 0;
  background: var(--surface);
  font-weight: 500;
  white-space: nowrap;
}
tfoot th,
tfoot td {
  border-bottom: 0;
  font-weight: 650;
}
.none {
  font-size: 13.5px;
}
.missing {
  color: var(--rust);
}
.cell {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
}
/* Seldom wanted, and there are as many as cells: it comes with the pointer or the focus, and stays where there is neither. */
.excuse {
  min-height: 24px;
  padding: 0 4px;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 13.5px;
  text-decoration: underline;
  cursor: pointer;
}
@media (hover: hover) {
  .excuse {
    opacity: 0;
  }
  td:hover .excuse,
  .excuse:focus-visible {
    opacity: 1;
  }
}
.whole {
  display: grid;
  grid-template-columns: minmax(60px, 1fr) 3.6em;
  gap: 10px;
  align-items: center;
}
.whole svg {
  width: 100%;
  height: 9px;
}
.whole > span {
  text-align: end;
}
.room {
  fill: var(--sunk);
}
.part {
  fill: var(--fern);
}
.bone {
  height: 320px;
}
</style>
