// What is said of the templates that a lesson may begin from; what stands in them is in core/templates.
export default {
  template: {
    from: 'From a template',
    help: 'Each begins with words from lock-keeping, to be written over. Give a title first, or later.',
    filmWithQuestions: {
      name: 'Film with questions',
      about: 'A film that waits for an answer three times.',
      parts: 'Film',
    },
    flipped: {
      name: 'Flipped lesson',
      about: 'Read and watch before the meeting, which begins with what was hard.',
      parts: 'Page · film · quiz · page',
    },
    decisions: {
      name: 'Decision story',
      about: 'Learners decide what happens next, and see what comes of it.',
      parts: 'Film with a fork · two pages · two endings',
    },
    pictureWalk: {
      name: 'Picture walk',
      about: 'A picture to walk about in, a deck to leaf through, and a few questions.',
      parts: 'Still with pins · deck · quiz',
    },
    readingWithFilm: {
      name: 'Reading with film',
      about: 'A text beside the film it is about, with guiding questions.',
      parts: 'Film · page in two columns',
    },
  },
}
