// Builds the learner's page on its own; served under /player, opened by /open/… and /learn/….
import vue from '@vitejs/plugin-vue'
import { defineConfig, type Plugin, type Rollup } from 'vite'
import { withoutEval } from './withoutEval.ts'
import { withoutUnusedVue } from './withoutUnusedVue.ts'

/** The entry's own script, all that it and the player itself import, and nothing that is only fetched when needed. */
function chunksAtOnce(bundle: Rollup.OutputBundle): Rollup.OutputChunk[] {
  const chunks = Object.values(bundle).filter((file) => file.type === 'chunk')
  const named = (names: readonly string[]) =>
    chunks.filter(({ fileName }) => names.includes(fileName))
  const found = new Set<Rollup.OutputChunk>()
  function take(chunk: Rollup.OutputChunk): void {
    if (found.has(chunk)) return
    found.add(chunk)
    named(chunk.imports).forEach(take)
  }
  for (const entry of chunks.filter(({ isEntry }) => isEntry)) {
    take(entry)
    named(entry.dynamicImports).forEach(take)
  }
  return [...found]
}

/**
 * Has the page fetch the player's script along with its own, rather than only when it is asked for. What only some lessons
 * need, further kinds of questions and parts, formulas and sending files, waits until the film is there.
 */
const fetchWithPage: Plugin = {
  name: 'fetch-with-page',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      chunksAtOnce(bundle ?? {})
        .filter(({ isEntry }) => !isEntry)
        .map(({ fileName }) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'script', crossorigin: true, href: `/player/${fileName}` },
          injectTo: 'head' as const,
        })),
  },
}

export default defineConfig({
  base: '/player/',
  plugins: [vue(), withoutUnusedVue, withoutEval, fetchWithPage],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    // Browsers ask a server for six things at a time; the film is to be one of the first six.
    cssCodeSplit: false,
    modulePreload: { polyfill: false },
  },
  define: {
    __VUE_OPTIONS_API__: 'false',
    __VUE_PROD_DEVTOOLS__: 'false',
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
    __VUE_I18N_FULL_INSTALL__: 'false',
    __VUE_I18N_LEGACY_API__: 'false',
    __INTLIFY_PROD_DEVTOOLS__: 'false',
  },
})
