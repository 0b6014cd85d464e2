<script setup lang="ts">
// What is said of captions on their way in: which signs they have, what of the file could not be read, and a way back.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { ENCODINGS } from '@fernbrake/core/formats'
import ChoiceField from './ChoiceField.vue'
import type { useCaptionIntake } from './useCaptionIntake.ts'

const props = defineProps<{ intake: ReturnType<typeof useCaptionIntake> }>()
const { t, n } = useI18n()
const { reading, doubt, report, canTakeBack } = props.intake
const encodings = computed(() =>
  ENCODINGS.map((value) => ({ value, label: t(`bench.encoding.${value.replace(/-/g, '_')}`) })),
)
const lead = computed(() => {
  if (!report.value) return ''
  const { taken, faults, more } = report.value
  const left = faults.filter(({ mended }) => !mended).length + more
  if (taken === 0) return t('bench.captionFaults')
  return t('bench.captionsPartly', { taken: n(taken), left: n(left) }, left)
})
</script>

<template>
  <p v-if="reading" class="notice quiet" role="status">
    {{ t('bench.readingCaptions', { name: reading }) }}
  </p>
  <section v-if="doubt" class="notice straw doubt" :aria-label="t('bench.whichSigns')">
    <p role="status">{{ t('bench.signsInDoubt', { name: doubt.file.name }) }}</p>
    <blockquote dir="auto">
      <p v-for="(line, index) in doubt.read.sample" :key="index">{{ line }}</p>
      <p v-if="doubt.read.sample.length === 0">{{ t('bench.noSigns') }}</p>
    </blockquote>
    <ChoiceField
      :label="t('bench.whichSigns')"
      :value="doubt.read.encoding"
      :choices="encodings"
      @change="intake.readAs($event)"
    />
    <div class="buttons">
      <Button :label="t('bench.signsRight')" size="small" @click="intake.takeAsShown()" />
      <Button
        :label="t('bench.leaveFile')"
        severity="secondary"
        variant="text"
        size="small"
        @click="intake.leave()"
      />
    </div>
  </section>
  <div v-if="report" class="notice faults" role="alert">
    <p>{{ lead }}</p>
    <ul>
      <li v-for="(fault, index) in report.faults" :key="index">
        {{ t(`bench.captionFault.${fault.code}`, { line: n(fault.line) }) }}
      </li>
      <li v-if="report.more > 0">
        {{ t('bench.moreFaults', { n: n(report.more) }, report.more) }}
      </li>
    </ul>
    <div class="buttons">
      <Button
        v-if="report.taken > 0 && canTakeBack"
        :label="t('bench.takeBackCaptions')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="intake.takeBack()"
      />
      <Button
        :label="t('bench.closeReport')"
        severity="secondary"
        variant="text"
        size="small"
        @click="intake.close()"
      />
    </div>
  </div>
</template>

<style scoped>
.faults,
.doubt {
  max-height: 50%;
  overflow: auto;
}
.faults ul {
  margin: 6px 0;
  padding-inline-start: 18px;
}
blockquote {
  margin: 8px 0;
  padding: 6px 12px;
  border-inline-start: 3px solid var(--line);
  font-family: var(--reading);
  white-space: pre-line;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
