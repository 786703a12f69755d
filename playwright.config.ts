import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './ops/chromium.ts';

const EACH_BY_ITSELF = /screens\.spec\.ts$/;

export default defineConfig({
  testDir: 'e2e',
  timeout: 240_000,
  // Two run beside each other, and a machine may be four times slower: what shows within a second alone may take long. No test asserts a time.
  expect: { timeout: 30_000 },
  // Each with a house of its own. More than there are cores only wait for each other.
  workers: Math.min(2, availableParallelism()),
  fullyParallel: false,
  forbidOnly: Boolean(process.env.CI),
  // A machine that others load lets a browser wait for minutes now and then: tried once more, and told as flaky.
  retries: process.env.CI ? 1 : 0,
  // Tests of every screen are each by themselves, and fill what the files, which stay whole, leave of either worker at the end.
  projects: [
    { name: 'files', testIgnore: EACH_BY_ITSELF },
    { name: 'screens', testMatch: EACH_BY_ITSELF },
  ],
  reporter: [['list']],
  globalSetup: './e2e/house.ts',
  use: {
    // What hangs says where.
    actionTimeout: 90_000,
    navigationTimeout: 120_000,
    // It fetches every screen when it comes, for each test anew: only where it is what is tested.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
    },
  },
});
