// What learners read of their own results.
export default {
  mine: {
    title: 'Your results',
    toHome: 'What is to be learned',
    toLesson: 'To the lesson',
    toldFrom: 'Your answers are kept. How you did is told to everybody from {when} on.',
    reached: '{points} of {max} points so far.',
    waiting:
      'Nothing waits. | One answer waits for your teacher. | {n} answers wait for your teacher.',
    watched: '{share} watched',
    finished: 'Finished',
    opened: 'Opened',
    notOpened: 'Not opened yet',
    answered: '{answered} of {of} answered',
    points: '{points} of {max} points',
    state: {
      open: 'Not answered',
      right: 'Right',
      partly: 'Partly right',
      wrong: 'Not right',
      waits: 'Waits for your teacher',
      given: 'Answered',
    },
    seeAgain: 'See {range} again',
  },
}
