// English texts of what the server draws itself.
export default {
  cards: {
    goTo: 'Go to',
    signIn: 'Sign-in name',
    phrase: 'Pass phrase, for the first time',
  },
  mail: {
    marked: {
      subject: (title: string) => `Your answers in “${title}” have been marked`,
      body: (name: string, title: string, by: string) =>
        `Dear ${name},\n\n${by} has marked your answers in “${title}”. You find the marks and what was said about them on your page, at “See your results”.\n`,
    },
  },
}
