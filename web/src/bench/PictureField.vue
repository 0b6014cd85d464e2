<script setup lang="ts">
// Which picture an overlay shows: from the shelf, from a file or the clipboard, or taken from the film.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import type { OverlayForm } from '@fernbrake/core/lesson'
import { timecodeOf } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import { pictureIn, usePictureUpload } from '../shelf/usePictureUpload.ts'
import { useLoaded } from '../ui/useLoaded.ts'
import ChoiceField from './ChoiceField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ content: Extract<OverlayForm, { form: 'picture' }> }>()
const emit = defineEmits<{ change: [content: OverlayForm] }>()
const bench = useBench()
const { t, n } = useI18n()
const file = useTemplateRef('file')
const choosing = ref(false)
const { share, fault, put } = usePictureUpload()
const shelf = useLoaded(async () => (await call('mediaList')).media)
const pictures = computed(() =>
  (shelf.value.value ?? []).filter(({ kind, state }) => kind === 'picture' && state === 'ready'),
)
const fits = computed(() =>
  (['whole', 'fill'] as const).map((value) => ({ value, label: t(`picture.fit.${value}`) })),
)

function show(media: Media): void {
  choosing.value = false
  emit('change', { ...props.content, mediaId: media.id })
}
async function take(blob: Blob, name: string): Promise<void> {
  const media = await put(blob, name)
  if (!media) return
  show(media)
  void shelf.reload()
}
function onFile(event: Event): void {
  const [chosen] = (event.target as HTMLInputElement).files ?? []
  if (chosen) void take(chosen, chosen.name)
}
function onPaste(event: ClipboardEvent): void {
  const picture = pictureIn(event.clipboardData)
  if (!picture) return
  event.preventDefault()
  void take(picture, picture.name)
}
function onDrop(event: DragEvent): void {
  const picture = pictureIn(event.dataTransfer)
  if (picture) void take(picture, picture.name)
}

/** The frame that the stage shows, in the film's own size. */
function takeFrame(): void {
  const video = bench.video.value
  if (!video || video.videoWidth === 0) return
  const canvas = document.createElement('canvas')
  canvas.width = video.videoWidth
  canvas.height = video.videoHeight
  canvas.getContext('2d')!.drawImage(video, 0, 0)
  const at = timecodeOf(bench.mediaMs.value, bench.frameRate.value)
  canvas.toBlob((blob) => blob && void take(blob, t('picture.frameName', { at })), 'image/png')
}
</script>

<template>
  <fieldset @paste="onPaste" @dragover.prevent @drop.prevent="onDrop">
    <legend>{{ t('picture.picture') }}</legend>
    <img
      v-if="content.mediaId"
      class="shown"
      :src="mediaFileAddress(content.mediaId, 'poster')"
      alt=""
    />
    <div v-if="bench.canEdit.value" class="buttons">
      <Button
        :label="t('picture.fromFile')"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="file?.click()"
      />
      <Button
        :label="t('picture.fromFilm')"
        size="small"
        severity="secondary"
        variant="text"
        @click="takeFrame"
      />
      <Button
        v-if="pictures.length > 0"
        :label="t('picture.fromShelf')"
        :aria-expanded="choosing"
        size="small"
        severity="secondary"
        variant="text"
        @click="choosing = !choosing"
      />
      <input
        ref="file"
        class="visually-hidden"
        type="file"
        accept="image/*"
        tabindex="-1"
        :aria-label="t('picture.fromFile')"
        @change="onFile"
      />
    </div>
    <p v-if="share !== null" role="status">
      {{ t('picture.sending', { share: n(share, { style: 'percent' }) }) }}
    </p>
    <p v-if="fault" class="notice" role="alert">{{ t(`picture.fault.${fault}`) }}</p>
    <ul v-if="choosing" class="shelf">
      <li v-for="media in pictures" :key="media.id">
        <button type="button" @click="show(media)">
          <img
            :src="mediaFileAddress(media.id, 'poster')"
            :alt="media.alternative"
            loading="lazy"
          />
          <span>{{ media.title }}</span>
        </button>
      </li>
    </ul>
    <p class="help">{{ t('picture.help') }}</p>
    <ChoiceField
      :label="t('picture.fits')"
      :value="content.fit"
      :choices="fits"
      @change="emit('change', { ...content, fit: $event })"
    />
  </fieldset>
</template>

<style scoped>
.shown {
  max-width: 100%;
  max-height: 120px;
  justify-self: start;
  border: 1px solid var(--line);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 8px;
  max-height: 260px;
  margin: 0;
  padding: 2px;
  overflow-y: auto;
  list-style: none;
}
.shelf button {
  display: grid;
  width: 100%;
  gap: 4px;
  padding: 4px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 12.5px;
  text-align: start;
  overflow-wrap: anywhere;
  cursor: pointer;
}
.shelf img {
  width: 100%;
  height: 64px;
  object-fit: contain;
  background: var(--sunk);
}
.help {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
