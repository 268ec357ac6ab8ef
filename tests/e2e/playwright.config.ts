import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  timeout: 40_000,
  expect: { timeout: 8000 },
  workers: 2,
  fullyParallel: true,
  reporter: process.env['JUXTOPSIS_E2E_REPORT'] ? [['list'], ['json', { outputFile: process.env['JUXTOPSIS_E2E_REPORT'] }]] : [['list']],
  outputDir: '../../artifacts/e2e',
  use: {
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--no-first-run'],
    },
  },
});
