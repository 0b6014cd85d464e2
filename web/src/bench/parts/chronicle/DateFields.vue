<script setup lang="ts">
// A date of a chronicle: a year, with or without a month and a day of it, before or after the turn of the eras.
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  daysInMonth,
  EARLIEST_YEAR,
  LATEST_YEAR,
  type ChronicleDate,
} from '@fernbrake/core/chronicle'
import ChoiceField from '../../ChoiceField.vue'
import { useRights } from '../../useBench.ts'
import { LOCALE } from '../../../ui/locale.ts'

const props = defineProps<{ label: string; date: ChronicleDate }>()
const emit = defineEmits<{ change: [date: ChronicleDate] }>()
const rights = useRights()
const { t } = useI18n()
const yearId = useId()

/** What is typed; it is the lesson's once it is a year. */
const typed = ref(String(Math.abs(props.date.year)))
watch(
  () => props.date.year,
  (year) => {
    if (Number(typed.value) !== Math.abs(year)) typed.value = String(Math.abs(year))
  },
)
const isBefore = computed(() => props.date.year < 0)
const mostYear = computed(() => (isBefore.value ? -EARLIEST_YEAR : LATEST_YEAR))
const isYear = computed(
  () =>
    /^\d+$/.test(typed.value) && Number(typed.value) >= 1 && Number(typed.value) <= mostYear.value,
)

/** A day that the month does not have becomes its last. */
function give({ year, month, day }: ChronicleDate): void {
  const last = month === undefined ? undefined : daysInMonth(year, month)
  emit('change', {
    year,
    ...(month === undefined ? {} : { month }),
    ...(day === undefined || last === undefined ? {} : { day: Math.min(day, last) }),
  })
}
function typeYear(text: string): void {
  typed.value = text.trim()
  if (isYear.value) give({ ...props.date, year: Number(typed.value) * (isBefore.value ? -1 : 1) })
}
const isZero = computed(() => /^0+$/.test(typed.value))
/** What is no year is told for as long as it stands there; an empty field gets back what it was. */
function leaveYear(): void {
  if (typed.value === '') typed.value = String(Math.abs(props.date.year))
}
function setEra(era: 'after' | 'before'): void {
  const year = Math.abs(props.date.year)
  give({ ...props.date, year: era === 'before' ? -year : Math.min(year, LATEST_YEAR) })
}
const NONE = 'none'
const months = computed(() => {
  const format = new Intl.DateTimeFormat(LOCALE, { month: 'long', timeZone: 'UTC' })
  return [
    { value: NONE, label: t('parts.noMonth') },
    ...Array.from({ length: 12 }, (_, index) => ({
      value: String(index + 1),
      label: format.format(new Date(Date.UTC(2000, index, 1))),
    })),
  ]
})
const days = computed(() => [
  { value: NONE, label: t('parts.noDay') },
  ...Array.from({ length: daysInMonth(props.date.year, props.date.month ?? 1) }, (_, index) => ({
    value: String(index + 1),
    label: String(index + 1),
  })),
])
const numberOf = (value: string) => (value === NONE ? undefined : Number(value))
</script>

<template>
  <div class="date" role="group" :aria-label="label">
    <div class="field">
      <label :for="yearId">{{ label }}</label>
      <InputText
        :id="yearId"
        :model-value="typed"
        :disabled="!rights.canEdit.value"
        :invalid="!isYear"
        :aria-describedby="isYear ? undefined : `${yearId}-wrong`"
        inputmode="numeric"
        maxlength="6"
        size="small"
        @update:model-value="typeYear($event ?? '')"
        @blur="leaveYear"
      />
      <p v-if="!isYear" :id="`${yearId}-wrong`" class="wrong" role="alert">
        {{ isZero ? t('parts.noYearZero') : t('parts.noSuchYear', { most: mostYear }) }}
      </p>
    </div>
    <ChoiceField
      :label="t('parts.eraLabel')"
      hide-label
      :value="isBefore ? 'before' : 'after'"
      :choices="
        (['after', 'before'] as const).map((value) => ({ value, label: t(`parts.era.${value}`) }))
      "
      @change="setEra"
    />
    <ChoiceField
      :label="t('parts.month')"
      hide-label
      :value="String(date.month ?? NONE)"
      :choices="months"
      @change="
        give({
          year: date.year,
          month: numberOf($event),
          day: $event === NONE ? undefined : date.day,
        })
      "
    />
    <ChoiceField
      v-if="date.month !== undefined"
      :label="t('parts.day')"
      hide-label
      :value="String(date.day ?? NONE)"
      :choices="days"
      @change="give({ ...date, day: numberOf($event) })"
    />
  </div>
</template>

<style scoped>
.wrong {
  color: var(--rust);
  font-size: 13.5px;
}
.date {
  display: grid;
  grid-template-columns: 7em repeat(3, minmax(0, 1fr));
  gap: 8px;
  align-items: end;
}
</style>
