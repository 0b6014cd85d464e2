<script setup lang="ts">
import { RouterView, type RouteLocationNormalizedLoaded } from 'vue-router'
import ReadOnlyStrip from './ui/ReadOnlyStrip.vue'

/** Another address is another page, drawn anew, but for places that are one page together. */
const pageOf = ({ path, meta, params }: RouteLocationNormalizedLoaded) =>
  meta.page ? `${meta.page} ${Object.values(params).join(' ')}` : path
</script>

<template>
  <ReadOnlyStrip />
  <RouterView v-slot="{ Component, route }">
    <component :is="Component" :key="pageOf(route)" />
  </RouterView>
</template>
