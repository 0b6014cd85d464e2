<script setup lang="ts">
// The marking desk: the pile, the answer, the mark. Everything can be done without the pointer.
import Button from 'primevue/button'
import { computed, onMounted, onUnmounted, ref, useTemplateRef, watch, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Source } from '@fernbrake/core/contract'
import type { PileOrder } from '@fernbrake/core/marking'
import { keysOn, switchKeys } from '@fernbrake/player'
import AnswerShown from '../marking/AnswerShown.vue'
import MarkSheet from '../marking/MarkSheet.vue'
import PileRail from '../marking/PileRail.vue'
import { useDesk } from '../marking/useDesk.ts'
import { useSession } from '../stores/session.ts'
import { writeDayAndTime } from '../ui/dates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import ManagedPage from '../ui/ManagedPage.vue'

const props = defineProps<{ source: Source; sourceId: string }>()
const { t, n } = useI18n()
const session = useSession()
const desk = useDesk(props.source, props.sourceId, session.person!.id)
const { pile, error, names, which, order, open, question, index, counts, fault } = desk
const ORDERS: PileOrder[] = ['question', 'learner']
const said = ref('')
const sheet = useTemplateRef<InstanceType<typeof MarkSheet>>('sheet')
const isEmpty = computed(() => pile.value !== null && counts.value.all === 0)
const isDone = computed(() => counts.value.all > 0 && counts.value.marked === counts.value.all)

watch([names, which], () => void desk.reload())

async function tell(told: boolean): Promise<void> {
  const learners = await desk.tell(told)
  if (learners === 0) return
  const from = pile.value?.tellsFrom
  said.value = !told
    ? t('marking.tookBack', learners)
    : from
      ? t('marking.toldFrom', { when: writeDayAndTime(new Date(from)), n: n(learners) }, learners)
      : t('marking.toldNow', learners)
}
/** Outside of what is written in: arrows go through the pile, N to the next to do, P to the points. */
function onKey(event: KeyboardEvent): void {
  const on = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (on.closest('input, textarea, select, [role="combobox"], video, audio')) return
  const act = {
    ArrowDown: () => desk.step(1),
    ArrowUp: () => desk.step(-1),
    ...(keysOn.value && { n: () => desk.goOn(), p: () => sheet.value?.focusFirst() }),
  }[event.key]
  if (!act) return
  event.preventDefault()
  act()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
watchEffect(() => (document.title = pile.value?.title ?? t('marking.title')))
</script>

<template>
  <ManagedPage
    :error="error"
    :ready="pile !== null"
    :height="420"
    width="wide"
    @retry="desk.reload"
  >
    <template #back>
      <RouterLink :to="{ name: 'marking' }">{{ t('marking.toPiles') }}</RouterLink>
    </template>
    <template v-if="pile">
      <div class="top">
        <h1 dir="auto">{{ pile.title }}</h1>
        <span class="muted" dir="auto">{{ pile.classTitle ?? t('marking.byLink') }}</span>
        <span class="gap" />
        <span class="tally" role="status">{{
          t('marking.tally', { marked: n(counts.marked), all: n(counts.all) })
        }}</span>
        <Button
          v-if="counts.untold > 0"
          :label="t('marking.tell', counts.untold)"
          :variant="isDone ? undefined : 'outlined'"
          @click="tell(true)"
        />
        <Button
          v-else-if="counts.told > 0"
          :label="t('marking.takeBack')"
          severity="secondary"
          variant="outlined"
          @click="tell(false)"
        />
      </div>
      <div class="ways">
        <span role="group" :aria-label="t('marking.order')" class="switch">
          <button
            v-for="one in ORDERS"
            :key="one"
            type="button"
            :aria-pressed="order === one"
            @click="order = one"
          >
            {{ t(`marking.by.${one}`) }}
          </button>
        </span>
        <label class="check">
          <input
            type="checkbox"
            :checked="names === 'hidden'"
            @change="names = names === 'hidden' ? 'shown' : 'hidden'"
          />
          {{ t('marking.hideNames') }}
        </label>
        <label class="check">
          <input
            type="checkbox"
            :checked="which === 'all'"
            @change="which = which === 'all' ? 'byPerson' : 'all'"
          />
          {{ t('marking.everything') }}
        </label>
        <label class="check letters">
          <input type="checkbox" :checked="keysOn" @change="switchKeys(!keysOn)" />
          {{ t('marking.letters') }}
        </label>
        <span class="muted keys">{{ t(keysOn ? 'marking.keys' : 'marking.keysFew') }}</span>
      </div>
      <p v-if="said" class="notice fern" role="status">{{ said }}</p>
      <FaultNotice v-if="fault && !open" :error="fault" @retry="desk.reload" />
      <p v-if="isEmpty" class="empty">{{ t('marking.noAnswers') }}</p>
      <div v-else-if="open && question" class="desk">
        <PileRail :desk="desk" />
        <div class="middle">
          <p v-if="isDone" class="notice fern">{{ t('marking.done') }}</p>
          <AnswerShown
            :key="open.responseId"
            :answer="open"
            :question="question"
            :source="source"
            :source-id="sourceId"
          />
          <p class="turn">
            <Button
              :label="t('marking.before')"
              size="small"
              severity="secondary"
              variant="text"
              :disabled="index <= 0"
              @click="desk.step(-1)"
            />
            <span class="muted">{{
              t('marking.place', { at: n(index + 1), of: n(counts.all) })
            }}</span>
            <Button
              :label="t('marking.after')"
              size="small"
              severity="secondary"
              variant="text"
              :disabled="index >= counts.all - 1"
              @click="desk.step(1)"
            />
          </p>
        </div>
        <MarkSheet
          ref="sheet"
          :key="`${open.responseId} ${open.mark?.revision ?? 0}`"
          :desk="desk"
          :answer="open"
          :question="question"
        />
      </div>
    </template>
  </ManagedPage>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px 16px;
}
.top h1 {
  font-size: 26px;
}
.gap {
  flex: 1;
}
.tally {
  font-weight: 650;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 22px;
  margin: 12px 0 16px;
}
.switch {
  display: inline-flex;
}
.switch button {
  padding: 5px 12px;
  border: 1px solid var(--line-strong);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.switch button + button {
  border-inline-start: 0;
}
.switch button[aria-pressed='true'] {
  background: var(--fern);
  border-color: var(--fern);
  color: #fff;
}
.check {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.check input {
  width: 17px;
  height: 17px;
  accent-color: var(--fern);
}
.keys {
  margin-inline-start: auto;
  font-size: 13.5px;
}
.desk {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr) minmax(300px, 380px);
  gap: 18px;
  align-items: start;
}
.turn {
  display: flex;
  justify-content: center;
  align-items: center;
  gap: 10px;
  margin-top: 8px;
}
.notice {
  margin-bottom: 12px;
}
/* Nobody has keys to press where fingers point. */
@media (hover: none) and (pointer: coarse) {
  .letters,
  .keys {
    display: none;
  }
}
@media (max-width: 1020px) {
  .desk {
    grid-template-columns: minmax(0, 1fr) minmax(280px, 340px);
  }
  .desk > :first-child {
    position: static;
    grid-column: 1 / -1;
    max-height: 190px;
  }
}
@media (max-width: 720px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
