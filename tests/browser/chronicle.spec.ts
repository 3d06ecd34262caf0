import type { Page } from '@playwright/test';
import type { Cause } from '../../src/core/base';
import { writeTrace } from '../../src/core/formats';
import { startingVehicle } from '../../src/core/planning';
import { drawScenario } from '../../src/core/plant';
import { expect, expectClean, fillDisk, newJob, openStage, test } from './support';

/** A drive of the vehicle that `newJob` adds, with a fault. */
const driveWith = (cause: Cause, seed: number): string =>
  writeTrace(
    drawScenario({
      seed,
      cause,
      channelSet: 'full',
      ambient_c: 3,
      vehicle: startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }),
    }).trace,
  );

const drop = (page: Page, name: string, text: string) =>
  page.getByTestId('log-file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

/** What the odds strip says of every cause. */
const odds = (page: Page) => page.getByTestId('share-strip').getAttribute('aria-label');

test('a whole job: complaint, drive, repair, second drive; what was wrong stays apart from what is wrong now', async ({
  page,
}) => {
  await newJob(page, 'Van 41');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await openStage(page, '4');
  await drop(page, 'before.csv', driveWith('thermostat-stuck-open', 900_001));
  await expect(page.getByTestId('why').locator('li')).toHaveCount(3, { timeout: 240_000 });

  await openStage(page, '7');
  await expect(page.getByTestId('chronicle').locator('li')).toHaveCount(2);
  await page.getByLabel('What was done').selectOption('replaced-thermostat');
  await page.getByLabel('Part, rating, source').fill('88 °C with seal');
  await expect(page.getByText(/Never open|never open/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('chronicle')).toContainText('Replaced the thermostat: 88 °C with seal');
  // Work changes what is wrong now; it does not prove itself, and it does not rewrite the arrival.
  await expect(page.getByTestId('now-and-then')).toBeVisible();
  await expect(page.getByText(/not proven/).first()).toBeVisible();
  await expectClean(page);

  await openStage(page, '4');
  await drop(page, 'after.csv', driveWith('healthy', 900_002));
  await expect(page.getByLabel('Trace', { exact: true }).locator('option')).toHaveCount(2);
  await expect(page.getByTestId('drives-used')).toContainText('2 of 2 drives count', { timeout: 240_000 });
  await openStage(page, '7');
  const rows = page.getByTestId('now-and-then').getByRole('row');
  const shares = async (cause: string) => {
    const text = await rows.filter({ hasText: cause }).first().textContent();
    return text!.match(/[\d.]+(?= ?%)/g)!.map(Number) as [number, number];
  };
  const [soundThen, soundNow] = await shares('Nothing wrong');
  expect(soundNow).toBeGreaterThan(soundThen + 10);

  // The repair taken back: both drives are of one and the same car again.
  const withWork = await odds(page);
  await page
    .getByTestId('chronicle')
    .locator('li')
    .filter({ hasText: 'Replaced the thermostat' })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect.poll(() => odds(page)).not.toBe(withWork);
  await page.getByRole('button', { name: 'Show 1 taken back' }).click();
  await page.getByRole('button', { name: 'Count it again' }).click();
  await expect.poll(() => odds(page)).toBe(withWork);
  await page.reload();
  await expect.poll(() => odds(page)).toBe(withWork);
});

test('a fan that is dead after the repair: whether it is new is asked first, and the arrival keeps its cause', async ({
  page,
}) => {
  await newJob(page, 'Van 43');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await openStage(page, '7');
  await expect(page.getByTestId('chronicle').locator('li')).toHaveCount(1);
  await page.getByLabel('What was done').selectOption('replaced-thermostat');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('chronicle')).toContainText('Replaced the thermostat');
  await expect(page.getByTestId('since-repair')).toHaveCount(0);

  const job = page.url().replace(/\/case$/, '');
  await page.goto(`${job}/bench/fan`);
  await page
    .getByRole('group', { name: /Radiator fan commanded by scan tool/ })
    .getByRole('button', { name: 'stands still' })
    .click();
  const asked = page.getByTestId('since-repair');
  await expect(asked).toContainText('Was this there before the work?');
  await expectClean(page);
  await asked.getByRole('button', { name: 'no, only since the work' }).click();
  await expect(asked).toHaveCount(0);
  await expect(page.getByTestId('latest-evidence')).toContainText('came only since the work');
  await expect(page.getByTestId('headline')).toHaveText('Fan not running');
  await page.goto(`${job}/case`);
  await expect(page.getByTestId('chronicle')).toContainText('Was this there before the work?: no, only since the work');
  const fan = page.getByTestId('now-and-then').getByRole('row').filter({ hasText: 'Fan not running' });
  const [then, now] = (await fan.textContent())!.match(/[\d.]+(?= ?%)/g)!.map(Number) as [number, number];
  expect(now).toBeGreaterThan(then + 20);
  // Taken back it is asked again.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(asked).toBeVisible();
});

test('a reading entered twice counts once: the later one stands', async ({ page }) => {
  await newJob(page, 'Van 42');
  await openStage(page, '2');
  await expect(page.getByRole('heading', { name: 'Cool enough to open?' })).toBeVisible();
  const level = page.getByRole('group', { name: 'Level against the cold mark' });
  await level.getByRole('button', { name: 'low', exact: true }).click();
  await expect(page.getByTestId('latest-evidence')).toContainText('Low coolant or air');
  const low = await odds(page);
  await level.getByRole('button', { name: 'at the mark' }).click();
  await expect.poll(() => odds(page)).not.toBe(low);
  const atMark = await odds(page);
  await level.getByRole('button', { name: 'low', exact: true }).click();
  await expect.poll(() => odds(page)).toBe(low);
  await level.getByRole('button', { name: 'at the mark' }).click();
  await expect.poll(() => odds(page)).toBe(atMark);
});

test('a write that fails says so, and the words stay until they are kept', async ({ page }) => {
  await newJob(page, 'Van 43');
  await fillDisk(page, true);
  const words = page.getByLabel('When it happens', { exact: true });
  await words.fill('on the hill, after ten minutes');
  await expect(page.getByText(/Not saved: .*Your words are still here/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await expect(page.getByTestId('unsaved')).toContainText('1 change not kept');
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).not.toBeChecked();
  // A figure stays in its field, in its state and in the list of what waits, until it is kept.
  const outside = page.getByLabel('Outside air when it happens');
  await outside.fill('-7');
  await page.getByLabel('State of the job').selectOption('waiting-for-part');
  await expect(page.getByText(/Not kept yet/)).toBeVisible();
  await expect(page.getByTestId('unsaved')).toContainText(/[23] changes not kept.*storage is full/);
  await expect(outside).toHaveValue('-7');
  await fillDisk(page, false);
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByTestId('unsaved')).toHaveCount(0);
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await page.getByRole('button', { name: 'Save again' }).click();
  await expect(page.getByText(/Not saved/)).toHaveCount(0);
  await page.reload();
  await expect(words).toHaveValue('on the hill, after ten minutes');
  await expect(outside).toHaveValue('-7');
  await expect(page.getByLabel('State of the job')).toHaveValue('waiting-for-part');
});

test('two tabs on one job keep what both of them wrote', async ({ page, context }) => {
  await newJob(page, 'Van 44');
  const other = await context.newPage();
  await other.goto(page.url());
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await expect(other.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await other.getByRole('checkbox', { name: 'Heater weak or never hot' }).click();
  await expect(page.getByRole('checkbox', { name: 'Heater weak or never hot' })).toBeChecked();
  // Both type into the same text at once: what each wrote stands in it.
  const words = (tab: typeof page) => tab.getByLabel('In the customer’s words');
  await Promise.all([words(page).fill('from the first tab'), words(other).fill('from the second tab')]);
  for (const tab of [page, other]) {
    await expect(words(tab)).toHaveValue(/first tab/);
    await expect(words(tab)).toHaveValue(/second tab/);
    await words(tab).blur();
  }
  await page.getByLabel('When it happens', { exact: true }).fill('in the first tab');
  await openStage(other, '7');
  await other.getByLabel('What was done').selectOption('drained-and-filled');
  await other.getByRole('button', { name: 'Write it down' }).click();
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await odds(page)) === (await odds(other))).toBe(true);
  await page.reload();
  // What was said before the work stands there; what the customer says now is asked anew.
  await expect(page.getByTestId('said-before')).toContainText('Slow to warm up');
  await expect(page.getByTestId('said-before')).toContainText('Heater weak');
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).not.toBeChecked();
  await expect(page.getByLabel('When it happens', { exact: true })).toHaveValue('in the first tab');
  await other.close();
});

test('an entry of another time breaks neither the job nor the list, and is shown as not understood', async ({
  page,
}) => {
  await newJob(page, 'Van 45');
  const jobId = /jobs\/([^/]+)/.exec(page.url())![1]!;
  await page.evaluate(async (id) => {
    const db = await new Promise<IDBDatabase>((done, failed) => {
      const opening = indexedDB.open('varmek');
      opening.onsuccess = () => done(opening.result);
      opening.onerror = () => failed(new Error('no database'));
    });
    await new Promise<void>((done, failed) => {
      const writing = db.transaction('entries', 'readwrite');
      writing
        .objectStore('entries')
        .put({ id: 'odd', jobId: id, at: Date.now(), kind: 'smelled', of: { what: 'fish' } });
      writing.oncomplete = () => done();
      writing.onerror = () => failed(new Error('not written'));
    });
    db.close();
  }, jobId);
  await page.goto(`/jobs/${jobId}/case`);
  await expect(page.getByTestId('chronicle')).toContainText('Not understood');
  await expect(page.getByTestId('chronicle')).toContainText('moves nothing');
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Van 45/ })).toBeVisible();
});

test('a choice is weighed in money, becomes an entry, and follows the shop’s own prices', async ({ page }) => {
  await newJob(page, 'Van 46');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await expect(page.getByTestId('latest-evidence')).toContainText('Slow to warm up');
  await openStage(page, '8');
  await expect(page.getByTestId('actions').getByRole('row')).not.toHaveCount(1);
  const before = await page.getByTestId('act-at-once').textContent();
  await expectClean(page);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/^Written down: /)).toBeVisible();
  await openStage(page, '7');
  await expect(page.getByTestId('chronicle')).toContainText('choice');

  const job = page.url();
  await page.goto('/figures');
  await expectClean(page);
  const labour = page.getByLabel('One hour of labour');
  await labour.fill('-5');
  await labour.blur();
  await expect(page.getByText('Between 0 € and 10000000 €.')).toBeVisible();
  await labour.fill('400');
  await labour.blur();
  await expect(page.getByText('shipped: 90 €')).toBeVisible();
  await expect(page.getByText('Between 0 € and 10000000 €.')).toHaveCount(0);
  await page.goto(job.replace(/case$/, 'decide'));
  await expect.poll(() => page.getByTestId('act-at-once').textContent()).not.toBe(before);
  const changed = await page.getByTestId('act-at-once').textContent();
  await page.goto('/figures');
  await page.getByTestId('figures-file').setInputFiles({
    name: 'wrong.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"schema":"varmek-figures/1","prices":{"labourPerHour":"much"}}'),
  });
  await expect(page.getByText(/wrong.json: .*Nothing was changed/)).toBeVisible();
  await page.goto(job.replace(/case$/, 'decide'));
  await expect(page.getByTestId('act-at-once')).toHaveText(changed!);
  await page.goto('/figures');
  await page.getByRole('button', { name: 'Everything as shipped' }).click();
  await expect(page.getByText('All figures are as shipped again.')).toBeVisible();
  await page.goto(job.replace(/case$/, 'decide'));
  await expect(page.getByTestId('act-at-once')).toHaveText(before!);
});
