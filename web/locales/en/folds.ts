// English texts of what is folded on the sheets of the bench, and of what it tells while it is shut.
export default {
  fold: {
    aside: 'Hint and explanation',
    marks: 'Marks and tries',
    points: '{n} mark | {n} marks',
    tries: 'as many tries as they like | one try | {n} tries',
    kept: 'kept',
    place: 'Place in numbers, name in lists',
    note: 'a note',
    ending: 'What is said at the end',
    answer: 'Compared as {as}, earns {share}; what is said to it',
    wordRules: 'How words are compared',
    rule: { typos: 'small typos taken', case: 'capitals count', accents: 'accents count' },
    numberRules: 'Unit and decimal sign',
    unitNeeded: 'unit needed',
  },
}
