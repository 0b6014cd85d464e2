<script setup lang="ts">
// The question shelf beside what is written: questions kept earlier, found by their words, to be asked here.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { KeptQuestion } from '@fernbrake/core/contract'
import { plainOf } from '@fernbrake/core/fields'
import { textsOf } from '@fernbrake/core/questions'
import { holdingWords } from '@fernbrake/core/text'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import { useRights } from './useBench.ts'

/** `askLabel` is the button that asks a question here. */
defineProps<{ askLabel: string }>()
const emit = defineEmits<{ ask: [kept: KeptQuestion] }>()
const rights = useRights()
const { t } = useI18n()
const id = useId()
const words = ref('')
const { value, error, loading, reload } = useLoaded(
  async () => (await call('keptQuestions')).questions,
)
const fault = ref<unknown>(null)
const all = computed(() => value.value ?? [])
const kindOf = ({ question }: KeptQuestion) => t(`ask.kind.${question.kind}`)
/** A question is found by any of its texts, or by its kind. */
const found = computed(() => {
  const holds = holdingWords(words.value)
  return all.value.filter((kept) =>
    holds([kindOf(kept), ...textsOf(kept.question).map(plainOf)].join(' ')),
  )
})
async function letGo({ id: keptId }: KeptQuestion): Promise<void> {
  fault.value = null
  try {
    await call('dropKeptQuestion', { params: { keptId } })
    value.value = all.value.filter((kept) => kept.id !== keptId)
  } catch (caught) {
    fault.value = caught
  }
}
</script>

<template>
  <section class="desk" :aria-label="t('questionShelf.title')">
    <header><slot /></header>
    <div class="body">
      <p class="help">{{ t('questionShelf.help') }}</p>
      <div class="field">
        <label :for="id">{{ t('questionShelf.find') }}</label>
        <InputText :id="id" v-model="words" size="small" />
      </div>
      <FaultNotice
        v-if="error || fault"
        :error="error ?? fault"
        @retry="((fault = null), reload())"
      />
      <p v-if="loading && !value" role="status">{{ t('questionShelf.loading') }}</p>
      <p v-else-if="all.length === 0 && !error" class="empty">{{ t('questionShelf.empty') }}</p>
      <p v-else-if="found.length === 0 && !error" class="empty" role="status">
        {{ t('questionShelf.nothingFound') }}
      </p>
      <ul>
        <li v-for="kept in found" :key="kept.id">
          <p class="kind">{{ kindOf(kept) }}</p>
          <p class="stem" dir="auto">{{ plainOf(kept.question.stem) }}</p>
          <p class="help">
            {{
              t(
                'questionShelf.askedIn',
                { titles: kept.lessons.map(({ title }) => `“${title}”`).join(', ') },
                kept.lessons.length,
              )
            }}
          </p>
          <div class="buttons">
            <Button
              :label="askLabel"
              size="small"
              severity="secondary"
              variant="outlined"
              :disabled="!rights.canEdit.value"
              @click="emit('ask', kept)"
            />
            <Button
              :label="t('questionShelf.letGo')"
              size="small"
              severity="secondary"
              variant="text"
              @click="letGo(kept)"
            />
          </div>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 0 18px;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
}
.body {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 12px 18px;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
.field {
  margin: 10px 0;
}
.empty {
  margin-top: 24px;
  color: var(--ink-2);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 12px 0;
  border-top: 1px solid var(--line);
}
.kind {
  color: var(--rust);
  font-size: 13.5px;
  font-weight: 650;
}
.stem {
  font-family: var(--reading);
  font-size: 17px;
  overflow-wrap: anywhere;
}
.buttons {
  display: flex;
  gap: 6px;
  margin-top: 6px;
}
</style>
