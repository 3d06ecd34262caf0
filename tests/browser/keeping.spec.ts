import { readFileSync } from 'node:fs';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Page } from '@playwright/test';
import { test as judged } from './judgedGarage';
import { DEMO, expect, expectClean, jobMenu, newJob, test, warmUp } from './support';

const BACKUP = 'backup.zip';

/** Everything in the store but what is derived or on its way, how far the judge is too; blobs and figures as text. */
const wholeStore = (page: Page): Promise<Record<string, string[]>> =>
  page.evaluate(async () => {
    const opening = indexedDB.open('varmek');
    const db = await new Promise<IDBDatabase>((done) => (opening.onsuccess = () => done(opening.result)));
    const plain = async (v: unknown): Promise<unknown> => {
      if (v instanceof Blob) return [v.type, await v.text()];
      if (v instanceof Float64Array) return [...v].map(String);
      if (Array.isArray(v)) return Promise.all(v.map(plain));
      if (typeof v !== 'object' || v === null) return v;
      const fields = Object.entries(v)
        .filter(([k]) => !['judging', 'revision'].includes(k))
        .sort(([a], [b]) => (a < b ? -1 : 1));
      return Object.fromEntries(await Promise.all(fields.map(async ([k, x]) => [k, await plain(x)])));
    };
    const out: Record<string, string[]> = {};
    for (const name of db.objectStoreNames) {
      if (['summaries', 'findings', 'journal', 'staged', 'settings'].includes(name)) continue;
      const all = db.transaction(name).objectStore(name).getAll();
      const rows = await new Promise<unknown[]>((done) => (all.onsuccess = () => done(all.result)));
      out[name] = (await Promise.all(rows.map(async (r) => JSON.stringify(await plain(r))))).sort();
    }
    db.close();
    return out;
  });

async function saveBackup(page: Page): Promise<Uint8Array> {
  await page.goto(`${new URL(page.url()).origin}/keeping`);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  return readFileSync(await (await saving).path());
}

const openBackup = (page: Page, bytes: Uint8Array) =>
  page
    .getByTestId('backup-file')
    .setInputFiles({ name: BACKUP, mimeType: 'application/zip', buffer: Buffer.from(bytes) });

judged('the whole shop goes into one file and comes back whole into an empty browser', async ({ page, browser }) => {
  await page.goto(DEMO);
  await expect(page.getByText('Island taxi')).toBeVisible({ timeout: 240_000 });
  await page.goto(`${DEMO}/jobs/demo-arrival/arrival`);
  await jobMenu(page, 'Delete job');
  await expect(page.getByText(/is in the bin for 30 days/)).toBeVisible();
  const bytes = await saveBackup(page);
  const before = await wholeStore(page);
  await expect(page.getByTestId('backup-age')).toHaveText(/less than a minute ago/);
  expect(before.traces!.length).toBeGreaterThan(10);

  // Another computer.
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  const plain = DEMO.replace(/\d+$/, (port) => String(Number(port) - 1));
  await other.goto(`${plain}/keeping`);
  await openBackup(other, bytes);
  await expect(other.getByTestId('restore-preview')).toContainText('Jobs');
  await expectClean(other);
  await other.getByRole('button', { name: 'Put in place of what is here' }).click();
  await expect(other.getByText('The backup is restored.')).toBeVisible();
  expect(await wholeStore(other)).toEqual(before);

  // What was deleted comes back too.
  await expect(other.getByTestId('bin')).toContainText('Island taxi');
  await other.getByRole('button', { name: 'Put back' }).click();
  await expect(other.getByTestId('bin').getByRole('listitem')).toHaveCount(0);
  await other.goto(`${plain}/`);
  await expect(other.getByText('Island taxi')).toBeVisible();
  await context.close();
});

test('a backup that is cut off, altered, newer or hostile is refused by name and changes nothing', async ({ page }) => {
  await newJob(page, 'Van 61 <img src=x onerror=alert(1)>');
  await page.getByLabel('In the customer’s words').fill('"><script>alert(2)</script>');
  await expect(page.getByText('Not saved yet')).toHaveCount(0);
  const bytes = await saveBackup(page);
  const before = await wholeStore(page);
  const refused = async (file: Uint8Array, why: RegExp) => {
    await openBackup(page, file);
    await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
    await expect(page.getByTestId('restore-preview')).toHaveCount(0);
    expect(await wholeStore(page)).toEqual(before);
  };
  await refused(bytes.subarray(0, bytes.length - 30), /no whole backup/);
  const files = unzipSync(bytes);
  const altered = zipSync(files, { level: 0 });
  altered[strFromU8(altered, true).indexOf('Van 61')] = 'B'.charCodeAt(0);
  await refused(altered, /checksum is wrong/);
  const manifest = JSON.parse(strFromU8(files['backup.json']!)) as object;
  const newer = { ...files, 'backup.json': strToU8(JSON.stringify({ ...manifest, storeVersion: 99 })) };
  await refused(zipSync(newer), /newer Varmek/);
  await refused(zipSync({ 'job.json': strToU8('{}') }), /no backup of Varmek/);
  // Script in any text is text.
  await openBackup(page, bytes);
  await page.getByRole('button', { name: 'Add to what is here' }).click();
  await expect(page.getByText('The backup is added')).toBeVisible();
  expect(await wholeStore(page)).toEqual(before);
});

test('the last step is undone after a reload, and done again; typing in one place is one step', async ({ page }) => {
  await newJob(page, 'Van 62');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  const outside = page.getByLabel('Outside air when it happens');
  await outside.pressSequentially('-12');
  await outside.blur();
  // A change counts once it is kept: what is said to be undone next is what was kept last.
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /Outside/);
  await page.reload();
  await expect(outside).toHaveValue('-12');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Undone' })).toContainText('Outside');
  await expect(outside).toHaveValue('');
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).not.toBeChecked();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await page.keyboard.press('Control+y');
  await expect(outside).toHaveValue('-12');
});

test('a deleted log is in the bin with its finding, and comes back into its job', async ({ page }) => {
  await newJob(page, 'Van 63');
  await page
    .getByTestId('log-file')
    .setInputFiles({ name: 'drive.csv', mimeType: 'text/csv', buffer: Buffer.from(warmUp(64, { minutes: 12 })) });
  await expect(page.getByText(/drive\.csv/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take the log back' }).click();
  await expect(page.getByText('The log was taken back.')).toBeVisible();
  await page.reload();
  await page.getByRole('link', { name: 'What is kept' }).click();
  await expect(page.getByTestId('bin')).toContainText('drive.csv');
  await expectClean(page);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByText('Log put back.')).toBeVisible();
  const { traces, entries, bin } = await wholeStore(page);
  expect([traces, entries, bin].map((rows) => rows!.length)).toEqual([1, 1, 0]);
  await page.goBack();
  await expect(page.getByRole('button', { name: /^Evidence [1-9]/ })).toBeVisible();
});

test('a browser that keeps nothing says so on arrival', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('storage is blocked', 'SecurityError');
    };
  });
  await page.goto('/');
  await expect(page.getByTestId('store-closed')).toContainText('Nothing can be kept here');
  await expect(page.getByTestId('store-closed')).toContainText('does not let Varmek keep data');
});

test('a tab of an older version lets go of the store, loses nothing and asks for a reload', async ({ page }) => {
  await newJob(page, 'Van 64');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  const words = page.getByLabel('In the customer’s words');
  await words.fill('typed at that moment');
  // A newer version in another tab.
  const version = await page.evaluate(async () => {
    const opening = indexedDB.open('varmek', 999);
    const db = await new Promise<IDBDatabase>((done) => (opening.onsuccess = () => done(opening.result)));
    db.close();
    return opening.result.version;
  });
  expect(version).toBe(999);
  await expect(page.getByTestId('store-closed')).toContainText('Varmek was updated in another tab');
  await page.getByRole('button', { name: 'Reload this tab' }).click();
  // Here the older version comes again: it does not touch what belongs to the newer.
  await expect(page.getByTestId('store-closed')).toContainText('updated');
});
