<script setup lang="ts">
// A list, and a sheet beside it; on a narrow screen the sheet comes first.
defineProps<{ open: boolean }>()
</script>

<template>
  <div class="desk" :class="{ split: open }">
    <slot />
    <slot v-if="open" name="sheet" />
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(330px, 400px);
  gap: 24px;
  align-items: start;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .split > :slotted(:last-child) {
    order: -1;
  }
}
</style>
