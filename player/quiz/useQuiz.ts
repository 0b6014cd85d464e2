// A quiz as one learner works through it: its questions in their order, what is written and given, and handing in.
import { computed, reactive, ref } from 'vue'
import { quizSummary, untoldSummary, type ItemState } from '@fernbrake/core/analysis'
import { sectionsInOrder, tellsNow, type QuizPart, type QuizSection } from '@fernbrake/core/lesson'
import { fitsQuestion, type Answer, type Question } from '@fernbrake/core/questions'
import { isoTime, nowMs } from '../clock.ts'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { useAnswerDraft } from '../questions/useAnswerDraft.ts'
import { toldOf } from '../session/toldOf.ts'
import { useAnswers } from '../session/useAnswers.ts'

/** A question of the quiz, numbered as this learner meets it. */
export interface QuizQuestion {
  itemId: string
  number: number
  question: Question
  /** The section that it begins; null for the others. */
  begins: QuizSection | null
  section: QuizSection
}

export function useQuiz(host: Host, opened: OpenedLesson, quiz: QuizPart) {
  const { lesson, progress, seed, keepsDrafts = true } = opened
  const questions: QuizQuestion[] = []
  for (const { section, items } of sectionsInOrder(quiz, seed))
    items.forEach(({ id: itemId, questionId }, index) => {
      const number = questions.length + 1
      const begins = index === 0 ? section : null
      questions.push({
        itemId,
        number,
        begins,
        section,
        // More may be told of it later on.
        get question() {
          return lesson.questions[questionId]!
        },
      })
    })

  const handedIn = ref(progress.finishedParts.includes(quiz.id))
  const [, tells] = toldOf(opened)
  const isTold = () => tellsNow(quiz, handedIn.value, tells)
  const answers = useAnswers(host, lesson, progress.responses, isTold, tells)
  /** Whether the server has still to say what came of what was handed in. */
  const isComing = computed(
    () => isTold() && questions.some(({ question }) => answers.standing(question.id).pending),
  )
  const told = computed(isTold)
  /** Whether the sum of it is told: not while some of it is still to come. */
  const tellsSum = computed(() => isTold() && !isComing.value)
  const whole = computed(() => quizSummary(lesson, quiz, answers.responses.value, seed))
  /** As it may be shown. */
  const summary = computed(() => (tellsSum.value ? whole.value : untoldSummary(whole.value)))
  const outcomes = computed(
    () =>
      new Map(whole.value.sections.flatMap(({ items }) => items.map((one) => [one.itemId, one]))),
  )
  /** How a question may be shown to stand: while nothing is told, only whether it was answered. */
  function stateOf(itemId: string): ItemState {
    const { state } = outcomes.value.get(itemId)!
    return told.value || state === 'open' ? state : 'given'
  }

  /** What is written on the questions and was not given yet. */
  const written = reactive(new Map<string, Answer>())
  // What was begun in an earlier sitting counts, whether or not the learner comes by it again.
  if (keepsDrafts)
    for (const { itemId, question } of questions) {
      const begun = useAnswerDraft(`${seed} ${question.id}`).read(question.kind)
      const isOpen = outcomes.value.get(itemId)!.state === 'open'
      if (begun && isOpen && fitsQuestion(question, begun)) written.set(itemId, begun)
    }
  function hold(itemId: string, answer: Answer | null): void {
    if (answer) written.set(itemId, answer)
    else written.delete(itemId)
  }
  const writtenOn = (itemId: string) => written.get(itemId) ?? null
  function give({ itemId, question }: QuizQuestion, answer: Answer): void {
    written.delete(itemId)
    answers.give({ id: itemId, questionId: question.id }, answer)
  }
  /** The questions that would be handed in without an answer. */
  const stillOpen = computed(() =>
    questions.filter(
      ({ itemId }) => outcomes.value.get(itemId)!.state === 'open' && !written.has(itemId),
    ),
  )

  function recordPlace(): void {
    const released = handedIn.value ? questions.map(({ itemId }) => itemId) : []
    host.record({
      kind: 'place',
      id: host.newId(),
      partId: quiz.id,
      atMs: 0,
      released: [...new Set([...progress.released, ...released])],
      at: isoTime(nowMs()),
    })
  }

  /** Gives what is written everywhere, and ends the quiz; done again it changes nothing. */
  function handIn(): void {
    if (handedIn.value) return
    for (const question of questions) {
      const answer = written.get(question.itemId)
      if (answer) give(question, answer)
    }
    host.record({ kind: 'finish', id: host.newId(), partId: quiz.id, at: isoTime(nowMs()) })
    handedIn.value = true
    recordPlace()
    void host.flush()
  }

  recordPlace()
  return {
    questions,
    answers,
    told,
    tellsSum,
    isComing,
    /** The class tells everybody later; handing in changes nothing about that. */
    isHeldBack: !tells,
    handedIn,
    summary,
    outcomes,
    stateOf,
    hold,
    writtenOn,
    give,
    stillOpen,
    handIn,
  }
}

export type Quiz = ReturnType<typeof useQuiz>
