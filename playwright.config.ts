import { defineConfig } from '@playwright/test';
import { chromium } from './e2e/support/browser.ts';

/** Journeys through the real interface, against the built product on a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: 2,
  timeout: 300_000,
  // Two shared cores can be slow; what is right comes in the end, what is wrong never does.
  expect: { timeout: 60_000 },
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '.cache/playwright.json' }]],
  // What changes the workshop for everybody runs on a product of its own: projects do not share workers.
  projects: [
    { name: 'journeys', testIgnore: '**/shared-*.spec.ts' },
    { name: 'shared things', testMatch: '**/shared-*.spec.ts' },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // Nobody looks at these pages: a quarter of the pixels is painted, the layout is the same.
    deviceScaleFactor: 0.5,
    launchOptions: chromium,
    contextOptions: { reducedMotion: 'reduce' },
    // Where it is about the phone without a signal it is let in.
    serviceWorkers: 'block',
    screenshot: 'only-on-failure',
    timezoneId: 'America/Chicago',
    locale: 'en-GB',
  },
});
