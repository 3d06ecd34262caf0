import { mkdirSync, openSync, closeSync, ftruncateSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectClean, newJob, openStage, test, warmUp } from './support';

const drop = (page: Page, name: string, body: string | Buffer) =>
  page.getByTestId('log-file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(body) });

test('a dropped log becomes a finding, survives a reload, and can be undone', async ({ page }) => {
  await newJob(page, 'Van 12');
  await openStage(page, '4');
  await drop(page, 'drive.csv', warmUp(64));
  await expect(page.getByTestId('why').locator('li')).toHaveCount(3, { timeout: 240_000 });
  await expect(page.getByTestId('headline')).not.toHaveText('Nothing wrong');
  const said = await page.getByTestId('headline').textContent();
  await page.reload();
  await expect(page.getByTestId('headline')).toHaveText(said!);
  await page.getByRole('button', { name: 'Remove drive.csv' }).click();
  await expect(page.getByRole('heading', { name: /Log a warm-up/ })).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('why')).toBeVisible();
  await expectClean(page);
});

test('the same log dropped again is told, and counts once', async ({ page }) => {
  await newJob(page, 'Car 1b');
  await openStage(page, '4');
  const odds = page.getByTestId('share-strip');
  const log = warmUp(64);
  await drop(page, 'drive.csv', log);
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  await expect(page.getByTestId('imported')).not.toContainText('same log');
  const before = await odds.getAttribute('aria-label');
  await drop(page, 'again.csv', log.replaceAll(',', ';'));
  await expect(page.getByTestId('imported')).toContainText('The same log as drive.csv on this job: it counts once.');
  const used = page.getByTestId('drives-used');
  await expect(used).toContainText('The same log is on this job already and counts once.', { timeout: 240_000 });
  await expect(used.getByRole('heading')).toHaveText('1 of 2 drives count');
  expect(await odds.getAttribute('aria-label')).toBe(before);
  await expectClean(page);
});

test('what cannot be read says what, where, and how to mend it; nothing is lost', async ({ page }) => {
  await newJob(page, 'Van 13');
  await openStage(page, '4');
  await drop(page, 'good.csv', warmUp(88));
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  const png = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]);
  const cases: [string, string | Buffer, RegExp][] = [
    ['empty.csv', '', /is empty/],
    ['picture.csv', png, /a PNG picture, not a log/],
    ['nothing.csv', 'time_s,rpm\n0,700\n1,710\n2,720\n', /No coolant temperature column on line 1/],
    ['short.csv', 'time_s,ect_c\n0,10\n1,11\n', /Only 2 rows/],
    ['blank.csv', 'time_s,ect_c\n0,\n1,\n2,\n3,\n', /holds no temperature at all/],
    ['back.csv', 'time_s,ect_c\n5,10\n4,11\n3,12\n2,13\n', /Time runs backwards from line 3 on/],
  ];
  for (const [name, body, message] of cases) {
    await drop(page, name, body);
    await expect(page.getByTestId('import-error')).toContainText(`${name} was not read`);
    await expect(page.getByTestId('import-error')).toContainText(message);
    await expect(page.getByTestId('why')).toBeVisible();
  }
  const huge = path.join('test-results', 'huge.csv');
  mkdirSync('test-results', { recursive: true });
  const handle = openSync(huge, 'w');
  ftruncateSync(handle, 200 * 1024 * 1024);
  closeSync(handle);
  await page.getByTestId('log-file').setInputFiles(huge);
  await expect(page.getByTestId('import-error')).toContainText('200 MB; the limit is 160 MB');
  await drop(page, 'again.csv', warmUp(87));
  await page.getByRole('button', { name: 'Another drive' }).click();
  await expect(page.getByLabel('Trace', { exact: true }).locator('option')).toHaveCount(2);
});

test('of several files dropped at once each is answered for: the wrong ones told, the doubtful ones asked about', async ({
  page,
}) => {
  await newJob(page, 'Van 20');
  await openStage(page, '4');
  await drop(page, 'first.csv', warmUp(88));
  await expect(page.getByTestId('imported')).toContainText('first.csv');
  const file = (name: string, body: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(body) });
  await page
    .getByTestId('log-file')
    .setInputFiles([
      file('empty.csv', ''),
      file('tuesday.csv', warmUp(86)),
      file('rpm.csv', 'time_s,rpm\n0,700\n1,710\n2,720\n'),
      file('thursday.csv', warmUp(84)),
    ]);
  for (const name of ['tuesday.csv', 'thursday.csv']) {
    await expect(page.getByTestId('second-or-another')).toContainText(name);
    await page.getByRole('button', { name: 'Another drive' }).click();
  }
  await expect(page.getByTestId('second-or-another')).toHaveCount(0);
  for (const name of ['empty.csv', 'rpm.csv']) {
    await expect(page.getByTestId('import-error')).toContainText(`${name} was not read`);
    await page.getByTestId('import-error').getByRole('button', { name: 'Close' }).click();
  }
  await expect(page.getByTestId('import-error')).toHaveCount(0);
  await expect(page.getByLabel('Trace', { exact: true }).locator('option')).toHaveCount(3);
});

test('columns without names are asked for', async ({ page }) => {
  await newJob(page, 'Van 14');
  await openStage(page, '4');
  const rows = (level_c: number) => warmUp(level_c).replace('time_s,ect_c,ambient_c', 'time,temp a,temp b');
  await drop(page, 'odd.csv', rows(88));
  await expect(page.getByTestId('import-error')).toContainText('Choose which one is the coolant');
  await page.getByLabel('What temp a is').selectOption('ect_c');
  await page.getByLabel('What temp b is').selectOption('ambient_c');
  await page.getByRole('button', { name: 'Read it like this' }).click();
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  // The choice is remembered for the next file with these headers.
  await drop(page, 'odd again.csv', rows(86));
  await page.getByRole('button', { name: 'Another drive' }).click();
  await expect(page.getByTestId('imported')).toContainText('odd again.csv');
  await expect(page.getByTestId('import-error')).toHaveCount(0);
});

test('judging shows its progress and can be stopped and taken up again', async ({ page }) => {
  await newJob(page, 'Van 15');
  await openStage(page, '4');
  // Several logs at once, so that the judge is at work for some seconds.
  const names = Array.from({ length: 8 }, (_, i) => `log${i}.csv`);
  await page
    .getByTestId('log-file')
    .setInputFiles(names.map((name, i) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(warmUp(60 + 3 * i)) })));
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  const traces = page.getByLabel('Trace', { exact: true });
  await expect(traces.locator('option')).toHaveCount(names.length, { timeout: 240_000 });
  await expect(page.getByRole('progressbar', { name: 'Judging' })).toHaveCount(0, { timeout: 240_000 });
  // Exactly one waits for the user; the others were judged.
  const stopped: string[] = [];
  for (const name of names) {
    await traces.selectOption({ label: name });
    await expect(page.getByTestId('why').or(page.getByText('Not judged', { exact: true }))).toBeVisible();
    if (await page.getByText('Not judged', { exact: true }).isVisible()) stopped.push(name);
  }
  expect(stopped).toHaveLength(1);
  await traces.selectOption({ label: stopped[0]! });
  await page.getByRole('button', { name: 'Judge it now' }).click();
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
});

test('judging is taken up again after a reload in the middle of it', async ({ page }) => {
  await newJob(page, 'Van 23');
  await openStage(page, '4');
  await drop(page, 'drive.csv', warmUp(72));
  await expect(page.getByRole('progressbar', { name: 'Judging' })).toBeVisible();
  await expect(page.getByTestId('why')).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('why').locator('li')).toHaveCount(3, { timeout: 240_000 });
  await expect(page.getByRole('progressbar', { name: 'Judging' })).toHaveCount(0);
});

test('a known-good trace becomes the vehicle’s memory', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Load the demo garage' }).click();
  await expect(page.getByRole('link', { name: /Island taxi/ })).toBeVisible();
  await page.goto('/jobs/demo-harbour-good');
  await page.getByRole('button', { name: 'Keep this trace as known good' }).click({ timeout: 240_000 });
  await expect(page.getByText(/kept as known good/)).toBeVisible({ timeout: 240_000 });
  await page.goto('/jobs/demo-harbour');
  await expect(page.getByTestId('memory')).toContainText(/narrowed from \d+ °C to \d+ °C/, { timeout: 240_000 });
  await expect(page.getByTestId('headline')).toHaveText('Sender reads low');

  // The vehicle's page: its level over time, and a new name that the judge does not care about.
  await page.getByRole('link', { name: 'Harbour pick-up' }).first().click();
  await expect(page.getByTestId('drift').locator('svg path').first()).toBeVisible();
  await expect(page.getByText('Learned from 1 known-good trace.')).toBeVisible();
  await page.getByRole('button', { name: 'Change its data' }).click();
  await page.getByLabel('Name or plate').fill('Harbour pick-up 2');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Harbour pick-up 2');
  await expect(page.getByText('Learned from 1 known-good trace.')).toBeVisible();
  await page.getByRole('button', { name: 'Change its data' }).click();
  await page.getByLabel('Coolant', { exact: true }).fill('9');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByText('No known-good trace yet.')).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText('Learned from 1 known-good trace.')).toBeVisible();
});

/** A messy log: German, semicolons, decimal commas, a row twice, an impossible value, a newer row in the wrong place. */
function messy(): string {
  const rows = warmUp(88)
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));
  const lines = rows.map(([t, ect, air]) => [t, ect, air].map((c) => c!.replace('.', ',')).join(';'));
  const at = 100;
  lines.splice(at, 0, lines[at]!);
  lines[at + 20] = lines[at + 20]!.replace(/^([^;]*);[^;]*/, '$1;6553,5');
  [lines[300], lines[301]] = [lines[301]!, lines[300]!];
  return ['Logger im Hof', 'Zeit [s];Kühlmitteltemperatur [°C];Außentemperatur [°C]', ...lines, ''].join('\r\n');
}

test('what was cleaned is told, can be turned round, and the log saved in open formats', async ({ page }) => {
  await newJob(page, 'Van 16');
  await drop(page, 'messy.csv', messy());
  await expect(page.getByTestId('imported')).toContainText('decimal comma');
  await page.getByTestId('imported').getByRole('button', { name: 'Import report' }).click();
  const cleaning = page.getByTestId('cleaning');
  await expect(cleaning).toContainText(/1 row stands twice/);
  await expect(cleaning).toContainText(/1 impossible value .* left out. line 123/);
  await expect(cleaning).toContainText(/out of order and was put back/);
  await expectClean(page);
  await page.getByRole('button', { name: 'Leave them out' }).click();
  await expect(cleaning).toContainText(/out of order and was left out/);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV', exact: true }).click();
  const saved = await (await saving).path();
  expect(readFileSync(saved, 'utf8')).toMatch(/^time_s,ect_c,ambient_c\n0,/);
  await page.getByRole('button', { name: 'Change the columns' }).click();
  await page.getByLabel('What Außentemperatur [°C] is').selectOption('iat_c');
  await page.getByRole('button', { name: 'Read it like this' }).click();
  await page.getByTestId('imported').getByRole('button', { name: 'Import report' }).click();
  await expect(page.getByRole('row', { name: 'Außentemperatur' })).toContainText('Intake air');
});

/** A warm-up of some hundred rows with the coolant of the radiator beside it, damaged here and there. */
const damaged = (coolant: (i: number) => number): string =>
  [
    'Time (s),Radiator Coolant Temperature (°C),Engine Coolant Temperature (°C),RPM (qps)',
    ...Array.from({ length: 120 }, (_, i) => {
      const time = i === 60 ? '99999999' : String(10 * i);
      const cells = [time, '12', coolant(i).toFixed(1), String(780 + i)];
      return (i % 20 === 7 ? cells.filter((_, k) => k !== 1) : cells).join();
    }),
    '',
  ].join('\n');

test('a damaged log is told of row by row; one that cannot be is asked about', async ({ page }) => {
  await newJob(page, 'Van 18');
  await drop(
    page,
    'damaged.csv',
    damaged((i) => 8 + 0.6 * i),
  );
  await page.getByTestId('imported').getByRole('button', { name: 'Import report' }).click();
  const cleaning = page.getByTestId('cleaning');
  await expect(cleaning).toContainText(/6 rows have another number of cells than the header and were left out/);
  await expect(cleaning).toContainText(/1 row carries a time that stands far from the rows around it/);
  await expect(page.getByText('"qps" is no unit that is known')).toBeVisible();
  await expect(page.getByText('Left out: Radiator Coolant Temperature (°C)')).toBeVisible();
  await page.getByRole('button', { name: 'Take them as they stand' }).click();
  await expect(cleaning).toContainText(/6 rows have another number of cells .* read as they stand/);
  await page.keyboard.press('Escape');
  const switched = (i: number): number => (i < 60 ? 8 + 0.3 * i : 1.8 * (8 + 0.3 * i) + 32);
  await drop(page, 'switched.csv', damaged(switched));
  const asked = page.getByTestId('import-error');
  await expect(asked).toContainText('as if its unit changed there');
  await expectClean(page);
  await asked.getByRole('button', { name: 'Read it like this' }).click();
  await expect(page.getByTestId('imported')).toContainText('switched.csv');
  // What was chosen for one damaged file settles nothing for the next.
  await drop(
    page,
    'again.csv',
    damaged((i) => switched(i) + 1),
  );
  await expect(asked).toContainText('as if its unit changed there');
});

test('workbooks, archives and CAN logs are read like any other file', async ({ page }) => {
  await newJob(page, 'Van 17');
  for (const name of ['workbook-dates.xlsx', 'packed.zip', 'several-in-one-answer.log', 'series.json']) {
    await page.getByTestId('log-file').setInputFiles(path.join('tests', 'fixtures', 'logs', name));
    await expect(page.getByTestId('imported')).toContainText(`${name}: 60 rows`);
  }
});

test('a million rows are read with progress while the page stays alive, and reading can be stopped', async ({
  page,
}) => {
  await newJob(page, 'Van 18');
  const large = path.join('test-results', 'large.csv');
  mkdirSync('test-results', { recursive: true });
  const row = (i: number) =>
    `${i / 10},${20 + Math.min(70, i / 5000)},12,5,${50 + (i % 9)},${1500 + (i % 700)},30,8.25,40`;
  writeFileSync(
    large,
    `time_s,ect_c,iat_c,ambient_c,speed_kmh,rpm,load_pct,maf_gps,oil_c\n${Array.from({ length: 1_000_000 }, (_, i) => row(i)).join('\n')}\n`,
  );
  await page.getByTestId('log-file').setInputFiles(large);
  await expect(page.getByRole('progressbar', { name: 'Reading the file' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop reading' }).click();
  await expect(page.getByTestId('import-error')).toContainText('Reading was stopped; nothing was kept');
  await page.getByTestId('log-file').setInputFiles([]);
  await page.getByTestId('log-file').setInputFiles(large);
  // The page answers while the file is read.
  await openStage(page, '1');
  await expect(page).toHaveURL(/arrival/);
  await expect(page.getByTestId('imported')).toContainText('1000000 rows', { timeout: 240_000 });
});

/** A thermocouple log of the drive of `warmUp(88)`, begun two minutes before it. */
function thermocouples(): string {
  const rows = warmUp(88)
    .trim()
    .split('\n')
    .slice(1)
    .map((l) => Number(l.split(',')[1]));
  const at = (t: number) => rows[Math.max(0, Math.min(rows.length - 1, t))]!;
  const lines = Array.from({ length: 800 }, (_, i) => 2 * i).map(
    (t) => `${t},${(at(t - 120) - 2).toFixed(1)},${(6 + 0.3 * Math.max(0, at(t - 120) - 80)).toFixed(1)}`,
  );
  return `time (s),Housing (°C),Lower radiator hose (°C)\n${lines.join('\n')}\n`;
}

test('a second log of the drive is laid beside the first and can be moved and taken away', async ({ page }) => {
  await newJob(page, 'Van 19');
  await openStage(page, '4');
  await drop(page, 'drive.csv', warmUp(88));
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  await page.getByRole('button', { name: 'How it was read' }).click();
  await page.getByRole('button', { name: 'Add a second log of this drive' }).click();
  const second = (body: string) =>
    page.getByTestId('second-log').setInputFiles({ name: 'hose.csv', mimeType: 'text/csv', buffer: Buffer.from(body) });
  await second('time,volts (V)\n0,1\n1,2\n2,3\n3,4\n');
  await expect(page.getByText(/hose.csv was not read. No column of this log holds temperatures/)).toBeVisible();
  await second(thermocouples());
  const offset = page.getByLabel('Offset of the second log, s');
  await expect(page.getByTestId('placed')).toContainText(/go together best \(\d+ %\)/);
  expect(Math.abs(Number(await offset.inputValue()) + 120)).toBeLessThan(15);
  await expect(page.getByLabel('What Lower radiator hose (°C) stands for')).toHaveValue('rad_out_c');
  await expectClean(page);
  await page.getByRole('button', { name: '+10 s' }).click();
  await expect(page.getByTestId('placed')).toContainText('Placed by hand');
  await page.getByRole('button', { name: 'By curve' }).click();
  await page.getByRole('button', { name: 'Keep it like this' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Housing (°C)')).toBeVisible({ timeout: 240_000 });
  await page.reload();
  await expect(page.getByText('Housing (°C)')).toBeVisible({ timeout: 240_000 });
  await page.getByRole('button', { name: 'How it was read' }).click();
  await page.getByRole('button', { name: 'Second log: hose.csv' }).click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByRole('button', { name: 'Add a second log of this drive' })).toBeVisible();
});
