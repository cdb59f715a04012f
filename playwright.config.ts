import { defineConfig } from '@playwright/test';

const port = Number(process.env.NELVIX_PORT ?? 4310);
const origin = `http://127.0.0.1:${port}`;

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/e2e',
  timeout: 180_000,
  // A machine with other work beside this one is slow, not wrong.
  expect: { timeout: 20_000 },
  retries: process.env.CI ? 1 : 0,
  workers: 2,
  reporter: [['list'], ['json']],
  projects: [
    { name: 'all', testIgnore: /alone\.spec\.ts/ },
    // Timed: nothing else runs beside it.
    { name: 'alone', testMatch: /alone\.spec\.ts/, dependencies: ['all'] },
  ],
  use: {
    baseURL: origin,
    // Who has been here before; `begin.spec.ts` comes as a stranger.
    storageState: {
      cookies: [],
      origins: [{ origin, localStorage: [{ name: 'nelvix.welcomed', value: '1' }] }],
    },
    // What is kept on the device would answer for the server; `offline.spec.ts` lets it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
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
  webServer: {
    command: `node node_modules/next/dist/bin/next start -p ${port} -H 127.0.0.1`,
    port,
    env: { NEXT_TELEMETRY_DISABLED: '1' },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
});
