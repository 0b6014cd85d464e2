<script setup lang="ts">
// Getting a medium: from a file, from the shelf, from a device; pictures also by dropping and pasting.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import RecorderPanel from '../recording/RecorderPanel.vue'
import SnapshotPanel from '../recording/SnapshotPanel.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import AddressPad from './AddressPad.vue'
import ShelfList from './ShelfList.vue'
import { ACCEPTED, pictureIn, useMediaUpload } from './useMediaUpload.ts'

const props = defineProps<{
  kind: Media['kind']
  fromShelf?: boolean
  /** Several files may be taken at once. */
  several?: boolean
  /** Films that stay with their host are taken too; in frames, not everything can show them. */
  takesHosted?: boolean
}>()
const emit = defineEmits<{ taken: [media: Media] }>()
const { t, n } = useI18n()
const file = useTemplateRef('file')
/** What is open beneath the buttons. */
const open = ref<'shelf' | 'device' | 'address' | null>(null)
/** So many files wait behind the one that is being taken. */
const left = ref(0)
const { going, fault, put, fetchFrom } = useMediaUpload(props.kind, props.takesHosted)
const shelf = useLoaded(async () => (props.fromShelf ? (await call('mediaList')).media : []))
const onShelf = computed(() =>
  (shelf.value.value ?? []).filter(
    ({ kind, state, hosted }) =>
      kind === props.kind && state === 'ready' && (props.takesHosted || hosted === null),
  ),
)

function choose(media: Media): void {
  open.value = null
  emit('taken', media)
}
async function take(blob: Blob, name: string): Promise<boolean> {
  const media = await put(blob, name)
  if (!media) return false
  choose(media)
  void shelf.reload()
  return true
}
async function fetchIt(address: string): Promise<void> {
  const media = await fetchFrom(address)
  if (!media) return
  choose(media)
  void shelf.reload()
}
function onFile(event: Event): void {
  const input = event.target as HTMLInputElement
  void takeAll([...(input.files ?? [])])
  input.value = ''
}
/** One after the other, in the order of their names, as numbered pictures are meant. */
async function takeAll(files: File[]): Promise<void> {
  const inOrder = files.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
  for (const [index, one] of inOrder.entries()) {
    left.value = inOrder.length - index - 1
    if (!(await take(one, one.name))) break
  }
}
/** Takes a picture that was pasted or dropped. */
function takeFrom(data: DataTransfer | null): boolean {
  const picture = props.kind === 'picture' ? pictureIn(data) : null
  if (picture) void take(picture, picture.name)
  return picture !== null
}
const toggle = (what: NonNullable<typeof open.value>) =>
  (open.value = open.value === what ? null : what)
defineExpose({ take, takeFrom })
</script>

<template>
  <div class="take">
    <div class="buttons">
      <Button
        :label="t(`take.file.${kind}`)"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="file?.click()"
      />
      <Button
        v-if="kind !== 'document'"
        :label="t(`take.device.${kind}`)"
        :aria-expanded="open === 'device'"
        size="small"
        severity="secondary"
        variant="text"
        @click="toggle('device')"
      />
      <slot />
      <Button
        :label="t('take.address')"
        :aria-expanded="open === 'address'"
        size="small"
        severity="secondary"
        variant="text"
        @click="toggle('address')"
      />
      <Button
        v-if="onShelf.length > 0"
        :label="t('take.shelf')"
        :aria-expanded="open === 'shelf'"
        size="small"
        severity="secondary"
        variant="text"
        @click="toggle('shelf')"
      />
      <input
        ref="file"
        class="visually-hidden"
        type="file"
        :multiple="several"
        :accept="ACCEPTED[kind]"
        tabindex="-1"
        :data-test="`file-${kind}`"
        :aria-label="t(`take.file.${kind}`)"
        @change="onFile"
      />
    </div>
    <p v-if="going" role="status">
      {{ t(`take.${going.step}`, { share: n(going.share, { style: 'percent' }) }) }}
      <template v-if="left > 0">{{ t('take.left', left) }}</template>
    </p>
    <p v-if="fault" class="notice" role="alert">
      {{ fault === 'notThis' ? t(`take.notThis.${kind}`) : t(`take.fault.${fault}`) }}
    </p>
    <AddressPad v-if="open === 'address'" :kind="kind" :busy="going !== null" @fetch="fetchIt" />
    <SnapshotPanel
      v-if="open === 'device' && kind === 'picture'"
      @taken="take($event, $event.name)"
      @close="open = null"
    />
    <RecorderPanel
      v-else-if="open === 'device' && (kind === 'film' || kind === 'sound')"
      :takes="kind"
      :use="(made) => take(made, made.name)"
      @close="open = null"
    />
    <ShelfList v-if="open === 'shelf'" :media="onShelf" @chosen="choose" />
  </div>
</template>

<style scoped>
.take {
  display: grid;
  gap: 10px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
