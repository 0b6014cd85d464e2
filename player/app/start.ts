// Everything of the learner's page that can wait until the film's first frame is on screen.
import { createApp } from 'vue'
import { createPlayerI18n } from '../i18n.ts'
import App from './App.vue'

/** Puts the player into the page. */
export async function start(): Promise<void> {
  const i18n = await createPlayerI18n(document.documentElement.lang || 'en')
  createApp(App).use(i18n).mount('#player')
}
