<script setup lang="ts">
// The mark of the answer that is open: points or a rubric, and words to the learner. Enter gives it and goes on.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { PileAnswer } from '@fernbrake/core/contract'
import { LONGEST_COMMENT } from '@fernbrake/core/marking'
import { pointsOfLevels, rubricOf, type Question } from '@fernbrake/core/questions'
import { call } from '../api/client.ts'
import { writeMoment } from '../ui/dates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import type { Desk } from './useDesk.ts'

const props = defineProps<{ desk: Desk; answer: PileAnswer; question: Question }>()
const { t, n } = useI18n()
const { saving, fault, pile } = props.desk
const id = useId()
const draft = props.desk.draftOf(props.answer)
/** Somebody else marked it after this was begun; what was written is kept beside their mark, and is given knowingly. */
const isOvertaken = draft.revision !== (props.answer.mark?.revision ?? 0)
const criteria = computed(() => ('rubric' in props.question ? rubricOf(props.question) : []))
const levels = ref<(number | null)[]>(draft.levels ?? criteria.value.map(() => null))
const typed = ref(draft.points)
const comment = ref(draft.comment)
const first = useTemplateRef<HTMLElement>('first')
const words = useTemplateRef<HTMLTextAreaElement>('words')

const points = computed(() => {
  if (criteria.value.length > 0) return pointsOfLevels(props.question, levels.value)
  // Written with a comma or a point, as on any keyboard.
  const value = typed.value.trim() === '' ? null : Number(typed.value.trim().replace(',', '.'))
  return value !== null && Number.isFinite(value) ? value : null
})
const wrong = computed(() =>
  points.value !== null && (points.value < 0 || points.value > props.question.points)
    ? t('marking.between', { max: n(props.question.points) })
    : points.value === null && typed.value.trim() !== ''
      ? t('marking.number')
      : '',
)
const canGive = computed(() => points.value !== null && wrong.value === '')
watch([typed, levels, comment], () =>
  props.desk.keepDraft(props.answer, {
    points: typed.value,
    comment: comment.value,
    revision: draft.revision,
    levels: criteria.value.length > 0 ? [...levels.value] : null,
  }),
)

async function give(goesOn: boolean): Promise<void> {
  if (!canGive.value) return void focusFirst()
  const isKept = await props.desk.save({
    points: points.value!,
    comment: comment.value.trim(),
    levels: criteria.value.length > 0 ? [...levels.value] : null,
  })
  if (isKept && goesOn) props.desk.goOn()
}
function pick(criterion: number, level: number): void {
  levels.value = levels.value.map((one, index) => (index === criterion ? level : one))
}
/** Digits pick the level with so many points, of the criterion in which the focus is, and go on to the next one. */
function onDigit(event: KeyboardEvent, criterion: number): void {
  const level = criteria.value[criterion]!.levels.findIndex(
    ({ points: worth }) => String(worth) === event.key,
  )
  if (level === -1) return
  pick(criterion, level)
  const next = Math.min(criterion + 1, criteria.value.length - 1)
  const at = next === criterion ? level : (levels.value[next] ?? 0)
  document.getElementById(`${id}-${next}-${at}`)?.focus()
}
function add(text: string): void {
  comment.value = comment.value.trim() === '' ? text : `${comment.value.trimEnd()}\n${text}`
  void nextTick(() => words.value?.focus())
}
/** Enter makes a new line here; with Ctrl it gives the mark. Alt and a digit put in a kept comment. */
function onCommentKey(event: KeyboardEvent): void {
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault()
    return void give(true)
  }
  const kept = event.altKey
    ? pile.value?.comments[Number(event.code.replace('Digit', '')) - 1]
    : null
  if (!kept) return
  event.preventDefault()
  add(kept.words)
}
const isKept = computed(() =>
  (pile.value?.comments ?? []).some(({ words: kept }) => kept === comment.value.trim()),
)
const keep = () =>
  props.desk.comments(call('keepComment', { body: { id: nanoid(), words: comment.value.trim() } }))
const forget = (commentId: string) =>
  props.desk.comments(call('dropComment', { params: { commentId } }))
const focusFirst = () => (first.value ?? document.getElementById(`${id}-0-0`))?.focus()
onMounted(() => {
  focusFirst()
  if (first.value instanceof HTMLInputElement) first.value.select()
})
defineExpose({ focusFirst })
</script>

<template>
  <form class="sheet-form mark" :aria-label="t('marking.mark')" @submit.prevent="give(true)">
    <p v-if="isOvertaken && answer.mark" class="notice straw" role="alert">
      {{
        t('marking.overtaken', {
          name: answer.mark.by ?? t('marking.somebody'),
          points: n(answer.mark.points),
        })
      }}
      <q v-if="answer.mark.comment">{{ answer.mark.comment }}</q>
    </p>
    <FaultNotice v-else-if="fault" :error="fault" @retry="give(true)" />
    <template v-if="criteria.length > 0">
      <fieldset
        v-for="(criterion, at) in criteria"
        :key="at"
        class="criterion"
        @keydown="onDigit($event, at)"
      >
        <legend dir="auto">{{ criterion.title }}</legend>
        <label v-for="(level, index) in criterion.levels" :key="index" class="level">
          <input
            :id="`${id}-${at}-${index}`"
            type="radio"
            :name="`${id}-${at}`"
            :checked="levels[at] === index"
            @change="pick(at, index)"
          />
          <b class="mono">{{ n(level.points) }}</b>
          <span dir="auto">{{ level.words }}</span>
        </label>
      </fieldset>
      <p class="sum" role="status">
        {{
          points === null
            ? t('marking.rubricOpen')
            : t('marking.comesTo', { points: n(points), max: n(question.points) })
        }}
      </p>
    </template>
    <div v-else class="field">
      <label :for="`${id}-points`">{{ t('marking.points') }}</label>
      <span class="points">
        <input
          :id="`${id}-points`"
          ref="first"
          v-model="typed"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          :aria-describedby="wrong ? `${id}-wrong` : undefined"
          :aria-invalid="wrong !== ''"
          :title="t('marking.spaceGoesOn')"
          @keydown.up.prevent="desk.step(-1)"
          @keydown.down.prevent="desk.step(1)"
          @keydown.space.prevent="words?.focus()"
        />
        {{ t('marking.of', { max: n(question.points) }) }}
        <Button
          :label="t('marking.all')"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="typed = String(question.points)"
        />
        <Button
          :label="t('marking.none')"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="typed = '0'"
        />
      </span>
      <small v-if="wrong" :id="`${id}-wrong`" class="fault" role="alert">{{ wrong }}</small>
    </div>
    <div class="field">
      <label :for="`${id}-words`">{{ t('marking.comment') }}</label>
      <textarea
        :id="`${id}-words`"
        ref="words"
        v-model="comment"
        class="text"
        rows="4"
        dir="auto"
        :maxlength="LONGEST_COMMENT"
        @keydown="onCommentKey"
      />
    </div>
    <div class="acts">
      <Button type="submit" :label="t('marking.giveOn')" :disabled="!canGive" :loading="saving" />
      <Button
        :label="t('marking.give')"
        severity="secondary"
        variant="outlined"
        :disabled="!canGive || saving"
        @click="give(false)"
      />
    </div>
    <div v-if="(pile?.comments.length ?? 0) > 0 || comment.trim()" class="kept">
      <ul v-if="pile && pile.comments.length > 0" :aria-label="t('marking.kept')">
        <li v-for="(one, at) in pile.comments" :key="one.id">
          <button type="button" class="insert" dir="auto" @click="add(one.words)">
            <kbd v-if="at < 9">{{ t('marking.altKey', { key: at + 1 }) }}</kbd> {{ one.words }}
          </button>
          <button
            type="button"
            class="link-button"
            :aria-label="t('marking.forgetWhich', { words: one.words })"
            @click="forget(one.id)"
          >
            {{ t('marking.forget') }}
          </button>
        </li>
      </ul>
      <Button
        v-if="comment.trim() && !isKept"
        :label="t('marking.keep')"
        size="small"
        severity="secondary"
        variant="text"
        @click="keep"
      />
    </div>
    <p v-if="answer.mark" class="muted given">
      {{
        t('marking.givenBy', {
          name: answer.mark.by ?? t('marking.somebody'),
          when: writeMoment(new Date(answer.mark.at)),
        })
      }}
      {{ t(answer.mark.releasedAt ? 'marking.isTold' : 'marking.isNotTold') }}
    </p>
  </form>
</template>

<style scoped>
.mark {
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.mark fieldset.criterion:first-child {
  padding-top: 0;
  border-top: 0;
}
.criterion {
  gap: 2px;
}
.level {
  display: grid;
  grid-template-columns: 18px 1.6em minmax(0, 1fr);
  gap: 8px;
  align-items: baseline;
}
.level input {
  align-self: center;
  margin: 0;
}
.criterion + .criterion {
  padding-top: 8px;
}
.mark {
  gap: 10px;
}
.sum {
  font-weight: 650;
}
.points {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
input[type='text'] {
  width: 4.6em;
  padding: 6px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 600 21px var(--mono);
}
textarea {
  width: 100%;
  resize: vertical;
}
.kept ul {
  max-height: 190px;
  margin: 0 0 4px;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
.kept li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: baseline;
  border-bottom: 1px solid var(--line);
}
.insert {
  padding: 6px 2px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.insert:hover {
  color: var(--fern);
}
kbd {
  font: 12.5px var(--mono);
  color: var(--ink-2);
}
@media (hover: none) and (pointer: coarse) {
  kbd {
    display: none;
  }
}
.kept .link-button {
  font-weight: 400;
  font-size: 13.5px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.given {
  font-size: 13.5px;
}
q {
  display: block;
  margin-top: 4px;
}
</style>
