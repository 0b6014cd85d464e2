// Edits of the lesson as a whole and of its parts.
import { cleanText } from '../../fields/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Ending, FrameRateName, SeekRule } from '../schema.ts'
import { orderAfterAll } from './placing.ts'

export const setLessonText: Edit<{ field: 'title' | 'summary'; text: string }> = {
  name: 'setLessonText',
  change: (draft, { field, text }) => {
    draft[field] = cleanText(text)
  },
}

export const setLanguage: Edit<{ language: string }> = {
  name: 'setLanguage',
  change: (draft, { language }) => {
    draft.language = language
  },
}

/** What is said at the end; `pass` null: nobody passes or fails. */
export const setEnding: Edit<Partial<Ending>> = {
  name: 'setEnding',
  change: (draft, { message, pass }) => {
    if (message !== undefined) draft.ending.message = cleanText(message)
    if (pass === null) draft.ending.pass = null
    else if (pass) draft.ending.pass = { share: pass.share, message: cleanText(pass.message) }
  },
}

export const addFilmPart: Edit<{ id: string; title: string }> = {
  name: 'addFilmPart',
  change: (draft, { id, title }) => {
    draft.parts[id] = {
      id,
      kind: 'film',
      title: cleanText(title),
      order: orderAfterAll(Object.values(draft.parts)),
      mediaId: null,
      durationMs: null,
      frameRate: null,
      seekRule: 'free',
    }
  },
}

export const renamePart: Edit<{ partId: string; title: string }> = {
  name: 'renamePart',
  change: (draft, { partId, title }) => {
    const part = draft.parts[partId]
    if (part) part.title = cleanText(title)
  },
}

/** Gives a part its film; a length or frame rate that is not known yet is null. */
export const attachFilm: Edit<{
  partId: string
  mediaId: string
  durationMs: number | null
  frameRate: FrameRateName | null
}> = {
  name: 'attachFilm',
  change: (draft, { partId, ...film }) => {
    const part = draft.parts[partId]
    if (part) Object.assign(part, film)
  },
}

export const setSeekRule: Edit<{ partId: string; seekRule: SeekRule }> = {
  name: 'setSeekRule',
  change: (draft, { partId, seekRule }) => {
    const part = draft.parts[partId]
    if (part) part.seekRule = seekRule
  },
}
