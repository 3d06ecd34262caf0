#!/usr/bin/env node
// Measures the trace desk in Chromium on an hour at 10 Hz in two lanes. Usage: npm run bench:desk
// Prints milliseconds on this machine; a test must not depend on them.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root } from './packages.mjs';

ensurePackages();
const executablePath = ensureChromium();
if (!executablePath) process.exit(1);
ensureBuild();
const { chromium } = await import('@playwright/test');
const PORT = '3291';
const BASE = `http://127.0.0.1:${PORT}`;
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
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

const rows = Array.from({ length: 36_000 }, (_, i) => {
  const t = i / 10;
  const ect = 88 - 80 * Math.exp(-t / 300) + Math.sin(t / 40) + 0.3 * Math.sin(i);
  const speed = Math.max(0, 60 + 30 * Math.sin(t / 50) + 5 * Math.sin(i / 7));
  return `${t.toFixed(1)},${ect.toFixed(1)},${speed.toFixed(1)}`;
});
const log = `time_s,ect_c,speed_kmh\n${rows.join('\n')}\n`;
const quantile = (values, q) => [...values].sort((a, b) => a - b)[Math.floor(q * (values.length - 1))];
const ms = (v) => v.toFixed(1).padStart(7);

try {
  await page.goto(`${BASE}/jobs/demo-arrival`);
  await page
    .getByTestId('log-file')
    .setInputFiles({ name: 'hour.csv', mimeType: 'text/csv', buffer: Buffer.from(log) });
  await page.getByTestId('why').waitFor({ timeout: 180_000 });
  await page.waitForTimeout(20_000);
  await page.evaluate(() => {
    globalThis.longTasks = [];
    new PerformanceObserver((list) => globalThis.longTasks.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
      buffered: false,
    });
  });
  // The client's own navigation, as a person opens it; the page around it is there already.
  await page.getByRole('link', { name: /Desk/ }).first().click();
  await page.getByTestId('features').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(3000);
  const opening = await page.evaluate(() => globalThis.longTasks.splice(0));
  console.log(`opening: ${opening.length} tasks above 50 ms, longest ${ms(Math.max(0, ...opening))} ms`);

  const lanes = page.getByTestId('desk-lanes');
  const box = await lanes.boundingBox();
  const frames = await page.evaluate(
    async ({ left, top, width }) => {
      const target = document.elementFromPoint(left + 300, top + 60);
      const times = [];
      for (let i = 0; i < 240; i++) {
        const began = performance.now();
        target.dispatchEvent(
          new PointerEvent('pointermove', {
            bubbles: true,
            clientX: left + 200 + ((i * 7) % (width - 230)),
            clientY: top + 60,
          }),
        );
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
        times.push(performance.now() - began);
      }
      return times;
    },
    { left: box.x, top: box.y, width: box.width },
  );
  console.log(
    `cursor: median frame ${ms(quantile(frames, 0.5))} ms, 95 of 100 within ${ms(quantile(frames, 0.95))} ms (${(1000 / quantile(frames, 0.5)).toFixed(0)} frames a second; the screen gives 60)`,
  );

  await lanes.focus();
  const steps = await page.evaluate(async () => {
    const target = document.querySelector('[data-testid="desk-lanes"]');
    const press = async (key, shiftKey = false) => {
      const began = performance.now();
      target.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey, bubbles: true }));
      const worked = performance.now() - began;
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      return { worked, shown: performance.now() - began };
    };
    const out = { zoom: [], pan: [] };
    for (let i = 0; i < 24; i++) {
      out.zoom.push(await press(i % 8 < 4 ? '+' : '-'));
      out.pan.push(await press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft', true));
    }
    return out;
  });
  for (const [name, list] of Object.entries(steps)) {
    const shown = list.map((s) => s.shown);
    console.log(
      `${name}: median ${ms(quantile(shown, 0.5))} ms, 95 of 100 within ${ms(quantile(shown, 0.95))} ms to the next frame`,
    );
  }

  await page.getByRole('tab', { name: 'What if' }).click();
  await page.getByTestId('what-if-code').waitFor();
  const slider = await page.evaluate(async () => {
    const input = document.querySelector('#what-if-leak');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
    const times = [];
    for (let i = 0; i < 24; i++) {
      const began = performance.now();
      set.call(input, String(0.02 * i));
      input.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      times.push(performance.now() - began);
    }
    return times;
  });
  console.log(
    `what-if: median ${ms(quantile(slider, 0.5))} ms, 95 of 100 within ${ms(quantile(slider, 0.95))} ms to the next frame`,
  );
} finally {
  await browser.close();
  server.kill();
}
