import { defineConfig } from '@playwright/test'
import { CHROMIUM } from '../scripts/lib/stack.mjs'

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './build.ts',
  // each file has a stack of its own: while one journey waits for the screen another goes on
  workers: 3,
  timeout: 180_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    actionTimeout: 10_000,
    launchOptions: CHROMIUM,
    locale: 'en-US',
    timezoneId: 'America/New_York',
    reducedMotion: 'reduce',
  } as never,
})
