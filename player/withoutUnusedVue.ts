// A step of both builds, of the learner's page and of the application.
import type { Plugin } from 'vite'

/** What is taken out of vue-i18n, and what it would bring along. */
const NOT_NEEDED: readonly [pattern: RegExp, instead: string][] = [
  // All of Vue, its server rendering too: it is asked for something that only later versions of Vue have, by a name no bundler can
  // follow. Vue 3.5 does not have it.
  [/if \(key in Vue\) \{\s*return Vue\[key\];\s*\}\s*else /, ''],
  // Its own compiler of texts: ours are said by core/words.
  [/registerMessageCompiler\(compile\);/, ''],
]

/** Keeps out of the browser what vue-i18n would bring along and nothing of ours uses. */
export const withoutUnusedVue: Plugin = {
  name: 'without-unused-vue',
  transform(code, id) {
    if (!/vue-i18n\.mjs($|\?)/.test(id)) return null
    let lean = code
    for (const [pattern, instead] of NOT_NEEDED) {
      if (!pattern.test(lean))
        this.error(`vue-i18n no longer says ${pattern}; see whether this is still needed`)
      lean = lean.replace(pattern, instead)
    }
    return { code: lean, map: null }
  },
}
