<script setup lang="ts">
// Getting a medium for a place: from a file, from a device, or found on the shelf, in archives or at its address; pictures
// also by dropping and pasting.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import RecorderPanel from '../recording/RecorderPanel.vue'
import SnapshotPanel from '../recording/SnapshotPanel.vue'
import type { Intake } from './intake.ts'
import MaterialFinder from './MaterialFinder.vue'
import { ACCEPTED, pictureIn } from './useMediaUpload.ts'
import type { Wanted } from './wanted.ts'

const props = defineProps<{
  kind: Media['kind']
  /** Several files may be taken at once. */
  several?: boolean
  /** Takes what is chosen in charge. */
  intake: Intake
}>()
const { t, n } = useI18n()
const file = useTemplateRef('file')
/** What is open beneath the buttons. */
const open = ref<'find' | 'device' | null>(null)
const going = computed(() => props.intake.going)
const fault = computed(() => props.intake.fault)
const left = computed(() => props.intake.left)

function choose(media: Media): void {
  open.value = null
  props.intake.choose(media)
}
function arrived(isThere: boolean): boolean {
  if (isThere) open.value = null
  return isThere
}
const take = async (blob: Blob, name: string): Promise<boolean> =>
  arrived(await props.intake.put(blob, name))
const fetchIt = async (wanted: Wanted): Promise<boolean> =>
  arrived(await props.intake.fetchFrom(wanted))
function onFile(event: Event): void {
  const input = event.target as HTMLInputElement
  void takeAll([...(input.files ?? [])])
  input.value = ''
}
/** One after the other, in the order of their names, as numbered pictures are meant. */
const takeAll = (files: File[]): Promise<void> =>
  props.intake.putAll(
    files.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true })),
  )
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
        :label="t('take.find')"
        :aria-expanded="open === 'find'"
        size="small"
        severity="secondary"
        variant="text"
        @click="toggle('find')"
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
    <MaterialFinder
      v-if="open === 'find'"
      :kind="kind"
      with-shelf
      :busy="going !== null"
      @chosen="choose"
      @fetch="fetchIt"
    />
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
