<script setup lang="ts">
// The picture that a lesson opens on, under its wash of colour, with the title on it.
import type { Cover } from '@fernbrake/core/lesson'

defineProps<{ cover: Omit<Cover, 'mediaId'>; picture: string }>()
</script>

<template>
  <div class="cover" :class="cover.letters" :style="{ backgroundColor: cover.wash }">
    <img :src="picture" alt="" :style="{ opacity: 1 - cover.strength }" />
    <div class="words"><slot /></div>
  </div>
</template>

<style scoped>
.cover {
  position: relative;
  display: grid;
  align-items: end;
  overflow: hidden;
}
.cover.paper {
  color: #fffdf8;
}
.cover.ink {
  color: #17231c;
}
img {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.words {
  position: relative;
  min-width: 0;
}
</style>
