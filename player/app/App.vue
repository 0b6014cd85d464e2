<script setup lang="ts">
// The learner's page: /open/:code leads in, /learn/:attempt goes on; /embed/:code does both in a frame on another page.
import { onScopeDispose, shallowRef } from 'vue'
import { createServerHost } from '../hosts/server/index.ts'
import type { Host } from '../hosts/Host.ts'
import LessonPlayer from '../ui/LessonPlayer.vue'
import WelcomePage from './WelcomePage.vue'

const [, place, key = ''] = location.pathname.split('/')
const host = shallowRef<Host | null>(null)
/** Results lead back to a moment of a film; a reload goes on where the learner is by then. */
function readStart(): { partId: string; atMs: number } | null {
  const words = new URLSearchParams(location.hash.slice(1))
  const [partId, atMs] = [words.get('part'), Math.round(Number(words.get('at')))]
  if (!partId || !(atMs >= 0)) return null
  history.replaceState(null, '', location.pathname)
  return { partId, atMs }
}
const startAt = place === 'learn' ? readStart() : null
const ownTab = place === 'embed' ? `/open/${key}` : undefined

async function learn(attemptId: string): Promise<void> {
  // A frame keeps its address: only that one may be shown inside other pages, whenever it is loaded again.
  if (place !== 'embed' && location.pathname !== `/learn/${attemptId}`)
    history.replaceState(null, '', `/learn/${attemptId}`)
  host.value = await createServerHost(attemptId)
}
if (place === 'learn') void learn(key)
/** A lesson that is brought back as it was left may be another learner's by now, and another device may have gone on: it begins anew where it is. */
function begunAnew({ persisted }: PageTransitionEvent): void {
  if (persisted && host.value) location.reload()
}
addEventListener('pageshow', begunAnew)
onScopeDispose(() => {
  removeEventListener('pageshow', begunAnew)
  host.value?.destroy()
})
</script>

<template>
  <LessonPlayer v-if="host" :host="host" :own-tab="ownTab" :start-at="startAt" />
  <WelcomePage v-else-if="place === 'open' || place === 'embed'" :code="key" @opened="learn" />
</template>
