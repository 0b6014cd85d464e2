<script setup lang="ts">
// The stage before there is a film: putting one in, and watching it come.
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import RecorderPanel from '../recording/RecorderPanel.vue'
import MaterialFinder from '../shelf/MaterialFinder.vue'
import type { Wanted } from '../shelf/wanted.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useBench, usePlayhead, useRights } from './useBench.ts'
import type { FilmUpload } from './useFilmUpload.ts'

const props = defineProps<{ replacing: boolean; upload: FilmUpload }>()
const emit = defineEmits<{ uploaded: [mediaId: string]; keep: [] }>()
const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const { t, n } = useI18n()
const picker = ref<HTMLInputElement | null>(null)
const over = ref(false)
const { progress, partlySent, begin, pause, goOn, forget } = props.upload

const CAPTIONS = /\.(vtt|srt)$/i
const mb = (bytes: number) => n(bytes / 1_000_000, { maximumFractionDigits: 1 })
const share = computed(() =>
  progress.value
    ? Math.round((progress.value.sentBytes / Math.max(1, progress.value.totalBytes)) * 100)
    : 0,
)
const job = computed(
  () =>
    playhead.media.value?.jobs.find((j) => j.state === 'running' || j.state === 'waiting') ?? null,
)
const shareWords = computed(() => {
  if (job.value?.kind === 'fetch') return 'intake.fetchingShare'
  return playhead.media.value?.soundFrom ? 'intake.soundShare' : 'intake.convertingShare'
})
/** Faults that may be over in a while. */
const AGAIN = new Set(['conversionFailed', 'notReached', 'notPlayed'])
const fault = computed(() => playhead.media.value?.fault ?? null)

/** Captions that were chosen along with the film come in once it is there. */
function accept(files: FileList | null | undefined): void {
  over.value = false
  if (!rights.canEdit.value) return
  const all = [...(files ?? [])]
  const captions = all.find(({ name }) => CAPTIONS.test(name))
  const film = all.find(({ name }) => !CAPTIONS.test(name))
  if (captions) bench.captionsToCome.value = captions
  if (film) void begin(film)
}

/** What is open beneath the buttons. */
const open = ref<'find' | 'recorder' | null>(null)
const toggle = (what: NonNullable<typeof open.value>) =>
  (open.value = open.value === what ? null : what)

const fetchFault = shallowRef<unknown>(null)
/** Has the server fetch a film; how far it has come is told like any other preparing. */
async function fetchFrom(wanted: Wanted): Promise<void> {
  fetchFault.value = null
  try {
    const media = await call('fetchMedia', { body: { id: nanoid(), ...wanted } })
    open.value = null
    emit('uploaded', media.id)
  } catch (error) {
    fetchFault.value = error
  }
}

/** Sends a recording as any other film; true once all of it is there, false when sending was given up. */
async function useRecording(file: File): Promise<boolean> {
  await begin(file)
  return new Promise((resolve) => {
    const stop = watch(
      () => progress.value?.state,
      (state) => {
        // What has failed can still go on from here.
        if (state !== undefined && state !== 'done') return
        stop()
        resolve(state === 'done')
      },
      { immediate: true },
    )
  })
}

const isHalted = computed(() =>
  ['paused', 'failed', 'noRoom'].includes(progress.value?.state ?? ''),
)
async function again(): Promise<void> {
  if (playhead.media.value)
    playhead.media.value = await call('prepareAgain', {
      params: { mediaId: playhead.media.value.id },
    })
}
</script>

<template>
  <div
    class="intake"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="accept($event.dataTransfer?.files)"
  >
    <div v-if="progress && progress.state !== 'done'" class="inner" role="status">
      <h2>{{ progress.name }}</h2>
      <ProgressBar :value="share" :show-value="false" :aria-label="t('intake.sending')" />
      <p>
        {{
          t('intake.sent', { sent: mb(progress.sentBytes), all: mb(progress.totalBytes), share })
        }}
      </p>
      <p v-if="progress.state === 'waiting'">{{ t('intake.waiting') }}</p>
      <p v-if="progress.state === 'failed' || progress.state === 'noRoom'" role="alert">
        {{ t(`intake.${progress.state}`) }}
      </p>
      <div class="buttons">
        <Button
          v-if="progress.state === 'sending'"
          :label="t('intake.pause')"
          severity="secondary"
          @click="pause"
        />
        <Button v-if="isHalted" :label="t('intake.goOn')" @click="goOn" />
        <Button v-if="isHalted" :label="t('intake.other')" severity="secondary" @click="forget" />
      </div>
    </div>
    <div v-else-if="playhead.media.value?.state === 'preparing'" class="inner" role="status">
      <h2>{{ t(job?.kind === 'fetch' ? 'intake.fetching' : 'intake.preparing') }}</h2>
      <template v-if="job?.kind === 'playable' || job?.kind === 'fetch'">
        <ProgressBar
          :value="Math.round(job.progress * 100)"
          :show-value="false"
          :aria-label="t(job.kind === 'fetch' ? 'intake.fetching' : 'intake.converting')"
        />
        <p>
          {{ t(shareWords, { share: Math.round(job.progress * 100) }) }}
        </p>
      </template>
      <template v-else>
        <ProgressBar mode="indeterminate" :aria-label="t('intake.preparing')" />
        <p>{{ t(playhead.media.value.hosted ? 'intake.measuring' : 'intake.looking') }}</p>
      </template>
    </div>
    <div v-else class="inner">
      <p v-if="fault" class="fault" role="alert">
        {{ t(`intake.fault.${fault}`, { name: playhead.media.value!.title }) }}
      </p>
      <h2>{{ replacing ? t('intake.replaceTitle') : t('intake.title') }}</h2>
      <p>{{ replacing ? t('intake.replaceHelp') : t('intake.help') }}</p>
      <p v-if="bench.captionsToCome.value" role="status">
        {{ t('intake.captionsToCome', { name: bench.captionsToCome.value.name }) }}
      </p>
      <p v-if="partlySent">{{ t('intake.partlySent', { name: partlySent }) }}</p>
      <div class="buttons">
        <Button
          :label="t('intake.choose')"
          :disabled="!rights.canEdit.value"
          @click="picker?.click()"
        />
        <Button
          :label="t('take.device.film')"
          severity="secondary"
          :aria-expanded="open === 'recorder'"
          :disabled="!rights.canEdit.value"
          @click="toggle('recorder')"
        />
        <Button
          :label="t('take.find')"
          severity="secondary"
          :aria-expanded="open === 'find'"
          :disabled="!rights.canEdit.value"
          @click="toggle('find')"
        />
        <Button
          v-if="fault && AGAIN.has(fault)"
          :label="t('intake.again')"
          severity="secondary"
          @click="again"
        />
        <Button
          v-if="replacing"
          :label="t('intake.keep')"
          severity="secondary"
          @click="emit('keep')"
        />
      </div>
      <RecorderPanel
        v-if="open === 'recorder'"
        class="more"
        takes="film"
        :use="useRecording"
        @close="open = null"
      />
      <MaterialFinder
        v-else-if="open === 'find'"
        class="more"
        kind="film"
        with-shelf
        takes-hosted
        :except="playhead.media.value?.id ?? null"
        @chosen="emit('uploaded', $event.id)"
        @fetch="fetchFrom"
      />
      <FaultNotice v-if="fetchFault" :error="fetchFault" @retry="fetchFault = null" />
      <input
        ref="picker"
        class="visually-hidden"
        type="file"
        multiple
        accept="video/*,.mkv,.avi,.wmv,.flv,.mpg,.3gp,.vtt,.srt"
        tabindex="-1"
        data-test="film"
        :aria-label="t('intake.choose')"
        @change="accept(($event.target as HTMLInputElement).files)"
      />
    </div>
  </div>
</template>

<style scoped>
.intake {
  display: grid;
  place-items: center;
  width: 100%;
  height: 100%;
  border: 1px dashed var(--line-strong);
}
.over {
  border-color: var(--fern);
  background: var(--surface);
}
.inner {
  width: min(100%, 560px);
  max-height: 100%;
  padding: 24px;
  overflow-y: auto;
}
h2 {
  font-family: var(--reading);
  font-size: 23px;
  font-weight: 600;
  margin-bottom: 12px;
  overflow-wrap: anywhere;
}
.inner p {
  margin-top: 10px;
  color: var(--ink-2);
}
.more {
  margin-top: 16px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 20px;
}
.inner .fault {
  margin: 0 0 20px;
  padding: 10px 14px;
  border-inline-start: 4px solid var(--rust);
  background: var(--rust-soft);
  color: var(--ink);
}
</style>
