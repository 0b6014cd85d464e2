<script setup lang="ts">
// Where a way leads.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { usualWayBackMs, type Target } from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { usePlayhead } from './useBench.ts'
import { useOtherParts } from './useOtherParts.ts'

/** `fromMs`: when it leads away, where that is a time of the film. */
const props = defineProps<{ target: Target; partId: string; fromMs?: number }>()
const emit = defineEmits<{ change: [target: Target] }>()
const benchPlayhead = usePlayhead()
const { t } = useI18n()
const parts = useOtherParts(() => props.partId)
const kinds = computed(() =>
  (['on', 'time', 'part', 'ending'] as const)
    .filter((kind) => kind !== 'part' || parts.value.length > 0)
    .map((value) => ({ value, label: t(`fork.to.${value}`) })),
)

function pick(to: Target['to']): void {
  const here = benchPlayhead.mediaMs.value
  if (to === 'time')
    emit('change', {
      to,
      // Where the playhead stands on what leads away, it would lead nowhere.
      atMs: here === props.fromMs ? usualWayBackMs(here) : here,
    })
  else if (to === 'part') emit('change', { to, partId: parts.value[0]!.value })
  else emit('change', to === 'ending' ? { to, message: '' } : { to })
}
</script>

<template>
  <div class="pair">
    <ChoiceField :label="t('fork.leads')" :value="target.to" :choices="kinds" @change="pick" />
    <TimeField
      v-if="target.to === 'time'"
      :label="t('fork.toTime')"
      :ms="target.atMs"
      @change="emit('change', { to: 'time', atMs: $event })"
    />
    <ChoiceField
      v-if="target.to === 'part'"
      :label="t('fork.toPart')"
      :value="target.partId"
      :choices="parts"
      @change="emit('change', { to: 'part', partId: $event })"
    />
  </div>
  <WordsField
    v-if="target.to === 'ending'"
    :label="t('fork.endingWords')"
    :text="target.message"
    :max="2000"
    :rows="2"
    @change="emit('change', { to: 'ending', message: $event })"
  />
</template>
