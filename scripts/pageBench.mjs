#!/usr/bin/env node
// Measures how long the page is held up, in Chromium: opening, editing a plan, a log of a million rows taken in, judged,
// and its job saved. Usage: npm run bench:page. Prints milliseconds on this machine; a test must not depend on them.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { longTasks, ms, noteLongTasks, withDemo } from './demoBrowser.mjs';

const ROWS = 1_000_000;
const row = (i) => {
  const t = i / 100;
  const ect = 88 - 80 * Math.exp(-t / 300) + Math.sin(t / 40);
  return `${t},${ect.toFixed(1)},${(60 + 30 * Math.sin(t / 50)).toFixed(0)},6`;
};

/** Waits until the page was left alone for a while, and prints what held it up since the last time. */
async function tell(page, what, began) {
  const took_s = (Date.now() - began) / 1000;
  await page.waitForTimeout(1500);
  const tasks = await longTasks(page);
  const above = tasks.filter((t) => t > 100).length;
  console.log(
    `${what.padEnd(28)} ${took_s.toFixed(1).padStart(6)} s, longest task ${ms(Math.max(0, ...tasks))} ms, ${above} above 100 ms`,
  );
}

const folder = mkdtempSync(path.join(os.tmpdir(), 'bench-'));
const file = path.join(folder, 'million.csv');
writeFileSync(file, `time_s,ect_c,speed_kmh,ambient_c\n${Array.from({ length: ROWS }, (_, i) => row(i)).join('\n')}\n`);
await withDemo(async (page, base) => {
  await noteLongTasks(page);
  page.setDefaultTimeout(300_000);
  const step = async (what, work) => {
    const began = Date.now();
    await work();
    await tell(page, what, began);
  };
  await page.goto(base);
  await page.getByText('Island taxi').first().waitFor();
  await page.waitForTimeout(15_000);
  await longTasks(page);
  await step('jobs, loaded', async () => {
    await page.reload();
    await page.getByText('Island taxi').first().waitFor();
  });
  await step('plan, loaded', async () => {
    await page.goto(`${base}/jobs/demo-arrival/drive`);
    await page.getByTestId('plan-chart').waitFor();
  });
  await step('plan, edited', async () => {
    await page.getByRole('spinbutton').first().fill('7');
    await page.getByRole('spinbutton').first().blur();
    await page.waitForTimeout(3000);
  });
  await step('finding, loaded', async () => {
    await page.goto(`${base}/jobs/demo-arrival`);
    await page.getByTestId('log-file').waitFor({ state: 'attached' });
  });
  await step('a million rows, taken in', async () => {
    await page.getByTestId('log-file').setInputFiles(file);
    await page.getByRole('button', { name: 'Take the log back' }).waitFor();
  });
  await step('the same, judged', async () => {
    await page.getByTestId('why').waitFor();
    await page.waitForTimeout(3000);
  });
  await step('its job, saved', async () => {
    const saving = page.waitForEvent('download');
    await page.locator('summary', { hasText: 'Job' }).click();
    await page.getByRole('button', { name: 'Save job as a file' }).click();
    await saving;
  });
  await step('the desk, opened', async () => {
    await page.getByRole('link', { name: /Desk/ }).first().click();
    await page.getByTestId('features').waitFor();
  });
});
rmSync(folder, { recursive: true });
