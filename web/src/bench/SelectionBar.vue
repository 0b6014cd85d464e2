<script setup lang="ts">
// What can be done with everything that is selected.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { readTypedShift } from '@fernbrake/core/media'
import { useCueActs, usePlayhead, useRights, useSelection } from './useBench.ts'

const acts = useCueActs()
const playhead = usePlayhead()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const id = useId()
const typed = ref('')
const wrong = ref(false)

function move(): void {
  const ms = readTypedShift(typed.value, playhead.frameRate.value)
  wrong.value = ms === null
  if (ms === null) return
  acts.moveSelection(ms)
  typed.value = ''
}
</script>

<template>
  <div class="bar">
    <p role="status">{{ t('bench.selectedCount', selection.selectedCues.value.length) }}</p>
    <form v-if="rights.canEdit.value" @submit.prevent="move">
      <label :for="id">{{ t('bench.moveBy') }}</label>
      <InputText
        :id="id"
        v-model="typed"
        class="mono"
        size="small"
        placeholder="+0:05"
        :invalid="wrong"
        autocomplete="off"
      />
      <Button
        type="submit"
        :label="t('bench.move')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="typed.trim() === ''"
      />
    </form>
    <Button
      v-if="rights.canEdit.value"
      :label="t('sheet.copyHere')"
      severity="secondary"
      variant="text"
      size="small"
      @click="acts.duplicate()"
    />
    <Button
      v-if="rights.canEdit.value"
      :label="t('sheet.delete')"
      severity="danger"
      variant="text"
      size="small"
      @click="acts.remove()"
    />
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  padding-block: 8px;
  padding-inline: 18px 12px;
  border-top: 1px solid var(--line);
  background: var(--ground);
}
form {
  display: flex;
  align-items: center;
  gap: 8px;
}
form :deep(input) {
  width: 6.5em;
}
p {
  margin-inline-end: auto;
  font-weight: 600;
}
</style>
