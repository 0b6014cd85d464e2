<script setup lang="ts">
// Whether those who come by a lesson's link may talk about it, and where their teachers read what they say.
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Sharing } from '@fernbrake/core/contract'

defineProps<{
  lessonId: string
  sharing: Sharing
  canChange: boolean
  /** Whether whoever looks may read and answer what learners say. */
  teaches: boolean
}>()
const emit = defineEmits<{ talks: [talks: boolean] }>()
const { t } = useI18n()
</script>

<template>
  <label v-if="canChange" class="choice">
    <input
      type="checkbox"
      :checked="sharing.talks"
      @change="emit('talks', ($event.target as HTMLInputElement).checked)"
    />
    <span>
      <b>{{ t('sharing.talks') }}</b>
      <span class="help">{{ t('sharing.talksHelp') }}</span>
      <span v-if="sharing.seenBy === 'everyone'" class="help">{{
        t('sharing.talksEveryone')
      }}</span>
    </span>
  </label>
  <p v-else>{{ t(sharing.talks ? 'sharing.isTalked' : 'sharing.isNotTalked') }}</p>
  <p v-if="teaches">
    <RouterLink :to="{ name: 'lesson-talk', params: { lessonId } }">{{
      t('sharing.talkPage')
    }}</RouterLink>
  </p>
</template>

<style scoped>
.choice {
  display: flex;
  gap: 10px;
  align-items: start;
}
input {
  flex: none;
  width: 18px;
  height: 18px;
  margin: 3px 0 0;
  accent-color: var(--fern);
}
.help {
  display: block;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
