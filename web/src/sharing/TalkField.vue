<script setup lang="ts">
// Whether those who come by a lesson's link may talk about it, and where their teachers read what they say.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Sharing } from '@fernbrake/core/contract'
import ChoiceLine from './ChoiceLine.vue'

const props = defineProps<{
  lessonId: string
  sharing: Sharing
  canChange: boolean
  /** Whether whoever looks may read and answer what learners say. */
  teaches: boolean
}>()
const emit = defineEmits<{ talks: [talks: boolean] }>()
const { t } = useI18n()
const help = computed(() =>
  [t('sharing.talksHelp'), props.sharing.seenBy === 'everyone' && t('sharing.talksEveryone')]
    .filter(Boolean)
    .join(' '),
)
</script>

<template>
  <ChoiceLine
    v-if="canChange"
    type="checkbox"
    :checked="sharing.talks"
    :label="t('sharing.talks')"
    :help="help"
    @change="emit('talks', $event)"
  />
  <p v-else>{{ t(sharing.talks ? 'sharing.isTalked' : 'sharing.isNotTalked') }}</p>
  <p v-if="teaches">
    <RouterLink :to="{ name: 'lesson-talk', params: { lessonId } }">{{
      t('sharing.talkPage')
    }}</RouterLink>
  </p>
</template>
