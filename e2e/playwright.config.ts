import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: '.results',
  // What is timed or pictured has the machine to itself.
  workers: process.env.SPARE_KNOT_PICTURES ? 1 : 2,
  fullyParallel: !process.env.SPARE_KNOT_PICTURES,
  // A busy machine is no fault of the code.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  testIgnore: process.env.SPARE_KNOT_PICTURES ? [] : ['pictures.spec.ts', 'speed.spec.ts'],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // Where a test holds up what the page asks for, nothing may answer in the server's place.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
