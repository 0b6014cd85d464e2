<script setup lang="ts">
// Lets several lessons be chosen, so that who may learn them is said of all at once.
import { defineAsyncComponent } from 'vue'
import { useI18n } from 'vue-i18n'

// Few choose several: what it takes is fetched then.
const ShareChosen = defineAsyncComponent(() => import('./ShareChosen.vue'))

const chosen = defineModel<string[] | null>('chosen', { required: true })
const emit = defineEmits<{ shared: [] }>()
const { t } = useI18n()
const toggle = () => (chosen.value = chosen.value === null ? [] : null)
</script>

<template>
  <div class="several">
    <button type="button" class="fb-button plain small" @click="toggle">
      {{ t(chosen === null ? 'sharing.choose' : 'sharing.chooseDone') }}
    </button>
    <ShareChosen v-if="chosen !== null" :chosen="chosen" @shared="emit('shared')" />
  </div>
</template>

<style scoped>
.several {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  min-height: 36px;
  margin-block: -12px 12px;
  margin-inline: -10px 0;
}
</style>
