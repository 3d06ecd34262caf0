import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { expect, expectClean, jobMenu, newJob, openStage, test, warmUp } from './support';

const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test('many logs are judged at once and shown as one table', async ({ page }) => {
  await newJob(page, 'Van 31');
  await page.goto('/triage');
  await expect(page.getByText('Drop a folder of logs here')).toBeVisible();
  await expectClean(page);
  await page
    .getByTestId('triage-files')
    .setInputFiles([
      file('van31 monday.csv', warmUp(60)),
      file('van31 tuesday.csv', warmUp(88)),
      file('=evil().csv', warmUp(70)),
      file('van31 broken.csv', 'time_s,rpm\n0,1\n1,2\n2,3\n'),
    ]);
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(row('monday')).toContainText('Open a job', { timeout: 240_000 });
  await expect(row('tuesday')).toContainText('Open a job', { timeout: 240_000 });
  await expect(row('broken')).toContainText('No coolant temperature column');
  await expect(row('evil')).toContainText('Say which vehicle this is');
  await page.getByLabel('Vehicle of =evil().csv').selectOption({ label: 'Van 31' });
  await expect(row('evil')).toContainText('Open a job', { timeout: 240_000 });
  await page.reload();
  await expect(row('evil')).toContainText('Open a job');
  await expectClean(page);
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Log' })).toHaveAttribute('aria-sort', /ascending|descending/);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the table' }).click();
  expect(readFileSync(await (await saving).path(), 'utf8')).toContain("'=evil().csv");
  await row('monday').getByRole('button', { name: 'Open a job' }).click();
  await expect(page.getByText('van31 monday.csv').first()).toBeVisible();
});

test('a folder is taken whole, its own name telling the vehicle', async ({ page }) => {
  await newJob(page, 'Van 32');
  await page.goto('/triage');
  const folder = path.join('test-results', 'folder of logs');
  mkdirSync(path.join(folder, 'van 32'), { recursive: true });
  writeFileSync(path.join(folder, 'van 32', 'first.csv'), warmUp(86));
  writeFileSync(path.join(folder, 'van 32', '.litter'), 'x');
  writeFileSync(path.join(folder, 'other.csv'), warmUp(62));
  await page.getByLabel('Folder of logs').setInputFiles(folder);
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(row('van 32/first.csv')).toContainText('Open a job', { timeout: 240_000 });
  await expect(row('other.csv')).toContainText('Say which vehicle this is');
  await expect(page.getByRole('row')).toHaveCount(3);
  // An archive of several logs is a folder too.
  const zip = zipSync({ 'van 32 a.csv': strToU8(warmUp(84)), 'b/other.csv': strToU8(warmUp(66)) });
  const archive = { name: 'week.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) };
  await page.getByTestId('triage-files').setInputFiles(archive);
  await expect(row('week.zip/van 32 a.csv')).toContainText('Open a job', { timeout: 240_000 });
  await expect(row('week.zip/b/other.csv')).toContainText('Say which vehicle this is');
});

test('a job is saved as a file and opened again beside the first', async ({ page }) => {
  await newJob(page, 'Van 33');
  await openStage(page, '4');
  await page.getByTestId('log-file').setInputFiles(file('drive.csv', warmUp(64)));
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  const saving = page.waitForEvent('download');
  await jobMenu(page, 'Save job as a file');
  const saved = await (await saving).path();
  await page.goto('/');
  await page
    .getByTestId('job-file')
    .setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: readFileSync(saved) });
  await expect(page).toHaveURL(/arrival/);
  await page.goto('/');
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')).toHaveCount(2);
  await page.getByTestId('job-file').setInputFiles(file('x.zip', 'nothing'));
  await expect(page.getByText(/cannot be opened/)).toBeVisible();
});
