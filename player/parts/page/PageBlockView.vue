<script setup lang="ts">
// One block of a page, with its ground, its width and its margin note.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { plainOf } from '@fernbrake/core/fields'
import type { PageBlock } from '@fernbrake/core/lesson'
import PageCard from '../../pages/PageCard.vue'
import { ADDRESSES } from '../../questions/answerView.ts'
import TextView from '../../questions/TextView.vue'
import LoadedPicture from '../../ui/LoadedPicture.vue'
import PartQuestion from '../PartQuestion.vue'
import { useSitting } from '../usePart.ts'
import StretchBlock from './StretchBlock.vue'

const props = defineProps<{
  block: Exclude<PageBlock, { kind: 'columns' }>
  /** The stem of the question that it asks, where it cannot be answered. */
  stem?: string
}>()
const { t } = useI18n()
const sitting = useSitting()
const addresses = inject(ADDRESSES, null)
const address = computed(() => {
  const { block } = props
  if (!('mediaId' in block) || block.mediaId === null) return null
  return addresses?.medium(block.mediaId) ?? null
})
</script>

<template>
  <div
    class="block"
    :data-block="sitting ? block.id : undefined"
    :class="[block.kind, block.width, block.align, block.tone && `tone ${block.tone}`]"
  >
    <component
      :is="`h${block.level}`"
      v-if="block.kind === 'heading'"
      :class="`level-${block.level}`"
      dir="auto"
    >
      {{ block.words }}
    </component>
    <TextView v-else-if="block.kind === 'text'" :text="block.text" />
    <template v-else-if="block.kind === 'fact'">
      <p v-if="block.title" class="fact-title" dir="auto">{{ block.title }}</p>
      <TextView :text="block.text" />
    </template>
    <figure v-else-if="block.kind === 'picture' && address">
      <LoadedPicture :src="address" :alt="block.alternative" lazy />
      <figcaption v-if="block.caption" dir="auto">{{ block.caption }}</figcaption>
    </figure>
    <figure v-else-if="block.kind === 'sound' && address">
      <figcaption v-if="block.title" dir="auto">{{ block.title }}</figcaption>
      <audio :src="address" :aria-label="block.title" controls preload="none" />
    </figure>
    <figure v-else-if="block.kind === 'film' && address">
      <video :src="address" :aria-label="block.title" controls playsinline preload="metadata" />
      <figcaption v-if="block.title" dir="auto">{{ block.title }}</figcaption>
    </figure>
    <p v-else-if="block.kind === 'file' && address" class="file">
      <a class="fb-button" :href="address" download>
        {{ t('player.part.takeFile', { title: block.title || t('player.part.file') }) }}
      </a>
    </p>
    <StretchBlock v-else-if="block.kind === 'stretch' && block.stretch" :stretch="block.stretch" />
    <PageCard
      v-else-if="block.kind === 'web' && block.address"
      :block="{ block: 'page', address: block.address, title: block.title, opens: block.opens }"
    />
    <template v-else-if="block.kind === 'question'">
      <PartQuestion v-if="sitting" :ask-id="block.id" :question-id="block.questionId" />
      <p v-else class="asked" dir="auto">{{ stem ?? '' }}</p>
    </template>
    <p v-else class="missing">
      {{ t('mediaId' in block && block.mediaId ? 'player.mediumMissing' : 'player.part.nothing') }}
    </p>
  </div>
  <p v-if="block.note" class="note" dir="auto" :aria-label="t('player.part.note')" role="note">
    {{ plainOf(block.note) }}
  </p>
</template>

<style scoped>
.block {
  grid-column: 1;
  min-width: 0;
  font-size: 17px;
  line-height: 1.6;
}
.block.wide {
  grid-column: 1 / -1;
}
.block.narrow {
  max-width: 420px;
  width: 100%;
}
.narrow.centre {
  margin-inline: auto;
}
.narrow.end {
  margin-inline-start: auto;
}
.block:is(.centre, .end):is(.text, .heading, .fact, .file) {
  text-align: center;
}
.block.end:is(.text, .heading, .fact, .file) {
  text-align: end;
}
.question {
  font-size: 15px;
  line-height: 1.45;
}
.text,
.fact {
  font-family: var(--reading);
}
.block :deep(.plain) {
  display: block;
}
.level-2,
.level-3 {
  font-family: var(--reading);
  font-weight: 600;
  line-height: 1.25;
  overflow-wrap: anywhere;
}
.level-2 {
  font-size: 22px;
}
.level-3 {
  font-size: 18px;
}
.tone,
.fact {
  --tone: var(--fern);
  --tone-soft: var(--fern-soft);
  padding: 14px 18px;
  border-radius: var(--radius);
  background: var(--tone-soft);
}
.fact {
  border-inline-start: 4px solid var(--tone);
}
.tone.rust {
  --tone: var(--rust);
  --tone-soft: var(--rust-soft);
}
.tone.slate {
  --tone: var(--slate);
  --tone-soft: var(--slate-soft);
}
.tone.plum {
  --tone: var(--plum);
  --tone-soft: var(--plum-soft);
}
.tone.straw {
  --tone: var(--straw);
  --tone-soft: var(--straw-soft);
}
.fact-title {
  margin-bottom: 4px;
  font-family: var(--interface);
  font-size: 15px;
  font-weight: 700;
}
figure {
  margin: 0;
}
.block :deep(img),
video {
  display: block;
  max-width: 100%;
  height: auto;
  max-height: 80vh;
}
.centre :deep(:is(img, video)) {
  margin-inline: auto;
}
.end :deep(:is(img, video)) {
  margin-inline-start: auto;
}
audio {
  display: block;
  width: 100%;
}
figcaption {
  margin-top: 6px;
  color: var(--ink-2);
  font-size: 15px;
  line-height: 1.45;
}
.sound figcaption {
  margin: 0 0 6px;
}
.file a {
  text-decoration: none;
}
.asked {
  padding: 14px 18px;
  border: 1px solid var(--rust);
  border-radius: var(--radius);
  background: var(--surface);
  font-family: var(--reading);
  white-space: pre-line;
}
.missing {
  padding: 10px 14px;
  border: 1px dashed var(--line-strong);
  color: var(--ink-2);
  font-size: 15px;
}
.note {
  grid-column: 2;
  padding-inline-start: 12px;
  border-inline-start: 2px solid var(--straw);
  color: var(--ink-2);
  font-size: 13.5px;
  line-height: 1.45;
  white-space: pre-line;
}
/* In a column, or on a narrow screen, there is no margin: the note stands under what it is about. */
.column > .note {
  margin-top: -8px;
}
@media (max-width: 760px) {
  .note {
    grid-column: 1;
    margin-top: -8px;
  }
}
@media print {
  .block {
    break-inside: avoid;
    font-size: 11.5pt;
  }
  .block.text {
    break-inside: auto;
  }
  audio,
  video,
  .file {
    display: none;
  }
}
</style>
