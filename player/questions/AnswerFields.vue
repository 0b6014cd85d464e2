<script setup lang="ts">
// The frame of every answer: a group with a sentence that says what to do, locked once the answer is given.
defineProps<{ help: string; answered: boolean }>()
</script>

<template>
  <fieldset class="answer" :disabled="answered">
    <legend>{{ help }}</legend>
    <slot />
  </fieldset>
</template>

<style scoped>
.answer {
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}
legend {
  padding: 0;
  margin-bottom: 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
