// What a cue says, for cards and lists.
import { plainOf } from '@fernbrake/core/fields'
import { formOf, leafOfCue, showsWords, type Cue, type Lesson } from '@fernbrake/core/lesson'

/** The words of a cue; '' where it has none yet. */
export function cueWords(lesson: Pick<Lesson, 'questions'>, cue: Cue): string {
  switch (cue.kind) {
    case 'question':
      return plainOf(lesson.questions[cue.questionId]?.stem ?? '')
    case 'bookmark':
      return cue.title
    case 'fork':
      return cue.prompt
    case 'overlay':
      return cue.name ?? (cue.text || (cue.content?.form === 'panel' ? cue.content.title : ''))
    case 'note':
      return cue.text
  }
}

/** Which sentence stands for a cue without words: shapes and pictures need none. */
export function wordlessKey(cue: Cue): string {
  const form = cue.kind === 'overlay' ? formOf(cue) : null
  return form && !showsWords(form) ? `overlay.form.${form}` : 'bench.noWords'
}

/** What a cue looks like on the frond, and beside words. */
export const glyphOf = (lesson: Lesson, cue: Cue) =>
  cue.kind === 'question' ? leafOfCue(lesson, cue) : cue.kind
