import { defineConfig } from '@playwright/test';
import { chromium } from './e2e/browser';

export default defineConfig({
  testDir: 'e2e',
  testMatch: 'bench.ts',
  workers: 1,
  timeout: 90_000,
  use: { ...chromium, locale: 'en-GB', timezoneId: 'Europe/London' },
});
