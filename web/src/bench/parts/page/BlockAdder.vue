<script setup lang="ts">
// What can be added to a page here; the rarer things are behind a menu.
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { OFFERED, OFFERED_MORE, type AddKind } from './newBlock.ts'

/** `small`: in a column, where all but one button are behind the menu, and no columns are offered. */
const props = defineProps<{ small: boolean }>()
const emit = defineEmits<{ add: [kind: AddKind]; shelf: []; article: [] }>()
const { t } = useI18n()
const menu = useTemplateRef('menu')
const menuId = useId()
const offered = computed(() => (props.small ? [] : OFFERED))
const more = computed(() => {
  const kinds = props.small
    ? [...OFFERED, ...OFFERED_MORE].filter((kind) => kind !== 'columns')
    : OFFERED_MORE
  return [
    ...kinds.map((kind) => ({ label: t(`parts.block.${kind}`), command: () => emit('add', kind) })),
    { label: t('quiz.fromShelf'), command: () => emit('shelf') },
    { label: t('article.title'), command: () => emit('article') },
  ]
})
</script>

<template>
  <div class="adds" role="group" :aria-label="t('parts.addHere')">
    <Button
      v-for="kind in offered"
      :key="kind"
      :label="`+ ${t(`parts.block.${kind}`)}`"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="emit('add', kind)"
    />
    <Button
      :label="t(small ? 'parts.addHere' : 'parts.addMore')"
      severity="secondary"
      :variant="small ? 'outlined' : 'text'"
      size="small"
      aria-haspopup="true"
      :aria-controls="menuId"
      @click="menu?.toggle($event)"
    />
    <Menu :id="menuId" ref="menu" :model="more" popup />
  </div>
</template>

<style scoped>
.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 10px 0;
}
</style>
