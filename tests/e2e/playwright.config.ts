import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  timeout: 120_000,
  // Generous: a busy machine is no fault of the page.
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  reporter: process.env['JUXTOPSIS_E2E_REPORT'] ? [['list'], ['json', { outputFile: process.env['JUXTOPSIS_E2E_REPORT'] }]] : [['list']],
  outputDir: '../../artifacts/e2e',
  use: {
    // What cannot be pressed is told with the page as it stood, rather than after it was closed.
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--no-first-run',
        '--renderer-process-limit=1',
        '--disable-site-isolation-trials',
      ],
    },
  },
});
