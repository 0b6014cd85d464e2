// The templates in English. What stands in them is an example from the Trust, to be written over.
import type { TemplateWords } from './spec.ts'

export const en: TemplateWords = {
  filmWithQuestions: {
    summary: 'A film that waits for an answer three times.',
    objectives: ['Say in your own words what the film explains'],
    ending: 'Thank you. Bring what you were unsure of to the next meeting.',
    parts: [
      {
        key: 'film',
        kind: 'film',
        title: 'The film',
        cues: [
          { atMs: 0, bookmark: 'Beginning' },
          {
            atMs: 20_000,
            ask: {
              stem: 'What lifts the boat?',
              options: ['The water that is let in', 'The gates', 'The crew'],
            },
          },
          {
            atMs: 40_000,
            ask: {
              stem: 'What must be shut before the upper paddles are drawn?',
              options: ['The lower paddles', 'The upper gates', 'Nothing'],
            },
          },
          { atMs: 60_000, ask: { stem: 'Why is that so? Answer in a sentence or two.' } },
          {
            atMs: 60_000,
            note: 'Put your own film in, then move these questions to the sentences that answer them.',
          },
        ],
      },
    ],
  },
  flipped: {
    summary: 'Read and watch before the meeting; the meeting begins with what was hard.',
    objectives: ['Know what will be talked about', 'Bring a question of your own'],
    ending: 'You are ready for the meeting.',
    parts: [
      {
        key: 'before',
        kind: 'page',
        title: 'Before you watch',
        blocks: [
          { text: 'Welcome, {first name}. This takes about a quarter of an hour.' },
          { heading: 'Watch for this' },
          { text: 'Which way does the water go, and who decides when?' },
          { fact: 'A passage takes about 116 cubic metres of water.', title: 'Good to know' },
        ],
      },
      {
        key: 'film',
        kind: 'film',
        title: 'The film',
        cues: [
          {
            atMs: 30_000,
            ask: {
              stem: 'Which way does the water go?',
              options: ['Down, always', 'Up, with the boat', 'It stays'],
            },
          },
        ],
      },
      {
        key: 'check',
        kind: 'quiz',
        title: 'Check yourself',
        asks: [
          {
            stem: 'Where does the water of a passage come from?',
            options: ['From the pound above', 'From the pound below', 'From the boat'],
          },
          {
            stem: 'What is wound first when a boat goes up?',
            options: ['The lower paddles, shut', 'The upper paddles, open', 'The gates'],
          },
        ],
      },
      {
        key: 'bring',
        kind: 'page',
        title: 'For the meeting',
        blocks: [
          { text: 'We begin with what was hard.' },
          { ask: { stem: 'What did you not understand, or not believe?' } },
        ],
      },
    ],
  },
  decisions: {
    summary: 'A story in which the learner decides what happens next.',
    objectives: ['Decide under pressure', 'Say why it was the right thing'],
    ending: 'The story is over.',
    parts: [
      {
        key: 'scene',
        kind: 'film',
        title: 'What happens',
        cues: [
          {
            atMs: 25_000,
            fork: 'The boat hangs. What do you do?',
            ways: [
              { to: 'stop', words: 'Drop the lower paddles' },
              { to: 'pull', words: 'Have the crew pull her off' },
            ],
          },
        ],
      },
      {
        key: 'stop',
        kind: 'page',
        title: 'The water stands',
        blocks: [
          { text: 'Nothing falls any more. Now there is time to think.' },
          {
            ask: {
              stem: 'What comes next?',
              options: ['Let water in from above, slowly', 'Open the gates', 'Call it a day'],
            },
          },
        ],
        ways: [{ ending: 'She floats. Well kept, {first name}.', words: '' }],
      },
      {
        key: 'pull',
        kind: 'page',
        title: 'The rope sings',
        blocks: [
          { text: 'She does not move, and the water goes on falling.' },
          { fact: 'Look at what the water does, not at what the boat does.', title: 'Remember' },
        ],
        ways: [
          { to: 'scene', words: 'Stand there once more' },
          { ending: 'The boat stays where she is until Thursday.', words: 'Leave it' },
        ],
      },
    ],
  },
  pictureWalk: {
    summary: 'A picture to walk about in, a deck to leaf through, and a few questions.',
    objectives: ['Name what you see', 'Find it again on your own'],
    ending: 'You know your way round now.',
    parts: [
      {
        key: 'walk',
        kind: 'still',
        title: 'Look around',
        pins: [
          { x: 0.25, y: 0.4, name: 'Balance beam', text: 'You push here, with your back.' },
          { x: 0.5, y: 0.55, name: 'Chamber', text: 'The boat lies here while the water moves.' },
          { x: 0.75, y: 0.45, name: 'Sill', text: 'A boat that goes down must stay clear of it.' },
        ],
      },
      { key: 'close', kind: 'deck', title: 'From close by' },
      {
        key: 'check',
        kind: 'quiz',
        title: 'What was it called?',
        asks: [
          {
            stem: 'What do you push to open a gate?',
            options: ['The balance beam', 'The sill', 'The paddle'],
          },
        ],
      },
    ],
  },
  readingWithFilm: {
    summary: 'A text beside the film it is about, with guiding questions.',
    objectives: ['Find in the film what the text claims'],
    ending: 'Thank you for reading closely.',
    parts: [
      { key: 'film', kind: 'film', title: 'The film', cues: [{ atMs: 0, bookmark: 'Beginning' }] },
      {
        key: 'reading',
        kind: 'page',
        title: 'Read and watch',
        blocks: [
          { film: 'film', side: 'first' },
          { heading: 'What the ledger says', side: 'second' },
          {
            side: 'second',
            note: 'The ledger lies in the hut at lock 6.',
            text: 'On the fourth of September the first boat climbed the flight, in four hours and ten minutes, with the whole village on the towpath.',
          },
          { ask: { stem: 'What does the film show that the ledger leaves out?' }, side: 'second' },
          {
            side: 'second',
            ask: {
              stem: 'Which of the two is surer of the time?',
              options: ['The ledger', 'The film', 'Neither'],
            },
          },
        ],
      },
    ],
  },
}
