import { existsSync } from 'node:fs';
import { cp, mkdir, mkdtemp, rename, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import type { BrowserContextOptions, BrowserType, LaunchOptions, Page } from '@playwright/test';
import { DEMO, expect, test as plain } from './support';

type Options = LaunchOptions & BrowserContextOptions;

/** How many drives of the demo garage wait to be judged; null until all of it is loaded. */
const unjudged = (page: Page) =>
  page.evaluate(async () => {
    const open = indexedDB.open('varmek');
    const db = await new Promise<IDBDatabase>((done) => (open.onsuccess = () => done(open.result)));
    const read = db.transaction(['settings', 'traces']);
    const answer = <T>(request: IDBRequest<T>) =>
      new Promise<T>((done) => (request.onsuccess = () => done(request.result)));
    const loaded = await answer(read.objectStore('settings').get('demo-loaded'));
    const traces = (await answer(read.objectStore('traces').getAll())) as { judging: { state: string } }[];
    db.close();
    return loaded ? traces.filter((t) => t.judging.state !== 'done').length : null;
  });

/** Loads the demo garage into a new browser that keeps it in a folder, and lets it be judged. */
async function makeGarage(chromium: BrowserType, folder: string, options: Options): Promise<void> {
  const context = await chromium.launchPersistentContext(folder, options);
  const page = context.pages()[0] ?? (await context.newPage());
  await page.goto(DEMO);
  await expect(page.getByText('Island taxi')).toBeVisible({ timeout: 240_000 });
  await expect.poll(() => unjudged(page), { timeout: 480_000, intervals: [1000] }).toBe(0);
  // Every job's odds are summed up after its drives.
  await expect(page.getByRole('link', { name: /Harbour.*Yearly check.*Nothing wrong/ })).toBeVisible();
  await context.close();
}

/**
 * The folder of the garage of this run, made by whoever asks first; the others wait. Playwright empties `results` when a
 * run begins, and starts workers as it likes: what belongs to one of them would be made many times.
 */
async function garageOf(results: string, make: (folder: string) => Promise<void>): Promise<string> {
  const [garage, making] = ['garage', 'garage-making'].map((name) => path.join(results, name)) as [string, string];
  await mkdir(results, { recursive: true });
  const isFirst = await mkdir(making).then(
    () => true,
    (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EEXIST') throw error;
      return false;
    },
  );
  if (isFirst && !existsSync(garage)) {
    await make(making);
    await rename(making, garage);
  }
  await expect.poll(() => existsSync(garage), { timeout: 540_000, intervals: [500] }).toBe(true);
  return garage;
}

/**
 * A test that begins in the demo garage with all its drives judged: in a copy of a browser in which that was done once,
 * since judging it again for each such test took a good part of the whole run.
 */
export const test = plain.extend({
  context: async ({ playwright, launchOptions, viewport, timezoneId, baseURL, contextOptions }, run, testInfo) => {
    const { chromium } = playwright;
    const browser: Options = { ...launchOptions, serviceWorkers: 'block' };
    const garage = await garageOf(testInfo.project.outputDir, (folder) => makeGarage(chromium, folder, browser));
    const folder = await mkdtemp(path.join(os.tmpdir(), 'varmek-garage-'));
    await cp(garage, folder, { recursive: true, filter: (from) => !path.basename(from).startsWith('Singleton') });
    const options: Options = { ...browser, ...contextOptions, viewport, timezoneId, baseURL };
    const context = await chromium.launchPersistentContext(folder, options);
    await run(context);
    await context.close();
    await rm(folder, { recursive: true, force: true });
  },
});
