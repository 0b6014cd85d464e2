// What was there before a rule was, file by file. The lists only shrink: a figure that is higher than it has to be is refused
// like one that is too low, and nothing is added.

/** The longest function of a file, in lines without blank ones and comments; every other function has at most 80. */
export const LONG_FUNCTIONS = {
  'core/questions/shortText/pattern.ts': 121,
  'demo/films/water-budget/ponds.ts': 93,
  'demo/lessons/anatomyPins.ts': 122,
  'demo/lessons/lockLog.ts': 113,
  'e2e/support/everyKind.ts': 323,
  'player/hosts/server/index.ts': 81,
  'player/hosts/server/sender.ts': 93,
  'player/media/filmMedia.ts': 128,
  'player/media/hostedFilm.ts': 169,
  'player/quiz/useQuiz.ts': 98,
  'player/recording/useRecorder.ts': 117,
  'player/talk/useTalk.ts': 125,
  'server/app.ts': 81,
  'server/routes/uploads.ts': 145,
  'web/src/bench/placing/placings.ts': 205,
  'web/src/bench/useStageDrag.ts': 130,
  'web/src/marking/useDesk.ts': 113,
}
