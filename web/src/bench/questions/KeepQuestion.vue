<script setup lang="ts">
// Keeping a question on the question shelf, and keeping what has become of it.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits } from '@fernbrake/core/lesson'
import { forShelf, type Question } from '@fernbrake/core/questions'
import { call } from '../../api/client.ts'
import FaultNotice from '../../ui/FaultNotice.vue'
import SheetFold from '../SheetFold.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ question: Question }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const fault = shallowRef<unknown>(null)
const busy = ref(false)
/** What was kept last in this sitting, to tell whether it has changed since. */
const keptAs = ref<string | null>(null)
const now = computed(() => JSON.stringify(forShelf(props.question)))
const isKept = computed(() => keptAs.value === now.value)

async function keep(): Promise<void> {
  const id = props.question.shelfId ?? nanoid()
  const saying = now.value
  busy.value = true
  fault.value = null
  try {
    await call('keepQuestion', { body: { id, question: props.question } })
    keptAs.value = saying
    if (props.question.shelfId === undefined)
      bench.draft.make(edits.noteShelf, { questionId: props.question.id, shelfId: id })
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <SheetFold
    v-if="rights.canEdit.value"
    name="shelf"
    :title="t('questionShelf.title')"
    :holds="question.shelfId ? t('fold.kept') : undefined"
  >
    <p class="help">{{ t('questionShelf.keepHelp') }}</p>
    <Button
      :label="t(question.shelfId ? 'questionShelf.keepAnew' : 'questionShelf.keep')"
      size="small"
      severity="secondary"
      variant="outlined"
      :disabled="busy || isKept"
      @click="keep"
    />
    <p v-if="isKept" class="help" role="status">{{ t('questionShelf.kept') }}</p>
    <FaultNotice v-if="fault" :error="fault" @retry="keep" />
  </SheetFold>
</template>
