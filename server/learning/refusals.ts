// Why a record that a learner's player sends can never be taken in.
import type { RefusedRecord } from '@fernbrake/core/contract'
import { MOST_POSTS } from '@fernbrake/core/talk'

export type Refusal = Omit<RefusedRecord, 'id'>

export const REFUSALS = {
  unknownPart: { code: 'unknownPart', message: 'This part is not in the lesson.' },
  unknownQuestion: { code: 'unknownQuestion', message: 'This question is not in the lesson.' },
  unknownChoice: { code: 'unknownChoice', message: 'This way is not in the lesson.' },
  unknownThing: { code: 'unknownThing', message: 'This is not in this part of the lesson.' },
  beyondEnd: { code: 'beyondEnd', message: 'This time lies beyond the end of the film.' },
  noTriesLeft: {
    code: 'noTriesLeft',
    message: 'No tries are left for this question; the earlier answers stand.',
  },
  missingFile: { code: 'missingFile', message: 'A file of this answer has not arrived.' },
  tooLate: {
    code: 'tooLate',
    message: 'The time for this question had run out before this answer was given.',
  },
  closed: { code: 'closed', message: 'It had closed before this answer was given.' },
  toldAlready: {
    code: 'toldAlready',
    message:
      'What is right had been told on your page before this answer arrived. It is kept for your teacher and does not count.',
  },
  wrongAnswerKind: {
    code: 'wrongAnswerKind',
    message: 'This is not an answer to this kind of question.',
  },
  tooManyNotes: {
    code: 'tooManyNotes',
    message:
      'This lesson holds as many notes of yours as it can. Take some away, then write it again.',
  },
  talkOff: {
    code: 'talkOff',
    message: 'Your class does not talk about this lesson any more, so what you wrote was not told.',
  },
  unknownPost: { code: 'unknownPost', message: 'What you replied to is not there any more.' },
  notForYou: { code: 'notForYou', message: 'This is not yours to say or to change.' },
  wrongNumber: { code: 'wrongNumber', message: 'This number is not one that was asked for.' },
  tooManyPosts: {
    code: 'tooManyPosts',
    message: `Nobody may say more than ${MOST_POSTS} things about one lesson.`,
  },
} as const satisfies Record<RefusedRecord['code'], Refusal>
