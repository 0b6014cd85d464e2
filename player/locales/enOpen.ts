// English texts of a lesson's front door: who comes in, and as whom.
export default {
  welcome: 'You are invited to a lesson',
  asGuest: 'Go in as a guest',
  fullName: 'Your first and last name',
  fullNameHelp: 'Your teacher sees this name with your results.',
  fullNameNeeded: 'Give your name in letters, as your teacher knows you.',
  lastNameToo:
    'Have you a last name too? With it your teacher can tell who you are. If this is all of your name, go in with it.',
  begin: 'Begin the lesson',
  goOn: 'Go on with the lesson',
  withAccount: 'Sign in instead',
  email: 'Email address or sign-in name',
  password: 'Password',
  signIn: 'Sign in and begin',
  wrongPassword: 'This name or address and this password do not belong together.',
  onlyNamed:
    'This lesson is for people it was shared with. Sign in, and it opens if you are one of them.',
  notYou:
    'This lesson was not shared with you. Ask whoever sent you the link, or sign in as somebody else.',
  signedInAs: 'Signed in as {name}',
  guestInstead: 'Go in as a guest instead',
}
