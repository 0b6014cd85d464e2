<script setup lang="ts">
// Edits that did not come about: what and why, and the words that were typed, so that nobody has to think of them again.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { wordsTyped } from '@fernbrake/core/lesson'
import { useBench } from './useBench.ts'
import { useEditWords } from './useEditWords.ts'

const { draft } = useBench()
const { t } = useI18n()
const { editWord, issueWord } = useEditWords()
const refused = computed(() =>
  draft.state.value.refused.map((edit) => ({ ...edit, typed: wordsTyped(edit.patches) })),
)
/** The refused edit that was tried again and does not fit. */
const stuck = ref<string | null>(null)
</script>

<template>
  <div v-if="draft.notice.value || refused.length > 0" class="notices" role="alert">
    <p v-if="draft.notice.value?.kind === 'undoBlocked'" class="notice straw">
      {{ t('bench.undoBlocked', { name: editWord(draft.notice.value.name) }) }}
    </p>
    <p v-else-if="draft.notice.value" class="notice">
      {{
        t('bench.invalid', {
          name: editWord(draft.notice.value.name),
          reason: issueWord(draft.notice.value.issues),
        })
      }}
    </p>
    <div v-for="edit in refused" :key="edit.id" class="notice">
      {{ t('bench.refused', { name: editWord(edit.name), reason: issueWord(edit.issues) }) }}
      <Button
        :label="t('bench.retryRefused')"
        size="small"
        severity="secondary"
        variant="text"
        @click="draft.retryRefused(edit.id) || (stuck = edit.id)"
      />
      <span v-if="stuck === edit.id">{{ t('bench.stillRefused') }}</span>
      <Button
        :label="t('bench.dropRefused')"
        size="small"
        severity="secondary"
        variant="text"
        @click="draft.dropRefused(edit.id)"
      />
      <label v-if="edit.typed" class="typed">
        {{ t('bench.whatWasTyped') }}
        <textarea
          class="fb-input"
          readonly
          rows="2"
          dir="auto"
          :value="edit.typed"
          @focus="($event.target as HTMLTextAreaElement).select()"
        />
      </label>
    </div>
  </div>
</template>

<style scoped>
.notice {
  padding: 6px 18px;
}
.typed {
  display: grid;
  gap: 2px;
  font-size: 13.5px;
}
</style>
