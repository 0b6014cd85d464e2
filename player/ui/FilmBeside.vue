<script setup lang="ts">
// Beside a film while no question is: its contents and script, the learner's own notes, and what the class says.
import { computed, nextTick, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import type { OwnNote } from '@fernbrake/core/notes'
import OwnNotesPanel from '../notes/OwnNotesPanel.vue'
import { useOwnNotes } from '../notes/useOwnNotes.ts'
import type { FilmSession } from '../session/useFilmSession.ts'
import { useClassTalk } from '../talk/classTalk.ts'
import SidePanel, { type MetQuestion, type SideTab } from './SidePanel.vue'

const props = defineProps<{
  session: FilmSession
  partId: string
  lines: readonly ScriptLine[]
  language: string
  questions: readonly MetQuestion[]
}>()
const emit = defineEmits<{ open: [cueId: string] }>()
const tab = defineModel<SideTab>({ required: true })
const { t } = useI18n()
const { mediaMs, range, schedule } = props.session
const own = useOwnNotes()
const classTalk = useClassTalk()
const side = useTemplateRef('side')
const notes = useTemplateRef('notes')
const unseen = computed(() => classTalk.value && classTalk.value.unseen.value)

/** Begins a note at this moment; the film waits while it is written. */
async function addNoteHere(): Promise<void> {
  if (!side.value) return
  props.session.pause()
  const id = own.begin(props.partId, { on: 'moment', atMs: Math.round(mediaMs.value) })
  side.value.showNotes()
  await nextTick()
  void notes.value?.open(id)
}
const goToNote = ({ place }: OwnNote) => place.on === 'moment' && props.session.seek(place.atMs)
const mayGoTo = (ms: number) => range.value !== null && ms <= range.value.toMs
defineExpose({ addNoteHere })
</script>

<template>
  <SidePanel
    ref="side"
    v-model="tab"
    :schedule="schedule"
    :lines="lines"
    :language="language"
    :media-ms="mediaMs"
    :range="range"
    :unseen="unseen"
    :questions="questions"
    @open="emit('open', $event)"
    @seek="session.seek"
  >
    <template #notes>
      <OwnNotesPanel
        ref="notes"
        :part-id="partId"
        :add-words="t('player.notes.addAt', { time: clockTime(mediaMs) })"
        :stays="range === null"
        @add="addNoteHere"
        @go="goToNote"
      />
    </template>
    <template #talk>
      <component
        :is="classTalk.views.beside"
        v-if="classTalk"
        :class-talk="classTalk"
        :part-id="partId"
        :media-ms="mediaMs"
        :may-go-to="mayGoTo"
        @writes="session.pause()"
        @seek="session.seek"
      />
    </template>
  </SidePanel>
</template>
