// Browser tests: the real interface in Debian's headless Chromium, against real servers that the tests start.
import { defineConfig } from '@playwright/test'
import './support/run.ts'

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--autoplay-policy=no-user-gesture-required',
    // A camera, a microphone and a screen that are made up, and nobody who is asked whether they may be used.
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
  ],
}

export default defineConfig({
  testDir: 'tests',
  globalTeardown: './support/run.ts',
  // No step waits longer than two minutes; a test is many of them.
  timeout: 480_000,
  expect: { timeout: 120_000 },
  // Much of a test is waiting for a film to play; four at a time share two cores well.
  workers: 4,
  retries: 0,
  forbidOnly: true,
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    headless: true,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 120_000,
    // The same browser without the parts that nobody sees here.
    launchOptions: { ...CHROMIUM, executablePath: '/usr/bin/chromium-headless-shell' },
    trace: 'off',
    testIdAttribute: 'data-test',
    screenshot: 'only-on-failure',
  },
})
