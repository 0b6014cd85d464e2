import { defineConfig } from 'vitest/config'
import vue from '@vitejs/plugin-vue'

// A busy machine is no fault; what hangs is found in two minutes.
const LIMIT_MS = 120_000

const project = (name: string, more: object = {}) => ({
  plugins: [vue()],
  test: {
    name,
    include: [`${name}/**/*.test.ts`],
    exclude: ['**/node_modules/**', '**/dist/**'],
    testTimeout: LIMIT_MS,
    hookTimeout: LIMIT_MS,
    setupFiles: ['scripts/lib/setUp.testing.mjs'],
    ...more,
  },
})

export default defineConfig({
  test: {
    projects: [
      // Their files share what they import; loading it anew for each takes longest.
      project('core', { isolate: false }),
      project('player', { isolate: false }),
      project('web', { isolate: false }),
      // The commands themselves, each with a database of its own.
      // They start servers, and one installs what a package needs.
      project('scripts', {
        include: ['scripts/**/*.test.mjs', 'e2e/bench/**/*.test.ts'],
        testTimeout: 2 * LIMIT_MS,
        hookTimeout: 2 * LIMIT_MS,
      }),
      // Against a real PostgreSQL, which the test command starts; one database a file; much of it is waiting,
      // so two at a time share the cores well. What is kept in memory goes by ids that are drawn anew for each file.
      project('server', { maxWorkers: 2, isolate: false }),
    ],
  },
})
