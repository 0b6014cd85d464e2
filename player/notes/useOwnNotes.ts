// What a learner writes for themselves, in whichever part they are.
import { cutText } from '@fernbrake/core/fields'
import { computed, inject, provide, shallowRef, type ComputedRef, type InjectionKey } from 'vue'
import { notedAt, type Lesson } from '@fernbrake/core/lesson'
import {
  LONGEST_NOTE,
  LONGEST_QUOTE,
  notesOfPart,
  withNote,
  writeNotes,
  type NotePlace,
  type OwnNote,
} from '@fernbrake/core/notes'
import { isoTime, nowMs } from '../clock.ts'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { keepHere, readKept } from '../session/onDevice.ts'

export interface OwnNotes {
  all: Readonly<ComputedRef<readonly OwnNote[]>>
  /** Those of a part, in the order of what they are about. */
  of(partId: string): OwnNote[]
  /** Begins a note; answers with its id. It is kept at once, for words that are only marked need none of their own. */
  begin(partId: string, place: NotePlace): string
  /** Holds what is being typed on this device, at once: a page that goes away leaves no time for more. */
  typing(id: string, words: string): void
  write(id: string, words: string): void
  remove(id: string): void
  /** Brings back one that was removed. */
  putBack(note: OwnNote): void
  /** All of them as a text to take along. */
  asText(): string
}

const OWN_NOTES: InjectionKey<OwnNotes> = Symbol('own notes')
export const useOwnNotes = (): OwnNotes => inject(OWN_NOTES)!

/** Hands the notes to all parts. `lesson` is asked for when it is there. */
export function provideOwnNotes(host: Host, lesson: () => Lesson) {
  const notes = shallowRef<readonly OwnNote[]>([])

  function keep(note: OwnNote, isGone: boolean): void {
    notes.value = withNote(notes.value, note.id, isGone ? null : note)
    const { id: noteId, partId, place, words, at } = note
    host.record({ kind: 'ownNote', id: host.newId(), noteId, partId, place, words, isGone, at })
  }
  /** Where what is being typed is held; null where nothing may stay behind. */
  let draftKey: string | null = null
  const holdDraft = (note: OwnNote | null) => draftKey !== null && keepHere(draftKey, note)
  const known = (id: string) => notes.value.find((note) => note.id === id)
  const placesOf = (partId: string) => {
    const part = lesson().parts[partId]
    return part ? notedAt(part) : []
  }
  const own: OwnNotes = {
    all: computed(() => notes.value),
    of: (partId) => notesOfPart(notes.value, partId, placesOf(partId)),
    begin(partId, place) {
      const id = host.newId()
      const short =
        place.on === 'words' ? { ...place, quote: cutText(place.quote, LONGEST_QUOTE) } : place
      keep({ id, partId, place: short, words: '', at: isoTime(nowMs()) }, false)
      return id
    },
    typing(id, words) {
      const note = known(id)
      if (note) holdDraft({ ...note, words, at: isoTime(nowMs()) })
    },
    write(id, words) {
      const note = known(id)
      const kept = cutText(words, LONGEST_NOTE)
      if (note && note.words !== kept) keep({ ...note, words: kept, at: isoTime(nowMs()) }, false)
    },
    remove(id) {
      const note = known(id)
      if (!note) return
      // Else what was typed last would bring it back.
      holdDraft(null)
      keep({ ...note, at: isoTime(nowMs()) }, true)
    },
    putBack: (note) => keep({ ...note, at: isoTime(nowMs()) }, false),
    asText: () => writeNotes(lesson(), notes.value, placesOf),
  }
  provide(OWN_NOTES, own)
  return {
    /** Takes up what is kept, and what was still being typed when the page went away. */
    takeUp({ progress, seed, keepsDrafts = true }: OpenedLesson): void {
      notes.value = progress.ownNotes
      draftKey = keepsDrafts ? `fernbrake-note ${seed}` : null
      const draft = draftKey === null ? null : readDraft(draftKey)
      if (draft && draft.at > (known(draft.id)?.at ?? '') && lesson().parts[draft.partId])
        keep({ ...draft, words: cutText(draft.words, LONGEST_NOTE) }, false)
      holdDraft(null)
    },
  }
}

function readDraft(key: string): OwnNote | null {
  const kept = readKept(key) as Partial<OwnNote> | null
  const isNote = typeof kept?.id === 'string' && typeof kept.words === 'string'
  return isNote && typeof kept.at === 'string' && kept.place ? (kept as OwnNote) : null
}
