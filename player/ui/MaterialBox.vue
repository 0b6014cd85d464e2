<script setup lang="ts">
// What several questions are about: it stays beside each of them, and can be folded away.
import { useId } from 'vue'
import type { Material } from '@fernbrake/core/lesson'
import TextView from '../questions/TextView.vue'

defineProps<{ material: Material }>()
const id = useId()
</script>

<template>
  <details class="material" open>
    <summary :id="id" dir="auto">{{ material.title }}</summary>
    <div class="text" tabindex="0" role="region" :aria-labelledby="id">
      <TextView :text="material.text" />
    </div>
  </details>
</template>

<style scoped>
.material {
  margin: 0 0 18px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--ground);
}
summary {
  min-height: 44px;
  padding: 10px 14px;
  font-weight: 650;
  cursor: pointer;
}
.text {
  max-height: 38vh;
  overflow-y: auto;
  padding: 0 14px 12px;
  font-family: var(--reading);
  font-size: 16px;
  line-height: 1.5;
}
</style>
