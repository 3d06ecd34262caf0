import type { FileChooser } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, expectClean, fillDisk, jobMenu, newJob, openPlace, openStage, test, warmUp } from './support';

test('a whole job by keyboard', async ({ page }) => {
  // Listened for from the start: choosers are caught only from some moments after the first listener on.
  const choosers: FileChooser[] = [];
  page.on('filechooser', (chooser) => choosers.push(chooser));
  await page.goto('/vehicles/new?then=job');
  await page.getByLabel('Name or plate').focus();
  await page.keyboard.type('Key car');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible();
  await page.getByLabel('What the customer says').focus();
  await page.keyboard.type('runs cold');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await openStage(page, '4');
  await expect(page.getByRole('heading', { name: /Log a warm-up/ })).toBeVisible();
  await page.keyboard.press('o');
  await expect.poll(() => choosers.length).toBe(1);
  await choosers[0]!.setFiles({ name: 'k.csv', mimeType: 'text/csv', buffer: Buffer.from(warmUp(60)) });
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  // A glove takes its time between the two keys.
  await openPlace(page, 'j', 'Jobs', 1500);
  await page.keyboard.press('/');
  await page.keyboard.type('key');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('link', { name: /Key car/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('why')).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog')).toContainText('Search jobs');
});

test('jobs can be filtered, deleted, and put back', async ({ page }) => {
  await newJob(page, 'Car 8');
  await page.getByLabel('State of the job').selectOption('waiting-for-part');
  await expect(page.getByLabel('State of the job')).toHaveValue('waiting-for-part');
  await page.goto('/');
  await page.getByRole('button', { name: /Waiting for a part 1/ }).click();
  await expect(page.getByRole('link', { name: /Car 8/ })).toBeVisible();
  await page.getByRole('button', { name: /To prove 0/ }).click();
  await expect(page.getByText('No job matches')).toBeVisible();
  await page.getByRole('button', { name: /All 1/ }).click();
  await page.getByRole('link', { name: /Car 8/ }).click();
  await jobMenu(page, 'Delete job');
  await expect(page.getByText('Job on Car 8 is in the bin for 30 days.')).toBeVisible();
  // The page of the job has a link to its vehicle of the same name.
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('link', { name: /Car 8/ }).click();
  // Who names no day looks again in a week; another state takes the day off, and gives it back.
  await page.getByLabel('State of the job').selectOption('look-again');
  const day = page.getByLabel('Look again on');
  await expect(day).toHaveValue(/^\d{4}-\d{2}-\d{2}$/);
  await day.fill('2020-01-31');
  await page.getByLabel('State of the job').selectOption('finished');
  await expect(day).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(day).toHaveValue('2020-01-31');
  await newJob(page, 'Car 8b');
  await page.goto('/');
  // What is due stands above what was touched last.
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('link').first()).toContainText(
    /Car 8.*due \d+ days ago/,
  );
});

test('a job can be deleted for good where the disk is too full for the bin', async ({ page }) => {
  await newJob(page, 'Car 8c');
  await fillDisk(page, true);
  await jobMenu(page, 'Delete job');
  await expect(page.getByText(/the copy for the bin does not fit either/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible();
  await expect(page.getByText('Job on Car 8c is gone for good.')).toBeVisible();
  await page.goto('/keeping');
  await expect(page.getByRole('heading', { name: 'Bin' })).toBeVisible();
  await expect(page.getByText(/Car 8c/)).toHaveCount(0);
});

test('a vehicle page: the same part again, its file out and in', async ({ page }) => {
  await newJob(page, 'Car 9');
  await page.getByRole('link', { name: 'Vehicle and its parts' }).click();
  for (const when of ['2024', '2025']) {
    await page.getByLabel('Part').fill('Thermostat');
    await page.getByLabel('When').fill(when);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByText(when)).toBeVisible();
  }
  await expect(page.getByTestId('repeat-alert')).toContainText('points upstream');
  await expectClean(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Vehicle file' }).click();
  const file = await (await download).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ schema: 'varmek-vehicle/1' });
  await page.goto('/vehicles');
  await page.getByLabel('Vehicle file').setInputFiles(file);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('1.6 l petrol');
  await page.goto('/vehicles');
  await page
    .getByLabel('Vehicle file')
    .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"schema":"x"}') });
  await expect(page.getByRole('alert').first()).toContainText('schema must be one of varmek-vehicle/1');
  await expectClean(page);
});

test('a wrong field says what is wrong, and typed units are understood', async ({ page }) => {
  await page.goto('/vehicles/new');
  await page.reload();
  await expect(page.getByLabel('Name or plate')).toBeVisible();
  await expect(page.getByTestId('typed-before')).toHaveCount(0);
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByText('Give it a name or plate')).toBeVisible();
  await page.getByLabel('Opens at (rating)').fill('190F');
  await page.getByLabel('Cap').fill('15 psi');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Opens at (rating)')).toHaveValue('87.8');
  await expect(page.getByLabel('Cap')).toHaveValue('103.4');
  await page.getByLabel('Coolant', { exact: true }).fill('many');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/Not understood|not understood/).first()).toBeVisible();
  // Where the second sensor sits goes with the vehicle, into its file too.
  await page.getByLabel('Coolant', { exact: true }).fill('6.5');
  await page.getByLabel('Name or plate').fill('Two sensors');
  await page.getByLabel('Second coolant sensor').selectOption('at the pump inlet');
  // What is typed and not saved is there after a reload.
  await page.reload();
  await expect(page.getByTestId('typed-before')).toBeVisible();
  await expect(page.getByLabel('Name or plate')).toHaveValue('Two sensors');
  await expect(page.getByLabel('Coolant', { exact: true })).toHaveValue('6.5');
  await expect(page.getByLabel('Second coolant sensor')).toHaveValue('pump-inlet');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Vehicle file' }).click();
  const file = await (await download).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ sensors: { second: 'pump-inlet' } });

  // The same for one that is changed; a saved change is undone after a reload.
  await page.getByRole('button', { name: 'Change its data' }).click();
  await page.getByLabel('Name or plate').fill('Renamed');
  await page.reload();
  await expect(page.getByTestId('typed-before')).toBeVisible();
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByRole('heading', { name: 'Renamed' })).toBeVisible();
  await page.getByRole('button', { name: 'Change its data' }).click();
  await page.getByLabel('Name or plate').fill('Given up');
  await page.getByRole('button', { name: 'Give up these changes' }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Renamed' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Two sensors' })).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('heading', { name: 'Renamed' })).toBeVisible();
  await expectClean(page);
});
