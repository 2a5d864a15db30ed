import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/stack.mjs'

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './build.ts',
  // each file has a stack of its own: while one journey waits for the screen another goes on
  workers: 3,
  // a loaded machine takes longer: these end what hangs, they judge nothing
  timeout: 900_000,
  expect: { timeout: 90_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    actionTimeout: 90_000,
    launchOptions: CHROMIUM,
    // a phone, where a journey does not say otherwise
    viewport: { width: 390, height: 844 },
    locale: 'en-US',
    timezoneId: 'America/New_York',
    reducedMotion: 'reduce',
    // it stores the whole application anew for everyone who comes in: allowed where one is without a network
    serviceWorkers: 'block',
    // the options of the launch are Chromium's own, which its type leaves out
  } as never,
})
