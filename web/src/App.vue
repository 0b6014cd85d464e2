<script setup lang="ts">
import { RouterView } from 'vue-router'
import ReadOnlyStrip from './ui/ReadOnlyStrip.vue'
</script>

<template>
  <ReadOnlyStrip />
  <RouterView v-slot="{ Component, route }">
    <component :is="Component" :key="route.path" />
  </RouterView>
</template>
