// A step of both builds, of the learner's page and of the application.
import type { Plugin } from 'vite'

/**
 * vue-i18n asks the whole of Vue for something that only later versions of Vue have, by a name no bundler can follow, so
 * that all of Vue would be sent, its server rendering too. Vue 3.5 does not have it, and the question is taken out.
 */
export const withoutUnusedVue: Plugin = {
  name: 'without-unused-vue',
  transform(code, id) {
    if (!/vue-i18n\.mjs($|\?)/.test(id)) return null
    const lean = code.replace(/if \(key in Vue\) \{\s*return Vue\[key\];\s*\}\s*else /, '')
    if (lean === code) this.error('vue-i18n no longer asks so; see whether this is still needed')
    return { code: lean, map: null }
  },
}
