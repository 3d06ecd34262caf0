import { defineConfig } from '@playwright/test';

const port = Number(process.env.PORT ?? 3210);

/** The built app on a port of its own; plain, or as a demo. */
const server = (at: number, env: Record<string, string>) => ({
  command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${at}`,
  url: `http://127.0.0.1:${at}/`,
  reuseExistingServer: false,
  timeout: 240_000,
  env: { NEXT_TELEMETRY_DISABLED: '1', ...env },
  gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 5000 },
});

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results/browser',
  fullyParallel: false,
  workers: 2,
  retries: 0,
  // A machine shared with others has been seen to run five times slower for minutes on end.
  timeout: 600_000,
  expect: { timeout: 120_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    // What hangs is told in minutes, not when the whole test runs out.
    actionTimeout: 120_000,
    navigationTimeout: 120_000,
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    browserName: 'chromium',
    timezoneId: 'UTC',
    // The copy for use without the server has tests of its own; the others see the server.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: [server(port, {}), server(port + 1, { VARMEK_DEMO: '1' })],
});
