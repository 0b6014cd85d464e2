<script setup lang="ts">
// Which sorts of file are taken, how many, and how large.
import { useRights } from '../useBench.ts'
import Checkbox from 'primevue/checkbox'
import { useI18n } from 'vue-i18n'
import {
  FILE_SORTS,
  MOST_FILES,
  MOST_MEGABYTES,
  sortsTaken,
  type UploadQuestion,
} from '@fernbrake/core/questions'
import NumberField from '../NumberField.vue'
import RubricField from './RubricField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: UploadQuestion }>()
const { set } = useQuestion(() => props.question)
const rights = useRights()
const { t } = useI18n()
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.upload') }}</legend>
    <p class="help">{{ t('ask.uploadHelp') }}</p>
    <label v-for="sort in FILE_SORTS" :key="sort" class="check">
      <Checkbox
        :model-value="question.takes[sort]"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="set({ takes: { ...question.takes, [sort]: $event } })"
      />
      {{ t(`ask.fileSort.${sort}`) }}
    </label>
    <p v-if="sortsTaken(question).length === 0" class="fault" role="alert">
      {{ t('ask.noFileSort') }}
    </p>
    <div class="pair">
      <NumberField
        :label="t('ask.mostFiles')"
        :value="question.mostFiles"
        :min="1"
        :max="MOST_FILES"
        @change="set({ mostFiles: $event })"
      />
      <NumberField
        :label="t('ask.mostMegabytes')"
        :value="question.mostMegabytes"
        :min="1"
        :max="MOST_MEGABYTES"
        suffix=" MB"
        @change="set({ mostMegabytes: $event })"
      />
    </div>
  </fieldset>
  <RubricField :question="question" />
</template>
