<script setup lang="ts">
// The one place where media come onto the shelf: files of any kind, chosen, dropped or pasted; from a device; or found.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import RecorderPanel from '../recording/RecorderPanel.vue'
import SnapshotPanel from '../recording/SnapshotPanel.vue'
import { kindOfFile } from './kindOfFile.ts'
import MaterialFinder from './MaterialFinder.vue'
import { useMediaUpload, type UploadFault } from './useMediaUpload.ts'
import type { Wanted } from './wanted.ts'

const emit = defineEmits<{ taken: [media: Media] }>()
const { t, n } = useI18n()
const file = useTemplateRef('file')
const over = ref(false)
const open = ref<'picture' | 'sound' | 'film' | 'find' | null>(null)
const DEVICES = ['picture', 'sound', 'film'] as const
const uploads = {
  film: useMediaUpload('film', true),
  picture: useMediaUpload('picture'),
  sound: useMediaUpload('sound'),
  document: useMediaUpload('document'),
}
const KINDS = ['film', 'picture', 'sound', 'document'] as const
const going = computed(
  () => KINDS.map((kind) => uploads[kind].going.value).find((one) => one !== null) ?? null,
)
/** What is under way, what waits behind it, and what could not be taken: one that fails stops none of the others. */
const name = ref('')
const left = ref(0)
const faults = ref<{ name: string; kind: Media['kind']; fault: UploadFault }[]>([])

async function take(kind: Media['kind'], as: string, how: () => Promise<Media | null>) {
  name.value = as
  const media = await how()
  const fault = uploads[kind].fault.value
  if (media) emit('taken', media)
  else if (fault) faults.value.push({ name: as, kind, fault })
  return media !== null
}
const waiting: File[] = []
/** One after the other; more may come while some are being taken. */
async function takeFiles(files: readonly File[]): Promise<void> {
  over.value = false
  if (files.length === 0) return
  if (waiting.length === 0 && going.value === null) faults.value = []
  waiting.push(...files)
  left.value = waiting.length
  if (going.value !== null) return
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    left.value = waiting.length
    const one = next
    const kind = kindOfFile(one)
    await take(kind, one.name, () => uploads[kind].put(one, one.name))
  }
}
async function takeMade(made: File): Promise<boolean> {
  const kind = kindOfFile(made)
  faults.value = []
  const isThere = await take(kind, made.name, () => uploads[kind].put(made, made.name))
  if (isThere) open.value = null
  return isThere
}
async function fetchIt(wanted: Wanted): Promise<void> {
  faults.value = []
  const as = wanted.about?.title ?? wanted.address
  if (await take(wanted.kind, as, () => uploads[wanted.kind].fetchFrom(wanted))) open.value = null
}
function onChosen(event: Event): void {
  const input = event.target as HTMLInputElement
  void takeFiles([...(input.files ?? [])])
  input.value = ''
}
/** Takes what was pasted or dropped anywhere on the page; true where there was something. */
function takeFrom(data: DataTransfer | null): boolean {
  const files = [...(data?.files ?? [])]
  void takeFiles(files)
  return files.length > 0
}
const toggle = (what: NonNullable<typeof open.value>) =>
  (open.value = open.value === what ? null : what)
const saidOf = ({ kind, fault }: (typeof faults.value)[number]) =>
  fault === 'notThis' ? t(`take.notThis.${kind}`) : t(`take.fault.${fault}`)
defineExpose({ takeFrom })
</script>

<template>
  <section
    class="add"
    :class="{ over }"
    :aria-label="t('shelf.add')"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent.stop="takeFrom($event.dataTransfer)"
  >
    <div class="buttons">
      <Button :label="t('shelf.chooseFiles')" @click="file?.click()" />
      <Button
        :label="t('take.find')"
        severity="secondary"
        variant="outlined"
        :aria-expanded="open === 'find'"
        @click="toggle('find')"
      />
      <Button
        v-for="kind in DEVICES"
        :key="kind"
        :label="t(`shelf.device.${kind}`)"
        severity="secondary"
        variant="text"
        :aria-expanded="open === kind"
        @click="toggle(kind)"
      />
      <input
        ref="file"
        class="visually-hidden"
        type="file"
        multiple
        tabindex="-1"
        data-test="files"
        :aria-label="t('shelf.chooseFiles')"
        @change="onChosen"
      />
    </div>
    <p v-if="going" role="status">
      <b dir="auto">{{ name }}</b>
      {{ t(`take.${going.step}`, { share: n(going.share, { style: 'percent' }) }) }}
      <template v-if="left > 0">{{ t('take.left', left) }}</template>
    </p>
    <p v-for="(one, index) in faults" :key="index" class="notice" role="alert">
      <b dir="auto">{{ one.name }}</b> {{ saidOf(one) }}
    </p>
    <MaterialFinder
      v-if="open === 'find'"
      :kind="null"
      takes-hosted
      :busy="going !== null"
      @chosen="emit('taken', $event)"
      @fetch="fetchIt"
    />
    <SnapshotPanel v-else-if="open === 'picture'" @taken="takeMade" @close="open = null" />
    <RecorderPanel
      v-else-if="open !== null"
      :key="open"
      :takes="open"
      :use="takeMade"
      @close="open = null"
    />
  </section>
</template>

<style scoped>
.add {
  display: grid;
  gap: 10px;
  margin-top: 14px;
  padding: 12px;
  border: 1px dashed var(--line-strong);
  border-radius: var(--radius);
}
.over {
  border-color: var(--fern);
  background: var(--surface);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
p {
  margin: 0;
}
</style>
