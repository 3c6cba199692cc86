import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tools/browser';

/** The real interface in Debian's Chromium. Each worker has an installation of its own, which the tests of its files share. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  globalSetup: './e2e/build.ts',
  workers: 2,
  timeout: 150_000,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    // Nothing fades: what a test looks at is what stays.
    contextOptions: { reducedMotion: 'reduce' },
  },
});
