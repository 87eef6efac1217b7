import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/browser',
  // Nobody's speed is judged here: the whole job alone takes most of a minute on a busy machine.
  timeout: 240_000,
  expect: { timeout: 15_000 },
  workers: 1,
  fullyParallel: false,
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env.HUSH_PAIL_TEST_URL ?? 'http://127.0.0.1:3210',
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
