// Edits of the lesson as a whole.
import { cleanText } from '../../fields/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Cover, Theme } from '../aboutSchema.ts'
import type { EndBand, Ending } from '../parts/index.ts'
import { USUAL_THEME } from '../theme.ts'

type LessonText = 'title' | 'summary' | 'objectives' | 'level' | 'licence'

export const setLessonText: Edit<{ field: LessonText; text: string }> = {
  name: 'setLessonText',
  change: (draft, { field, text }) => {
    const words = cleanText(text)
    if (words === '' && field !== 'title' && field !== 'summary') delete draft[field]
    else draft[field] = words
  },
}

export const setTags: Edit<{ tags: string[] }> = {
  name: 'setTags',
  change: (draft, { tags }) => {
    if (tags.length === 0) delete draft.tags
    else draft.tags = tags.map((tag) => cleanText(tag))
  },
}

/** `null` takes the cover away; a change of what is not there needs all of it. */
export const setCover: Edit<{ cover: Partial<Cover> | null }> = {
  name: 'setCover',
  change: (draft, { cover }) => {
    if (cover === null) delete draft.cover
    else draft.cover = { ...draft.cover, ...cover } as Cover
  },
}

/** `null` goes back to the usual look. */
export const setTheme: Edit<{ theme: Partial<Theme> | null }> = {
  name: 'setTheme',
  change: (draft, { theme }) => {
    if (theme === null) delete draft.theme
    else draft.theme = { ...(draft.theme ?? USUAL_THEME), ...theme }
  },
}

export const setLanguage: Edit<{ language: string }> = {
  name: 'setLanguage',
  change: (draft, { language }) => {
    draft.language = language
  },
}

/** `pass` null: nobody passes or fails. A band of words comes in, or changes, by its id; or it goes. */
export type EndingChange = Partial<Pick<Ending, 'message' | 'pass'>> & {
  band?: Pick<EndBand, 'id'> & Partial<EndBand>
  bandAway?: string
}

/** What is said at the end. */
export const setEnding: Edit<EndingChange> = {
  name: 'setEnding',
  change: (draft, change) => changeEnding(draft.ending, change),
}

/** Changes what is said at an end, of the lesson or of a quiz. */
export function changeEnding(ending: Ending, change: EndingChange): void {
  const { message, pass, band, bandAway } = change
  if (message !== undefined) ending.message = cleanText(message)
  if (pass === null) ending.pass = null
  else if (pass) ending.pass = { share: pass.share, message: cleanText(pass.message) }
  if (band) changeBand(ending, band)
  if (bandAway !== undefined && ending.bands) delete ending.bands[bandAway]
}

function changeBand(
  ending: Ending,
  { id, from, message }: NonNullable<EndingChange['band']>,
): void {
  const bands = (ending.bands ??= {})
  if (!Object.hasOwn(bands, id)) bands[id] = { id, from: 0, message: '' }
  const kept = bands[id]!
  if (from !== undefined) kept.from = from
  if (message !== undefined) kept.message = cleanText(message)
}
