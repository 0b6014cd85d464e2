<script setup lang="ts">
// How typed words are compared.
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { WordRules } from '@fernbrake/core/questions'
import SheetFold from '../SheetFold.vue'
import { useRights } from '../useBench.ts'

const props = defineProps<{
  rules: WordRules
  /** Words near to what is listed that are no slips of it. */
  others: readonly string[]
}>()
const MOST_SHOWN = 12
const emit = defineEmits<{ change: [rules: WordRules] }>()
const rights = useRights()
const { t } = useI18n()
const holds = computed(() => {
  const { typos, minds: minded } = props.rules
  const said = [typos && 'typos', minded.case && 'case', minded.accents && 'accents']
  return said.flatMap((rule) => (rule ? [t(`fold.rule.${rule}`)] : [])).join(' · ')
})
const minds = (change: Partial<WordRules['minds']>) =>
  emit('change', { ...props.rules, minds: { ...props.rules.minds, ...change } })
</script>

<template>
  <SheetFold name="wordRules" :title="t('fold.wordRules')" :holds="holds">
    <label class="check">
      <Checkbox
        :model-value="rules.typos"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="emit('change', { ...rules, typos: $event })"
      />
      {{ t('ask.typos') }}
    </label>
    <p v-if="rules.typos && others.length > 0" class="help">
      {{
        t(
          others.length > MOST_SHOWN ? 'ask.otherWordsMore' : 'ask.otherWords',
          { words: others.slice(0, MOST_SHOWN).join(', '), n: others.length - MOST_SHOWN },
          others.length - MOST_SHOWN,
        )
      }}
    </p>
    <label class="check">
      <Checkbox
        :model-value="rules.minds.case"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="minds({ case: $event })"
      />
      {{ t('ask.mindsCase') }}
    </label>
    <label class="check">
      <Checkbox
        :model-value="rules.minds.accents"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="minds({ accents: $event })"
      />
      {{ t('ask.mindsAccents') }}
    </label>
  </SheetFold>
</template>
