// Whether a learner is told what came of their answers: a class may have to wait for it.
import type { OpenedLesson } from '../hosts/Host.ts'

/** As `useAnswers` takes it: whether it is told, question by question, and whether the sum is. */
export function toldOf({ assignment }: Pick<OpenedLesson, 'assignment'>): [() => boolean, boolean] {
  const tells = assignment?.tells ?? true
  return [() => tells, tells]
}
