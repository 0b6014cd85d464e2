// Edits of the lesson as a whole.
import { cleanText } from '../../fields/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Ending } from '../partSchema.ts'

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
  change: (draft, change) => changeEnding(draft.ending, change),
}

/** Changes what is said at an end, of the lesson or of a quiz. */
export function changeEnding(ending: Ending, { message, pass }: Partial<Ending>): void {
  if (message !== undefined) ending.message = cleanText(message)
  if (pass === null) ending.pass = null
  else if (pass) ending.pass = { share: pass.share, message: cleanText(pass.message) }
}
