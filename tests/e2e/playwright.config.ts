import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  // Generous, and here alone: a busy machine is no fault of the page, and what passes waits for nothing.
  timeout: 360_000,
  expect: { timeout: 90_000 },
  workers: 2,
  fullyParallel: true,
  reporter: process.env['JUXTOPSIS_E2E_REPORT'] ? [['list'], ['json', { outputFile: process.env['JUXTOPSIS_E2E_REPORT'] }]] : [['list']],
  outputDir: '../../artifacts/e2e',
  use: {
    // What cannot be pressed is told with the page as it stood, rather than after it was closed.
    actionTimeout: 90_000,
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
