// The built demo and a browser, for pictures and for measurements that no test may depend on.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root } from './packages.mjs';

const PORT = '3291';

/** Does something with a fresh page of the demo; builds what is missing. */
export async function withDemo(work) {
  ensurePackages();
  const executablePath = ensureChromium();
  if (!executablePath) process.exit(1);
  ensureBuild();
  const { chromium } = await import('@playwright/test');
  const next = path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
  const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', PORT], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, VARMEK_DEMO: '1' },
  });
  await new Promise((resolve) => server.stdout.on('data', (text) => String(text).includes('Ready') && resolve()));
  const browser = await chromium.launch({
    executablePath,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-dev-shm-usage',
      '--disable-quic',
      '--disable-background-networking',
    ],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, timezoneId: 'UTC' });
    await work(page, `http://127.0.0.1:${PORT}`);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Has every document of a page note its tasks above 50 ms from now on. */
export const noteLongTasks = (page) =>
  page.addInitScript(() => {
    globalThis.longTasks = [];
    new PerformanceObserver((list) => globalThis.longTasks.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });

/** Tasks above 50 ms since the last look, ms. */
export const longTasks = (page) => page.evaluate(() => globalThis.longTasks.splice(0));

/** Milliseconds as they are printed. */
export const ms = (v) => v.toFixed(1).padStart(7);
