// Builds the application for designers, teachers and keepers.
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { withoutEval } from '../player/withoutEval.ts'
import { withoutUnusedVue } from '../player/withoutUnusedVue.ts'

/**
 * What is fetched together lies in one file: a browser asks a server for six things at a time, and on a slow line each asking costs
 * more than what comes. What is not named here lies in files of those pages that need it.
 */
const TOGETHER = [
  // All that every page needs before it is shown.
  { name: 'first', tags: ['$initial' as const], priority: 2 },
  // The components that nearly all pages of those who are signed in have, and the look of all.
  {
    name: 'components',
    test: /@primevue\/core|@primeuix\/(utils|styled|themes)|@primeuix\/styles\/dist\/(base|badge|button|inputtext|ripple)\/|primevue\/(badge|button|config|inputtext|ripple)\/|web\/src\/theme\//,
  },
  { name: 'words', test: /(web|player)\/locales\/(?!enEntry|madeUp)/ },
  // Small things around what a page shows.
  {
    name: 'around',
    test: /web\/src\/(ui\/(AppBar|FernMark|FaultNotice|useLoaded|dates)|home\/LessonPicture)|core\/(fields\/(clean|never)|media\/(timecode|frames)|contract\/mediaAddresses)|nanoid/,
  },
  { name: 'frond', test: /(player|core)\/frond/ },
  // What most pages around a lesson know of lessons, and check it with.
  {
    name: 'lesson',
    test: /node_modules\/zod|core\/(analysis|classes|contract|fields|lesson|media|playback|questions|records|routes|watching|words)\//,
    minShareCount: 6,
  },
]

export default defineConfig({
  plugins: [vue(), withoutUnusedVue, withoutEval],
  worker: { plugins: () => [withoutEval] },
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    rolldownOptions: { output: { codeSplitting: { groups: TOGETHER } } },
  },
  define: {
    __VUE_OPTIONS_API__: 'true',
    __VUE_PROD_DEVTOOLS__: 'false',
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
    __VUE_I18N_LEGACY_API__: 'false',
    __INTLIFY_PROD_DEVTOOLS__: 'false',
  },
})
