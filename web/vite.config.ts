// Builds the application for designers, teachers and keepers.
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { withoutUnusedVue } from '../player/withoutUnusedVue.ts'

export default defineConfig({
  plugins: [vue(), withoutUnusedVue],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
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
