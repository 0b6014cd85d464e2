// Edits about media that stand in several places of a lesson.
import { mediaOfText } from '../../fields/index.ts'
import { mediaOfQuestion } from '../../questions/index.ts'
import type { Edit } from '../runEdit.ts'
import { filmsInOrder, type FilmPart, mediaOfPart, textsOfPart } from '../parts/index.ts'

/** A thing with another medium wherever it names this one: in its texts, or as the picture it is about. */
function withMedium<T>(thing: T, from: string, to: string): T {
  return JSON.parse(JSON.stringify(thing), (name, value: unknown) =>
    (name === 'mediaId' || name === 'offers') && value === from ? to : value,
  ) as T
}

/** Puts one medium in another's place everywhere; `film` is what is known of a film that comes in. */
export const replaceMedia: Edit<{
  from: string
  to: string
  film: Pick<FilmPart, 'durationMs' | 'frameRate'> | null
}> = {
  name: 'replaceMedia',
  change: (draft, { from, to, film }) => {
    for (const part of filmsInOrder(draft))
      if (part.mediaId === from && film) Object.assign(part, { mediaId: to, ...film })
    for (const cue of Object.values(draft.cues))
      if (cue.kind === 'overlay' && cue.content && 'mediaId' in cue.content)
        if (cue.content.mediaId === from) cue.content.mediaId = to
    for (const [id, question] of Object.entries(draft.questions))
      if (mediaOfQuestion(question).includes(from))
        draft.questions[id] = withMedium(question, from, to)
    for (const [id, part] of Object.entries(draft.parts))
      if ([...textsOfPart(part).flatMap(mediaOfText), ...mediaOfPart(part)].includes(from))
        draft.parts[id] = withMedium(part, from, to)
    if (draft.cover?.mediaId === from) draft.cover.mediaId = to
    for (const material of Object.values(draft.materials ?? {}))
      if (mediaOfText(material.text).includes(from))
        material.text = withMedium(material.text, from, to)
  },
}
