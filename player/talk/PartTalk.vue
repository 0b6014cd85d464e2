<script setup lang="ts">
// The talk beside a part that is read, folded until somebody wants it.
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ClassTalk } from './classTalk.ts'
import TalkPanel from './TalkPanel.vue'

defineProps<{ classTalk: ClassTalk; partId: string }>()
const { t } = useI18n()
const isOpen = ref(false)
</script>

<template>
  <details class="part-talk" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="signed">
      {{ t('player.talk.title') }}
      <span v-if="classTalk.unseen.value" class="unseen">{{
        t('player.talk.new', classTalk.unseen.value)
      }}</span>
    </summary>
    <TalkPanel v-if="isOpen" :class-talk="classTalk" :part-id="partId" :media-ms="null" />
  </details>
</template>

<style scoped>
.part-talk {
  padding: 8px 24px 16px;
  border-bottom: 1px solid var(--line);
}
summary {
  font-weight: 600;
}
.unseen {
  margin-inline-start: 8px;
  color: var(--rust);
  font-size: 13.5px;
}
@media print {
  .part-talk {
    display: none;
  }
}
</style>
