<script setup lang="ts">
// The learner's page: /open/:code leads in, /learn/:attempt goes on; /embed/:code does both in a frame on another page.
import { onScopeDispose, shallowRef } from 'vue'
import { createServerHost } from '../hosts/server/index.ts'
import type { Host } from '../hosts/Host.ts'
import LessonPlayer from '../ui/LessonPlayer.vue'
import WelcomePage from './WelcomePage.vue'

const [, place, key = ''] = location.pathname.split('/')
const host = shallowRef<Host | null>(null)
const ownTab = place === 'embed' ? `/open/${key}` : undefined

async function learn(attemptId: string): Promise<void> {
  // A frame keeps its address: only that one may be shown inside other pages, whenever it is loaded again.
  if (place !== 'embed' && location.pathname !== `/learn/${attemptId}`)
    history.replaceState(null, '', `/learn/${attemptId}`)
  host.value = await createServerHost(attemptId)
}
if (place === 'learn') void learn(key)
onScopeDispose(() => host.value?.destroy())
</script>

<template>
  <LessonPlayer v-if="host" :host="host" :own-tab="ownTab" />
  <WelcomePage v-else-if="place === 'open' || place === 'embed'" :code="key" @opened="learn" />
</template>
