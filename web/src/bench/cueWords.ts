// What a cue says, for cards and lists.
import type { Cue, Lesson } from '@fernbrake/core/lesson'

/** The words of a cue; '' where it has none yet. */
export function cueWords(lesson: Pick<Lesson, 'questions'>, cue: Cue): string {
  switch (cue.kind) {
    case 'question':
      return lesson.questions[cue.questionId]?.stem ?? ''
    case 'bookmark':
      return cue.title
    case 'fork':
      return cue.prompt
    case 'overlay':
      return cue.text || (cue.content?.form === 'panel' ? cue.content.title : '')
    case 'note':
      return cue.text
  }
}
