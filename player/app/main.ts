// The entry of the learner's page.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '../theme.css'
import { createApp } from 'vue'
import { createPlayerI18n } from '../i18n.ts'
import App from './App.vue'

createApp(App)
  .use(createPlayerI18n(document.documentElement.lang || 'en'))
  .mount('#player')
