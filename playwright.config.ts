import { defineConfig } from '@playwright/test';
import { browserPath } from './e2e/browser-path';
import { shards } from './e2e/shards';

export default defineConfig({
  testDir: 'e2e',
  // One generous limit for every wait: tests wait for states, and a busy machine takes its time to reach them.
  timeout: 300_000,
  expect: { timeout: 90_000 },
  // Each shard has a server of its own; tests are dealt out one by one.
  workers: shards().length,
  fullyParallel: true,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'out/tests/browser.json' }]],
  use: {
    actionTimeout: 90_000,
    // Every test begins in an empty browser: the copy of the program for work without a server is asked for where it is tested.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // As a maker has it who asked the machine for less motion: nothing fades or slides.
    contextOptions: { reducedMotion: 'reduce' },
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: browserPath(),
      args: [
        '--no-sandbox',
        // Without a graphics card pages are painted much faster the plain way; what is in 3D is drawn in software.
        '--disable-gpu',
        '--enable-unsafe-swiftshader',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
