<script setup lang="ts">
// The code by which learners join: opened for a while, shown large and as a square to point a phone at.
import Button from 'primevue/button'
import { toString as drawCode } from 'qrcode'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { writeJoinCode } from '@fernbrake/core/classes'
import type { Class } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import CopyField from '../sharing/CopyField.vue'
import { writeDayAndTime } from '../ui/dates.ts'
import type { ClassDesk } from './useClass.ts'

const props = defineProps<{ school: Class; desk: ClassDesk }>()
const { t } = useI18n()
/** For how long a code can be open, in hours. */
const HOURS = [2, 24, 7 * 24, 30 * 24]
const hours = ref(24)
const address = computed(() =>
  props.school.joinCode ? `${location.origin}/join/${props.school.joinCode}` : null,
)
const drawing = shallowRef<string | null>(null)
watch(
  address,
  async (words) => {
    drawing.value = words && (await drawCode(words, { type: 'svg', margin: 1 }))
  },
  { immediate: true },
)
function set(joinUntil: string | null): void {
  const params = { classId: props.school.id }
  void props.desk.change(() => call('changeClass', { params, body: { joinUntil } }))
}
const open = () => set(new Date(Date.now() + hours.value * 3_600_000).toISOString())
</script>

<template>
  <p>{{ t('classes.joinHelp') }}</p>
  <template v-if="school.joinCode && address">
    <p class="code mono" data-test="join-code">{{ writeJoinCode(school.joinCode) }}</p>
    <img
      v-if="drawing"
      class="square"
      :src="`data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawing)}`"
      :alt="t('classes.joinSquare')"
    />
    <CopyField :label="t('classes.joinLink')" :words="address" />
    <p class="help">
      {{ t('classes.joinUntil', { when: writeDayAndTime(new Date(school.joinUntil!)) }) }}
    </p>
    <Button
      :label="t('classes.endJoin')"
      severity="secondary"
      variant="outlined"
      :loading="desk.busy.value"
      @click="set(null)"
    />
  </template>
  <template v-else>
    <fieldset class="hours">
      <legend>{{ t('classes.joinFor') }}</legend>
      <label v-for="one in HOURS" :key="one" class="check">
        <input v-model="hours" type="radio" :value="one" />
        {{ one < 48 ? t('classes.hours', one) : t('classes.days', one / 24) }}
      </label>
    </fieldset>
    <Button :label="t('classes.openJoin')" :loading="desk.busy.value" @click="open" />
  </template>
</template>

<style scoped>
.code {
  margin: 0;
  font-size: 34px;
  font-weight: 600;
  letter-spacing: 0.04em;
}
.square {
  width: 200px;
  height: 200px;
  border: 1px solid var(--line);
  background: #fff;
}
.hours {
  gap: 6px;
}
</style>
