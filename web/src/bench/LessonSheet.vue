<script setup lang="ts">
// The sheet for the lesson itself: what it says of itself, how it looks, and how learners may move through the film.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type SeekRule } from '@fernbrake/core/lesson'
import { dropsFrames } from '@fernbrake/core/media'
import AboutFields from './lesson/AboutFields.vue'
import CoverField from './lesson/CoverField.vue'
import ThemeFields from './lesson/ThemeFields.vue'
import FilmSound from '../shelf/FilmSound.vue'
import ChoiceField from './ChoiceField.vue'
import EndingFields from './EndingFields.vue'
import { languageChoices } from './languages.ts'
import SheetFold from './SheetFold.vue'
import SheetFrame from './SheetFrame.vue'
import WordsField from './WordsField.vue'
import { usePlaces, usePlayhead, useRights, useBench } from './useBench.ts'

const emit = defineEmits<{
  close: []
  replace: []
  film: [mediaId: string]
  beside: [what: 'history' | 'links']
}>()
const bench = useBench()
const places = usePlaces()
const playhead = usePlayhead()
const rights = useRights()
const { draft } = bench
const { lesson } = draft
const { t } = useI18n()
const RULES: SeekRule[] = ['free', 'backOnly', 'none']
const COUNTINGS = ['drop', 'nonDrop'] as const
const countings = computed(() =>
  COUNTINGS.map((value) => ({ value, label: t(`sheet.counting.${value}`) })),
)
function setCounting(partId: string, counting: (typeof COUNTINGS)[number]): void {
  const timecode = counting === 'nonDrop' ? counting : null
  draft.make(edits.setTimecode, { partId, timecode })
}
const rules = computed(() => RULES.map((value) => ({ value, label: t(`sheet.seekRule.${value}`) })))
</script>

<template>
  <SheetFrame :title="t('sheet.lesson')" @close="emit('close')">
    <template #actions>
      <Button
        :label="t('bench.history')"
        severity="secondary"
        variant="text"
        size="small"
        @click="emit('beside', 'history')"
      />
      <Button
        :label="t('links.links')"
        severity="secondary"
        variant="text"
        size="small"
        @click="emit('beside', 'links')"
      />
    </template>
    <WordsField
      :label="t('sheet.title')"
      :text="lesson.title"
      :max="200"
      @change="draft.make(edits.setLessonText, { field: 'title', text: $event })"
    />
    <WordsField
      :label="t('sheet.summary')"
      :text="lesson.summary"
      :max="2000"
      :rows="4"
      @change="draft.make(edits.setLessonText, { field: 'summary', text: $event })"
    />
    <ChoiceField
      :label="t('sheet.language')"
      :value="lesson.language"
      :choices="languageChoices"
      @change="draft.make(edits.setLanguage, { language: $event })"
    />
    <WordsField
      v-if="places.openPart.value"
      :label="t('parts.name')"
      :text="places.openPart.value.title"
      :max="200"
      @change="draft.make(edits.renamePart, { partId: places.openPart.value.id, title: $event })"
    />
    <ChoiceField
      v-if="places.part.value"
      :label="t('sheet.seeking')"
      :value="places.part.value.seekRule"
      :choices="rules"
      @change="draft.make(edits.setSeekRule, { partId: places.part.value.id, seekRule: $event })"
    />
    <ChoiceField
      v-if="places.part.value && dropsFrames(places.part.value.frameRate)"
      :label="t('sheet.timecode')"
      :value="places.part.value.timecode ?? 'drop'"
      :choices="countings"
      @change="setCounting(places.part.value.id, $event)"
    />
    <div v-if="playhead.media.value" class="field">
      <span class="label">{{ t('sheet.film') }}</span>
      <p class="film">
        <span dir="auto">{{ playhead.media.value.title }}</span>
        <Button
          :label="t('sheet.otherFilm')"
          severity="secondary"
          variant="outlined"
          size="small"
          :disabled="!rights.canEdit.value"
          @click="emit('replace')"
        />
      </p>
      <FilmSound
        v-if="places.part.value"
        :media="playhead.media.value"
        :help="t('sounds.inLesson')"
        :disabled="!rights.canEdit.value"
        @taken="emit('film', $event.id)"
      />
    </div>
    <SheetFold name="about" :title="t('lesson.about')" :holds="(lesson.tags ?? []).join(', ')">
      <AboutFields />
    </SheetFold>
    <SheetFold name="cover" :title="t('lesson.cover')"><CoverField /></SheetFold>
    <SheetFold name="theme" :title="t('lesson.look')"><ThemeFields /></SheetFold>
    <EndingFields
      :label="t('sheet.endMessage')"
      :ending="lesson.ending"
      @change="draft.make(edits.setEnding, $event)"
    />
  </SheetFrame>
</template>

<style scoped>
.film {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  overflow-wrap: anywhere;
}
.film :deep(.p-button) {
  flex: none;
}
</style>
