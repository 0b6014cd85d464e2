<script setup lang="ts">
// The sheet at the side on which the selected cue is edited.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueStartMs, edits, type Cue } from '@fernbrake/core/lesson'
import { timecodeOf } from '@fernbrake/core/media'
import { CueGlyph } from '@fernbrake/player'
import CueMoment from './CueMoment.vue'
import { glyphOf } from './cueWords.ts'
import ForkEditor from './ForkEditor.vue'
import NoteEditor from './NoteEditor.vue'
import OverlayEditor from './OverlayEditor.vue'
import QuestionEditor from './QuestionEditor.vue'
import SheetFrame from './SheetFrame.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { useCueActs, usePlayhead, useRights, useSelection, useBench } from './useBench.ts'

const props = defineProps<{ cue: Cue }>()
const bench = useBench()
const acts = useCueActs()
const playhead = usePlayhead()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const time = computed(() => timecodeOf(cueStartMs(props.cue), playhead.frameRate.value))
</script>

<template>
  <SheetFrame :title="t(`bench.kind.${cue.kind}`)" @close="selection.select(null)">
    <template #sign><CueGlyph :kind="glyphOf(bench.lesson.value, cue)" /></template>
    <template #aside
      ><span class="mono">{{ time }}</span></template
    >
    <template v-if="rights.mayTouch([cue.id])" #actions>
      <Button
        v-if="rights.canEdit.value"
        :label="t('sheet.copyHere')"
        severity="secondary"
        variant="text"
        size="small"
        @click="acts.duplicate()"
      />
      <Button
        :label="t('sheet.delete')"
        severity="danger"
        variant="text"
        size="small"
        @click="acts.remove()"
      />
    </template>
    <p v-if="!rights.mayTouch([cue.id])" class="notice straw">
      {{ t(rights.canNote.value ? 'bench.notesOnly' : 'bench.readOnly') }}
    </p>
    <QuestionEditor v-if="cue.kind === 'question'" :question-id="cue.questionId" :cue="cue">
      <template #moment><CueMoment :cue="cue" /></template>
    </QuestionEditor>
    <OverlayEditor v-else-if="cue.kind === 'overlay'" :cue="cue" />
    <ForkEditor v-else-if="cue.kind === 'fork'" :cue="cue" />
    <NoteEditor v-else-if="cue.kind === 'note'" :cue="cue" />
    <template v-else>
      <WordsField
        :label="t('sheet.name')"
        :text="cue.title"
        :max="200"
        data-focus="first"
        @change="bench.draft.make(edits.setBookmarkTitle, { cueId: cue.id, title: $event })"
      />
      <TimeField
        :label="t('sheet.at')"
        :ms="cue.atMs"
        @change="bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
      />
    </template>
  </SheetFrame>
</template>
