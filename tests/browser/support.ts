import { expect, test as base, type Page } from '@playwright/test';
import axe from 'axe-core';

/** Port of the plain server; the demo server stands one above. */
export const PORT = Number(process.env.PORT ?? 3210);
export const DEMO = `http://127.0.0.1:${PORT + 1}`;

/** Waits until the page would not ask before it is left: no change is on its way to the store. A full disk asks on. */
async function settle(page: Page): Promise<void> {
  const asks = () => page.evaluate(() => !window.dispatchEvent(new Event('beforeunload', { cancelable: true })));
  for (let tries = 0; tries < 50 && (await asks()); tries++) await page.waitForTimeout(100);
}

/** Leaves a page only when it would not ask, as a person would who is asked. */
function leaveSettled(page: Page): void {
  const { goto, reload } = page;
  page.goto = async (...where) => {
    await settle(page);
    return goto.apply(page, where);
  };
  page.reload = async (...how) => {
    await settle(page);
    return reload.apply(page, how);
  };
}

/** A page that fails its test on any request to another host, any error on the page, any refused resource. */
export const test = base.extend<{ page: Page }>({
  page: async ({ page }, run) => {
    const wrong: string[] = [];
    leaveSettled(page);
    page.on('request', (r) => {
      if (!/^(https?:\/\/127\.0\.0\.1[:/]|data:|blob:)/.test(r.url())) wrong.push(`left this machine: ${r.url()}`);
    });
    page.on('pageerror', (e) => wrong.push(`page error: ${e.message}`));
    page.on('console', (m) => {
      // A test that goes elsewhere while a link is being prefetched cuts that fetch off; the router then says so.
      const cutOff = /Failed to fetch RSC payload/.test(m.text());
      if (m.type() === 'error' && !cutOff) wrong.push(`console: ${m.text()} ${m.location().url}`);
    });
    await run(page);
    expect(wrong).toEqual([]);
  },
});

export { expect };

/** Puts axe on the open page, once: fresh from its source it is several times as slow as when it has run. */
async function putAxe(page: Page): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
}

/** Serious findings of axe on the open page. @param rules those alone, where the others were asked already */
export async function seriousFindings(page: Page, rules?: string[]): Promise<string[]> {
  await putAxe(page);
  return page.evaluate(async (runOnly) => {
    const here = (window as unknown as { axe: typeof axe }).axe;
    // What passes is not listed: listing it takes its time too.
    const { violations } = await here.run({ resultTypes: ['violations'], ...(runOnly && { runOnly }) });
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
  }, rules);
}

/** No serious finding of axe, and nothing wider than the window. */
export async function expectClean(page: Page): Promise<void> {
  expect(await seriousFindings(page)).toEqual([]);
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(overflow).toBeLessThanOrEqual(0);
}

/** Adds a vehicle and a job on it; ends on the job's arrival. */
export async function newJob(page: Page, plate: string, options: { inlet?: boolean } = {}): Promise<void> {
  await page.goto('/vehicles/new?then=job');
  await page.getByLabel('Name or plate').fill(plate);
  if (options.inlet) await page.getByLabel('Where it sits').selectOption('inlet');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible();
  await expect(page.getByLabel('Vehicle', { exact: true })).not.toHaveValue('');
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
}

/** From anywhere on a job to a stage of it, by its key; pressed again where the page did not listen yet. */
export async function openStage(page: Page, key: string): Promise<void> {
  const stage = page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: new RegExp(`^${key} `) });
  await expect(async () => {
    await page.keyboard.press(key);
    await expect(stage).toHaveAttribute('aria-current', 'page', { timeout: 5000 });
  }).toPass({ timeout: 120_000 });
}

/** From anywhere to a place of the shop, by its keys; pressed again where the page did not listen yet. */
export async function openPlace(page: Page, key: string, heading: string, between_ms = 0): Promise<void> {
  await expect(async () => {
    await page.keyboard.press('g');
    await page.waitForTimeout(between_ms);
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: heading })).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 120_000 });
}

/** Chooses something in the menu of the open job. */
export async function jobMenu(page: Page, name: string): Promise<void> {
  await page.locator('summary', { hasText: 'Job' }).click();
  await page.getByRole('button', { name }).click();
}

/** A warm-up as canonical CSV that holds at a level, °C. */
export function warmUp(level_c: number, options: { start_c?: number; minutes?: number; tau_s?: number } = {}): string {
  const { start_c = 6, minutes = 25, tau_s = 260 } = options;
  const rows = Array.from({ length: minutes * 60 }, (_, t) => {
    const ect = Math.min(level_c, start_c + (level_c + 14 - start_c) * (1 - Math.exp(-t / tau_s)));
    return `${t},${Math.round(ect)},${start_c}`;
  });
  return `time_s,ect_c,ambient_c\n${rows.join('\n')}\n`;
}

/** Lets every further write of this page fail as on a full disk, or work again. */
export const fillDisk = (page: Page, full: boolean) =>
  page.evaluate((isFull) => {
    const proto = IDBObjectStore.prototype as IDBObjectStore & { kept?: Pick<IDBObjectStore, 'put' | 'add'> };
    proto.kept ??= { put: proto.put, add: proto.add };
    const refuse = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError');
    };
    proto.put = isFull ? refuse : proto.kept.put;
    proto.add = isFull ? refuse : proto.kept.add;
  }, full);

/** Lets every further worker of this page fail to start, as where its file cannot be had, or work again. */
export const breakWorkers = (page: Page, broken: boolean) =>
  page.evaluate((isBroken) => {
    class Broken extends EventTarget {
      constructor() {
        super();
        setTimeout(() => this.dispatchEvent(new ErrorEvent('error', { message: 'no such file' })));
      }
      postMessage = () => undefined;
      terminate = () => undefined;
    }
    const kept = window as unknown as { real?: typeof Worker; Worker: unknown };
    kept.real ??= window.Worker;
    kept.Worker = isBroken ? Broken : kept.real;
  }, broken);
