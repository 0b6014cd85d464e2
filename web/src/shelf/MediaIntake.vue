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
import type { Intake } from './intake.ts'
import ShelfList from './ShelfList.vue'
import { ACCEPTED, pictureIn, useMediaUpload } from './useMediaUpload.ts'

const props = defineProps<{
  kind: Media['kind']
  fromShelf?: boolean
  /** Several files may be taken at once. */
  several?: boolean
  /** Films that stay with their host are taken too; in frames, not everything can show them. */
  takesHosted?: boolean
  /** Takes what is chosen in charge; without it, that lasts as long as these buttons do. */
  intake?: Intake
}>()
const emit = defineEmits<{ taken: [media: Media] }>()
const { t, n } = useI18n()
const file = useTemplateRef('file')
/** What is open beneath the buttons. */
const open = ref<'shelf' | 'device' | 'address' | null>(null)
const own = useMediaUpload(props.kind, props.takesHosted)
/** So many files wait behind the one that is being taken. */
const ownLeft = ref(0)
const going = computed(() => (props.intake ? props.intake.going : own.going.value))
const fault = computed(() => (props.intake ? props.intake.fault : own.fault.value))
const left = computed(() => props.intake?.left ?? ownLeft.value)
const shelf = useLoaded(async () => (props.fromShelf ? (await call('mediaList')).media : []))
const onShelf = computed(() =>
  (shelf.value.value ?? []).filter(
    ({ kind, state, hosted }) =>
      kind === props.kind && state === 'ready' && (props.takesHosted || hosted === null),
  ),
)

function choose(media: Media): void {
  open.value = null
  if (props.intake) props.intake.choose(media)
  else emit('taken', media)
}
function arrived(isThere: boolean): boolean {
  if (!isThere) return false
  open.value = null
  void shelf.reload()
  return true
}
function give(media: Media | null): boolean {
  if (media) emit('taken', media)
  return arrived(media !== null)
}
const take = async (blob: Blob, name: string): Promise<boolean> =>
  props.intake ? arrived(await props.intake.put(blob, name)) : give(await own.put(blob, name))
async function fetchIt(address: string): Promise<void> {
  if (props.intake) arrived(await props.intake.fetchFrom(address))
  else give(await own.fetchFrom(address))
}
function onFile(event: Event): void {
  const input = event.target as HTMLInputElement
  void takeAll([...(input.files ?? [])])
  input.value = ''
}
/** One after the other, in the order of their names, as numbered pictures are meant. */
async function takeAll(files: File[]): Promise<void> {
  const inOrder = files.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
  if (props.intake) {
    await props.intake.putAll(inOrder)
    return void shelf.reload()
  }
  for (const [index, one] of inOrder.entries()) {
    ownLeft.value = inOrder.length - index - 1
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
