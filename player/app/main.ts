// The entry of the learner's page.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '../theme.css'
import './early.css'
import { createApp } from 'vue'
import { createPlayerI18n } from '../i18n.ts'
import { earlyFrame } from '../hosts/server/early.ts'
import App from './App.vue'

/** The browser loads the film on the thread that this script runs on, so the film's first frame is let past, in ms. */
const FRAME_FIRST_MS = 400

await earlyFrame(FRAME_FIRST_MS)
createApp(App)
  .use(createPlayerI18n(document.documentElement.lang || 'en'))
  .mount('#player')
