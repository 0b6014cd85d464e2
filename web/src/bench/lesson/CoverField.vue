<script setup lang="ts">
// The picture that the lesson opens on, its wash of colour, and whether the title can be read on it.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { edits, type Cover } from '@fernbrake/core/lesson'
import { ENOUGH_CONTRAST, enoughWash, washedContrast } from '@fernbrake/core/colour'
import { LessonCover } from '@fernbrake/player'
import ColourField from '../ColourField.vue'
import NumberField from '../NumberField.vue'
import { USUAL_WASH } from '../placing/places.ts'
import IntakeHere from '../placing/IntakeHere.vue'
import { useBench, usePlayhead, useRights } from '../useBench.ts'
import { usePixels } from './usePixels.ts'

const { draft, placings } = useBench()
const { canEdit } = useRights()
const { media: film } = usePlayhead()
const { t, n } = useI18n()

const cover = computed(() => draft.lesson.value.cover ?? null)
const address = computed(() => cover.value && mediaFileAddress(cover.value.mediaId, 'poster'))
const pixels = usePixels(() => address.value)
const contrast = computed(() => {
  if (!cover.value || !pixels.value) return null
  return washedContrast(pixels.value, cover.value.wash, cover.value.strength).contrast
})

const place = { at: 'cover' } as const
/** With every change of the wash the letters become those that read best on it. */
function change(wash: Partial<Pick<Cover, 'wash' | 'strength'>>): void {
  if (!cover.value) return
  const next = { ...cover.value, ...wash }
  const { letters } = pixels.value
    ? washedContrast(pixels.value, next.wash, next.strength)
    : cover.value
  draft.make(edits.setCover, { cover: { ...wash, letters } })
}
function makeEnough(): void {
  if (!cover.value || !pixels.value) return
  change({ strength: enoughWash(pixels.value, cover.value.wash, cover.value.strength) })
}
</script>

<template>
  <p v-if="!cover" class="muted">{{ t('lesson.noneYet') }}</p>
  <LessonCover v-else-if="address" class="cover" :cover="cover" :picture="address">
    <p class="title" dir="auto">{{ draft.lesson.value.title }}</p>
  </LessonCover>
  <IntakeHere v-if="canEdit" kind="picture" :place="place">
    <Button
      v-if="film?.files.includes('poster')"
      :label="t('lesson.filmPicture')"
      size="small"
      severity="secondary"
      variant="text"
      @click="placings.choose(place, film)"
    />
  </IntakeHere>
  <template v-if="cover && address">
    <div class="pair">
      <ColourField
        :label="t('lesson.wash')"
        :colour="cover.wash"
        :usual="USUAL_WASH"
        @change="change({ wash: $event ?? USUAL_WASH })"
      />
      <NumberField
        :label="t('lesson.strength')"
        :value="Math.round(cover.strength * 100)"
        :min="0"
        :max="100"
        suffix=" %"
        @change="change({ strength: $event / 100 })"
      />
    </div>
    <p v-if="contrast !== null && contrast >= ENOUGH_CONTRAST" class="notice fern" role="status">
      {{ t('lesson.readsWell', { ratio: n(contrast, { maximumFractionDigits: 1 }) }) }}
    </p>
    <div v-else-if="contrast !== null" class="notice straw" role="status">
      {{ t('lesson.readsBadly', { ratio: n(contrast, { maximumFractionDigits: 1 }) }) }}
      <Button
        v-if="canEdit"
        :label="t('lesson.strongerWash')"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="makeEnough"
      />
    </div>
    <Button
      v-if="canEdit"
      class="without"
      :label="t('lesson.noCover')"
      size="small"
      severity="secondary"
      variant="text"
      @click="draft.make(edits.setCover, { cover: null })"
    />
  </template>
</template>

<style scoped>
.cover {
  min-height: 150px;
  padding: 12px 16px;
}
.title {
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
  line-height: 1.15;
  overflow-wrap: anywhere;
}
.without {
  justify-self: start;
  align-self: start;
}
</style>
