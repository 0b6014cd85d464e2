// What texts are filled in with for this learner, provided to all that shows texts.
import { computed, inject, provide, type ComputedRef, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { firstNameOf, type PlaceholderFacts } from '@fernbrake/core/text'
import { FACTS } from '../questions/answerView.ts'
import type { Score } from './useAnswers.ts'
import { ASSIGNMENT } from '../ui/about.ts'

export function useFacts(
  learnerName: string,
  score: Readonly<Ref<Score | null>>,
): ComputedRef<PlaceholderFacts> {
  const { t, n } = useI18n()
  const assignment = inject(ASSIGNMENT, null)
  const facts = computed(() => ({
    firstName: firstNameOf(learnerName),
    // Whoever learns by a link belongs to no class.
    className: assignment?.value?.classTitle ?? '',
    score:
      score.value === null
        ? t('player.scoreLater')
        : t('player.scoreSoFar', {
            points: n(score.value.points, { maximumFractionDigits: 2 }),
            max: n(score.value.max),
          }),
  }))
  provide(FACTS, facts)
  return facts
}
