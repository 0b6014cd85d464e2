<script setup lang="ts">
// A colour of the lesson, which may be none where that is offered.
import { useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRights } from './useBench.ts'

const props = defineProps<{
  label: string
  colour: string | null
  usual: string
  noneLabel?: string
}>()
const emit = defineEmits<{ change: [colour: string | null] }>()
const rights = useRights()
const { t } = useI18n()
const id = useId()
const valueOf = (event: Event) => (event.target as HTMLInputElement).value.toUpperCase()
const isNone = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <span class="colour">
      <input
        :id="id"
        type="color"
        :value="(colour ?? usual).toLowerCase()"
        :disabled="!rights.canEdit.value"
        @input="emit('change', valueOf($event))"
      />
      <label v-if="noneLabel" class="check">
        <input
          type="checkbox"
          :checked="colour === null"
          :disabled="!rights.canEdit.value"
          :aria-label="t('overlay.without', { what: label })"
          @change="emit('change', isNone($event) ? null : props.usual)"
        />
        {{ noneLabel }}
      </label>
    </span>
  </div>
</template>

<style scoped>
.colour {
  display: flex;
  align-items: center;
  gap: 10px;
}
input[type='color'] {
  width: 56px;
  height: 34px;
  padding: 2px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: #fff;
}
</style>
