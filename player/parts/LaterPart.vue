<script setup lang="ts">
// A part that is no film, once what shows it has been fetched: most lessons begin with a film, whose start it must not
// hold up.
import { ref, shallowRef, type Component } from 'vue'
import { useI18n } from 'vue-i18n'
import type { PartOf } from '@fernbrake/core/lesson'
import type { ShownWay } from '../ui/partsState.ts'
import { fetchPartPlayer, type LaterKind } from './fetchPart.ts'
import type { PartProps } from './partProps.ts'

const props = defineProps<PartProps & { part: PartOf<LaterKind> }>()
const emit = defineEmits<{
  pickPart: [partId: string]
  toPart: [partId: string]
  take: [way: ShownWay]
}>()
const { t } = useI18n()
const view = shallowRef<Component | null>(null)
const failed = ref(false)

async function fetchView(): Promise<void> {
  failed.value = false
  try {
    view.value = (await fetchPartPlayer(props.part.kind)).default
  } catch {
    failed.value = true
  }
}
void fetchView()
</script>

<template>
  <component
    :is="view"
    v-if="view"
    v-bind="props"
    @pick-part="emit('pickPart', $event)"
    @to-part="emit('toPart', $event)"
    @take="emit('take', $event)"
  />
  <div v-else class="wait" :role="failed ? 'alert' : 'status'">
    <p>{{ t(failed ? 'player.partFailed' : 'player.partComing') }}</p>
    <button v-if="failed" class="fb-button" type="button" @click="fetchView">
      {{ t('player.retry') }}
    </button>
  </div>
</template>

<style scoped>
.wait {
  margin: auto;
  max-width: 46ch;
  padding: 24px;
  text-align: center;
}
.fb-button {
  margin-top: 18px;
}
</style>
