// A step of both builds, of the learner's page and of the application.
import type { Plugin } from 'vite'

/**
 * Schemas try to make script of words, which our pages allow nobody (Content-Security-Policy): they could do without, but each try
 * is reported as a breach. Here they are told before the first is made.
 */
export const withoutEval: Plugin = {
  name: 'without-eval',
  transform(code, id) {
    if (!/zod\/v4\/core\/core\.js($|\?)/.test(id)) return null
    if (!code.includes('export const globalConfig'))
      this.error('zod no longer has its globalConfig there; see how it is told to be jitless')
    return { code: `${code}\nglobalConfig.jitless = true;\n`, map: null }
  },
}
