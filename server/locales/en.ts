// English texts of what the server draws itself.
export default {
  cards: {
    goTo: 'Go to',
    signIn: 'Sign-in name',
    phrase: 'Pass phrase, for the first time',
  },
}
