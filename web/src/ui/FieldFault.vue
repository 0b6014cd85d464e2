<script setup lang="ts">
// What is wrong with what a field holds, right under it.
defineProps<{ id: string; says: string | null }>()
</script>

<template>
  <p v-if="says !== null" :id="`${id}-fault`" class="fault" role="alert">{{ says }}</p>
</template>

<style scoped>
.fault {
  margin: 0;
  font-size: 13.5px;
  color: var(--rust);
}
</style>
