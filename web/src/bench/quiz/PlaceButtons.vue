<script setup lang="ts">
// What can be done with something that stands among others of its kind: up, down, away.
import Button from 'primevue/button'
import { useI18n } from 'vue-i18n'

/** `moves` is false where its place follows from something else, such as its date. */
withDefaults(defineProps<{ canUp: boolean; canDown: boolean; moves?: boolean }>(), { moves: true })
const emit = defineEmits<{ move: [by: 1 | -1]; remove: [] }>()
const { t } = useI18n()
</script>

<template>
  <Button
    v-for="[name, by, can] in moves
      ? ([
          ['up', -1, canUp],
          ['down', 1, canDown],
        ] as const)
      : []"
    :key="name"
    :label="t(`quiz.${name}`)"
    :disabled="!can"
    severity="secondary"
    variant="text"
    size="small"
    @click="emit('move', by)"
  />
  <slot />
  <Button
    :label="t('sheet.delete')"
    severity="danger"
    variant="text"
    size="small"
    @click="emit('remove')"
  />
</template>
