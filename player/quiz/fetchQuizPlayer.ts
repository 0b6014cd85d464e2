// What shows a quiz, fetched apart from the first script.

export const fetchQuizPlayer = () => import('./QuizPlayer.vue')
