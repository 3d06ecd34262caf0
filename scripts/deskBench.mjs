#!/usr/bin/env node
// Measures the trace desk in Chromium on an hour at 10 Hz in two lanes. Usage: npm run bench:desk
// Prints milliseconds on this machine; a test must not depend on them.
import { longTasks, ms, noteLongTasks, withDemo } from './demoBrowser.mjs';

const rows = Array.from({ length: 36_000 }, (_, i) => {
  const t = i / 10;
  const ect = 88 - 80 * Math.exp(-t / 300) + Math.sin(t / 40) + 0.3 * Math.sin(i);
  const speed = Math.max(0, 60 + 30 * Math.sin(t / 50) + 5 * Math.sin(i / 7));
  return `${t.toFixed(1)},${ect.toFixed(1)},${speed.toFixed(1)}`;
});
const log = `time_s,ect_c,speed_kmh\n${rows.join('\n')}\n`;
const quantile = (values, q) => [...values].sort((a, b) => a - b)[Math.floor(q * (values.length - 1))];

await withDemo(async (page, base) => {
  await noteLongTasks(page);
  await page.goto(`${base}/jobs/demo-arrival`);
  await page
    .getByTestId('log-file')
    .setInputFiles({ name: 'hour.csv', mimeType: 'text/csv', buffer: Buffer.from(log) });
  await page.getByTestId('why').waitFor({ timeout: 180_000 });
  await page.waitForTimeout(20_000);
  await longTasks(page);
  // The client's own navigation, as a person opens it; the page around it is there already.
  await page.getByRole('link', { name: /Desk/ }).first().click();
  await page.getByTestId('features').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(3000);
  const opening = await longTasks(page);
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
});
