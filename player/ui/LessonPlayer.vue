<script setup lang="ts">
// The whole player: opens the lesson through its host and shows its film part. Needs nothing but a Host.
import { computed, onMounted, onScopeDispose, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { placeToGoOn } from '@fernbrake/core/playback'
import { HostError, type Host, type HostState, type OpenedLesson } from '../hosts/Host.ts'
import FilmPlayer from './FilmPlayer.vue'
import HostStrip from './HostStrip.vue'

const props = defineProps<{ host: Host; aside?: string }>()
const { t } = useI18n()
const opened = shallowRef<OpenedLesson | null>(null)
const failure = ref<HostError['reason'] | null>(null)
const hostState = shallowRef<HostState>(props.host.state())
onScopeDispose(props.host.onState((state) => (hostState.value = state)))

/** The part that a fork led to; before that, the one in which the learner goes on. */
const ledTo = ref<string | null>(null)
const part = computed(() => {
  if (!opened.value) return null
  const { lesson, progress } = opened.value
  return (ledTo.value && lesson.parts[ledTo.value]) || (placeToGoOn(lesson, progress)?.part ?? null)
})

async function open(): Promise<void> {
  failure.value = null
  try {
    opened.value = await props.host.open()
    document.title = opened.value.lesson.title
  } catch (error) {
    failure.value = error instanceof HostError ? error.reason : 'failed'
  }
}
onMounted(open)
</script>

<template>
  <div class="player night">
    <HostStrip :state="hostState" />
    <FilmPlayer
      v-if="opened && part"
      :key="part.id"
      :host="host"
      :opened="opened"
      :part-id="part.id"
      :host-state="hostState"
      :aside="aside ?? opened.learnerName"
      @to-part="ledTo = $event"
    />
    <div v-else-if="failure" class="middle" role="alert">
      <p>{{ t(`player.${failure}`) }}</p>
      <button v-if="failure !== 'notFound'" class="fb-button" type="button" @click="open">
        {{ t('player.retry') }}
      </button>
    </div>
    <div v-else class="skeleton" role="status" :aria-label="t('player.loading')">
      <div class="bone stage" />
      <div class="bone bar" />
    </div>
  </div>
</template>

<style scoped>
.player {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
  overflow: hidden;
}
.middle {
  margin: auto;
  max-width: 46ch;
  padding: 24px;
  text-align: center;
}
.middle .fb-button {
  margin-top: 18px;
}
.skeleton {
  padding: 60px 22px;
  max-width: 66%;
}
.bone {
  background: var(--surface);
  border-radius: var(--radius);
}
.bone.stage {
  aspect-ratio: 16 / 9;
  max-height: calc(100vh - 250px);
}
.bone.bar {
  height: 44px;
  margin-top: 18px;
}
@media (max-width: 760px) {
  .player {
    height: auto;
    min-height: 100dvh;
    overflow: visible;
  }
  .skeleton {
    max-width: none;
    padding: 50px 0;
  }
}
</style>
