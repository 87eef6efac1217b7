import { defineConfig } from '@playwright/test';

/** Shops the tests work in, one a worker: which is this one's its place tells. */
const shops = (process.env.HUSH_PAIL_TEST_URL ?? 'http://127.0.0.1:3210').split(',');
const mine = Number(process.env.TEST_PARALLEL_INDEX ?? 0);

export default defineConfig({
  testDir: 'tests/browser',
  // Nobody's speed is judged here: the whole job alone takes most of a minute on a busy machine.
  timeout: 240_000,
  expect: { timeout: 15_000 },
  workers: shops.length,
  fullyParallel: false,
  reporter: [['list'], ['json']],
  use: {
    // What waits longer waits for nothing: better told than waited for until the test ends.
    actionTimeout: 60_000,
    baseURL: shops[mine] ?? shops[0] ?? '',
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
