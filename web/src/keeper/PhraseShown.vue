<script setup lang="ts">
// A pass phrase, shown once: it opens the choice of a password.
import { useI18n } from 'vue-i18n'

defineProps<{ phrase: string; signIn: string }>()
const { t } = useI18n()
</script>

<template>
  <div class="notice fern" role="status">
    <p>{{ t('keeper.phraseHelp') }}</p>
    <dl>
      <dt>{{ t('keeper.signIn') }}</dt>
      <dd class="mono">{{ signIn }}</dd>
      <dt>{{ t('keeper.phrase') }}</dt>
      <dd class="mono phrase" data-test="phrase">{{ phrase }}</dd>
    </dl>
  </div>
</template>

<style scoped>
dl {
  margin: 8px 0 0;
}
dt {
  font-size: 13.5px;
  color: var(--ink-2);
}
dd {
  margin: 0 0 4px;
  overflow-wrap: anywhere;
}
.phrase {
  font-weight: 700;
}
</style>
