// English texts of what the server draws itself.

/** A moment by the clock of a class. */
const writeTime = ({ until, timeZone }: { until: string; timeZone: string }) =>
  new Intl.DateTimeFormat('en', { dateStyle: 'long', timeStyle: 'short', timeZone }).format(
    new Date(until),
  )

export default {
  language: 'en',
  cards: { goTo: 'Go to', signIn: 'Sign-in name', phrase: 'Pass phrase, for the first time' },
  mail: {
    marked: {
      subject: (title: string) => `Your answers in “${title}” have been marked`,
      body: (
        name: string,
        title: string,
        by: string,
        heldBack: { until: string; timeZone: string } | null,
      ) =>
        `Dear ${name},\n\n${by} has marked your answers in “${title}”. You find the marks and what was said about them on your page, at “See your results”${heldBack ? `, from ${writeTime(heldBack)} on` : ''}.\n`,
    },
  },
  report: {
    made: (when: string) => `As of ${when}`,
    edition: (number: number) => `Edition ${number}`,
    page: (page: number, pages: number) => `${page} of ${pages}`,
    names: {
      overview: 'Overview',
      watching: 'What was watched',
      questions: 'Questions',
      ways: 'Ways taken',
      comparison: 'Comparison',
      talk: 'Talk',
      markBook: 'Mark book',
    },
    nobody: 'Nobody has begun yet.',
    cut: (rows: number) => `${rows} more lines are in the workbook.`,
    few: (count: number) =>
      `${count === 1 ? 'One learner' : `${count} learners`}: too few to say much by these figures.`,
    heads: {
      name: 'Name',
      stands: 'Stands',
      watched: 'Watched',
      furthest: 'Came to',
      answered: 'Answered',
      asked: 'Questions',
      points: 'Points',
      max: 'Of',
      attempts: 'Attempts',
      lastSeen: 'Last seen',
      posts: 'Said in the talk',
      part: 'Part',
      at: 'At',
      plays: 'Played',
      learners: 'Learners',
      stillThere: 'Still there',
      number: 'No.',
      question: 'Question',
      kind: 'Kind',
      difficulty: 'Share of points',
      discrimination: 'Discrimination',
      upperLower: 'Upper less lower',
      time: 'Median time (s)',
      tries: 'Tries',
      rightSeen: 'Right, had seen it',
      rightUnseen: 'Right, had not',
      option: 'Option',
      right: 'Right',
      upper: 'Upper third',
      middle: 'Middle third',
      lower: 'Lower third',
      opened: 'Opened',
      finished: 'Finished',
      way: 'Way',
      leads: 'Leads to',
      class: 'Class',
      edition: 'Edition',
      score: 'Mean score',
      share: 'All together',
      figure: 'Figure',
      value: 'Value',
      from: 'From',
      to: 'To',
      seenBy: 'Saw it',
      cameBack: 'Came back to it',
      line: 'Line of the script',
      weight: 'Weight',
    },
    states: { complete: 'Done', begun: 'Under way', notBegun: 'Not begun' },
    sentences: {
      standing: (done: number, of: number, notBegun: number) =>
        `${done} of ${of} are done${notBegun > 0 ? `, ${notBegun} ${notBegun === 1 ? 'has' : 'have'} not begun` : ''}.`,
      left: (count: number, of: number, from: string, to: string, title: string) =>
        `${count} of ${of} left “${title}” between ${from} and ${to}.`,
      test: (mean: string, max: string, learners: number) =>
        `${learners} ${learners === 1 ? 'learner' : 'learners'} reached ${mean} of ${max} points on average.`,
    },
    test: {
      mean: 'Mean',
      median: 'Median',
      sd: 'Standard deviation',
      lower: 'Lower quartile',
      upper: 'Upper quartile',
      reliability: 'Reliability (Cronbach’s alpha)',
      error: 'Standard error of measurement',
    },
    talk: {
      said: (count: number, of: number) =>
        `${count} of ${of} ${count === 1 ? 'has' : 'have'} said something.`,
      saidByLink: (count: number) =>
        count === 1
          ? 'One person who came by the link has said something.'
          : `${count} people who came by the link have said something.`,
      waiting: (count: number) =>
        count === 1
          ? 'One question to the teachers waits for a reply.'
          : `${count} questions to the teachers wait for a reply.`,
      posts: 'All that was said',
      gone: '(taken back)',
      partGone: 'A part that the lesson has no longer',
      sorts: {
        comment: 'comment',
        prompt: 'prompt',
        enquiry: 'to the teachers alone',
        reply: 'reply',
      },
      heads: {
        comments: 'Comments',
        enquiries: 'To the teachers',
        replies: 'Replies',
        answers: 'Prompts answered',
        last: 'Last said',
        words: 'Words',
        number: 'Number',
        replyTo: 'In reply to',
        said: 'Said',
        hidden: 'Hidden',
      },
    },
    byLink: 'By the link',
    ending: 'the end',
    onward: 'straight on',
    yes: 'yes',
    no: 'no',
    returned: 'Stretches that were returned to',
    learnersTitle: 'Learner by learner',
    questionsTitle: 'Question by question',
    optionsTitle: 'Options, by thirds of the class',
    wholeTitle: 'All questions together',
    curveTitle: 'Over time',
    mail: {
      subject: (title: string) => `Results: ${title}`,
      body: (title: string, by: string, sentences: readonly string[]) =>
        `Dear colleague,\n\n${by} sends you the results of “${title}”.\n\n${sentences.join('\n')}\n\nThe whole of it is in the files that go with this mail.\n`,
    },
  },
}
