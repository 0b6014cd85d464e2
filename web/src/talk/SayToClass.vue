<script setup lang="ts">
// What a teacher says to a class, or to whoever came by the link: a comment, or a prompt that may ask for a number; about a part or a moment of a film.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, onMounted, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { nanoid } from 'nanoid'
import type { TalkReport } from '@fernbrake/core/contract'
import type { Saying } from '@fernbrake/core/records'
import { frameRateOf, readTypedTime } from '@fernbrake/core/media'
import { isRange, LONGEST_POST } from '@fernbrake/core/talk'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useAct } from '../ui/useAct.ts'
import { keepWords, readWords } from './draft.ts'

const props = defineProps<{
  parts: TalkReport['parts']
  /** Under which what is being written is held on this device. */
  draftKey: string
  /** Whether it was opened by whoever writes in it, rather than left open. */
  takesFocus: boolean
  say: (saying: Saying) => Promise<void>
}>()
const emit = defineEmits<{ done: [] }>()
const { t, n } = useI18n()
const id = useId()
const kept = readWords(props.draftKey)
const sort = ref<'comment' | 'prompt'>(kept?.sort ?? 'prompt')
const partId = ref(
  props.parts.some((part) => part.id === kept?.partId) ? kept!.partId : (props.parts[0]?.id ?? ''),
)
const moment = ref(kept?.moment ?? '')
const asksNumber = ref(kept?.asksNumber ?? false)
const from = ref(kept?.from ?? '1')
const to = ref(kept?.to ?? '10')
const words = ref(kept?.words ?? '')
const { busy, fault, act } = useAct()

const sorts = (['prompt', 'comment'] as const).map((value) => ({
  value,
  label: t(`talk.sorts.${value}`),
}))
const choices = computed(() =>
  props.parts.map((part) => ({
    value: part.id,
    label: t('talk.inPart', { number: n(part.number), title: part.title }),
  })),
)
const durationMs = computed(() => props.parts.find((one) => one.id === partId.value)?.durationMs)
/** Undefined where what was typed is no time within the film. */
const place = computed<Saying['place'] | undefined>(() => {
  if (!durationMs.value || moment.value.trim() === '') return { on: 'part' }
  const atMs = readTypedTime(moment.value, frameRateOf('25'))
  return atMs !== null && atMs >= 0 && atMs <= durationMs.value ? { on: 'moment', atMs } : undefined
})
const range = computed(() =>
  sort.value === 'prompt' && asksNumber.value
    ? { from: Number(from.value), to: Number(to.value) }
    : null,
)
const isRangeWrong = computed(() => range.value !== null && !isRange(range.value))
const isReady = computed(
  () => words.value.trim() !== '' && place.value !== undefined && !isRangeWrong.value,
)
watch([sort, partId, moment, asksNumber, from, to, words], () =>
  keepWords(
    props.draftKey,
    words.value === ''
      ? null
      : {
          sort: sort.value,
          partId: partId.value,
          moment: moment.value,
          words: words.value,
          asksNumber: asksNumber.value,
          from: from.value,
          to: to.value,
        },
  ),
)
onMounted(() => props.takesFocus && document.getElementById(`${id}-words`)?.focus())
/** Sent again after an answer that was lost, it is the same. */
const postId = nanoid()
async function send(): Promise<void> {
  if (!isReady.value || busy.value) return
  const done = await act(() =>
    props.say({
      postId,
      sort: sort.value,
      replyTo: null,
      partId: partId.value,
      place: place.value!,
      words: words.value.trim(),
      number: null,
      range: range.value,
      isGone: false,
      at: new Date().toISOString(),
    }),
  )
  if (done) leave()
}
function leave(): void {
  keepWords(props.draftKey, null)
  emit('done')
}
</script>

<template>
  <form class="say" @submit.prevent="send">
    <div class="row">
      <LabelledSelect v-model="sort" :label="t('talk.sort')" :options="sorts" />
      <LabelledSelect v-model="partId" class="part" :label="t('talk.part')" :options="choices" />
      <div v-if="durationMs" class="field">
        <label :for="`${id}-at`">{{ t('talk.moment') }}</label>
        <InputText
          :id="`${id}-at`"
          v-model="moment"
          class="mono"
          :invalid="place === undefined"
          :aria-describedby="`${id}-help`"
        />
        <small :id="`${id}-help`" :class="place === undefined ? 'fault' : 'muted'">{{
          t(place === undefined ? 'talk.momentWrong' : 'talk.momentHelp')
        }}</small>
      </div>
    </div>
    <div class="field">
      <label :for="`${id}-words`">{{ t('talk.words') }}</label>
      <Textarea
        :id="`${id}-words`"
        v-model="words"
        rows="3"
        auto-resize
        dir="auto"
        :maxlength="LONGEST_POST"
        @keydown.ctrl.enter.prevent="send"
        @keydown.meta.enter.prevent="send"
      />
    </div>
    <div v-if="sort === 'prompt'" class="row number">
      <label class="check">
        <input v-model="asksNumber" type="checkbox" /> {{ t('talk.asksNumber') }}
      </label>
      <template v-if="asksNumber">
        <label
          >{{ t('talk.from') }}
          <InputText v-model="from" inputmode="numeric" size="small" :invalid="isRangeWrong"
        /></label>
        <label
          >{{ t('talk.to') }}
          <InputText v-model="to" inputmode="numeric" size="small" :invalid="isRangeWrong"
        /></label>
      </template>
      <p v-if="isRangeWrong" class="fault" role="alert">{{ t('talk.rangeWrong') }}</p>
    </div>
    <FaultNotice v-if="fault" :error="fault" @retry="send" />
    <div class="row acts">
      <Button type="submit" :label="t('talk.send')" :disabled="!isReady" :loading="busy" />
      <Button :label="t('talk.closeSay')" severity="secondary" variant="outlined" @click="leave" />
    </div>
  </form>
</template>

<style scoped>
.say {
  display: grid;
  gap: 12px;
  margin-bottom: 18px;
  padding: 14px 18px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
  align-items: flex-start;
}
.row > .field {
  flex: 1 1 150px;
  min-width: 0;
}
/* Titles of parts are longer than anything else here. */
.row > .field.part {
  flex: 2 1 220px;
}
.fault {
  color: var(--rust);
}
.number > label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.number,
.acts {
  align-items: center;
}
.number input.p-inputtext {
  width: 6em;
  font-family: var(--mono);
}
</style>
