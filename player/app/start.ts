// Everything of the learner's page that can wait until the film's first frame is on screen.
import { createApp } from 'vue'
import { createPlayerI18n } from '../i18n.ts'
import App from './App.vue'

/** Puts the player into the page. */
export function start(): void {
  createApp(App)
    .use(createPlayerI18n(document.documentElement.lang || 'en'))
    .mount('#player')
}
