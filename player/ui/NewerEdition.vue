<script setup lang="ts">
// That a newer edition of the lesson has come out: whoever has begun one stays in it, and should know.
import { inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { EDITION } from './about.ts'

const edition = inject(EDITION, null)
const { t } = useI18n()
</script>

<template>
  <p v-if="edition && edition.newest > edition.own" class="newer" role="note">
    {{ t('player.newerEdition', edition) }}
  </p>
</template>

<style scoped>
.newer {
  flex-basis: 100%;
  color: var(--ink-2);
  font-size: 14px;
}
</style>
