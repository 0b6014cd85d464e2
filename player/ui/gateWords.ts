// What opens a gate, in words.
import { askingOf, type Condition, type Lesson, type Part } from '@fernbrake/core/lesson'
import { plainOf } from '@fernbrake/core/fields'

type Translate = (key: string, values?: Record<string, unknown>) => string
type Figure = (value: number, options: Intl.NumberFormatOptions) => string

/** The designer's own words, or else what the condition says. */
export function gateWords(lesson: Lesson, part: Part, t: Translate, n: Figure): string {
  const { gate } = part
  if (!gate) return ''
  return gate.message || conditionWords(lesson, gate.condition, t, n)
}

function conditionWords(lesson: Lesson, condition: Condition, t: Translate, n: Figure): string {
  const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
  const titleOf = (partId: string) => lesson.parts[partId]?.title ?? ''
  switch (condition.if) {
    case 'answer': {
      const asking = condition.cueId === null ? null : askingOf(lesson, condition.cueId)
      const question = asking && lesson.questions[asking.questionId]
      if (!question) return t('player.part.gate.never')
      return t(`player.part.gate.${condition.is}`, { question: plainOf(question.stem) })
    }
    case 'score':
      return t('player.part.gate.score', { share: percent(condition.atLeast) })
    case 'watched':
      return t('player.part.gate.watched', {
        share: percent(condition.atLeast),
        title: titleOf(condition.partId),
      })
    case 'visited':
      return t('player.part.gate.visited', { title: titleOf(condition.partId) })
  }
}
