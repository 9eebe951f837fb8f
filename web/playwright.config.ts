import { defineConfig } from '@playwright/test';
import { chromium } from './e2e/browser';

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  fullyParallel: true,
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  // A second try on a machine that is busy with others; what needed one is listed as flaky.
  retries: process.env['CI'] ? 1 : 0,
  forbidOnly: true,
  reporter: [['list']],
  use: { ...chromium, locale: 'en-GB', timezoneId: 'Europe/London' },
  projects: [
    { name: 'desk', use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
      testMatch: 'journey.spec.ts',
    },
  ],
});
