import type { Page } from '@playwright/test';
import { expect, expectClean, fillDisk, newJob, openStage, test } from './support';

/** Logs a new car from the simulated adapter at sixty times its pace. */
async function logLive(page: Page, plate: string, simulated: string): Promise<void> {
  await newJob(page, plate);
  await openStage(page, '4');
  await page.getByRole('link', { name: 'Log live from an adapter' }).click();
  await page.getByLabel('Simulated vehicle').selectOption(simulated);
  await page.getByLabel('How fast').selectOption('60');
  await page.getByRole('button', { name: 'Start logging' }).click();
}

test('a warm-up is logged live, survives a reload, sounds its limit, and becomes a finding', async ({ page }) => {
  await logLive(page, 'Van 21', 'thermostat-stuck-open');
  await expect(page.getByText('Logging', { exact: true })).toBeVisible();
  await expect(page.getByTestId('live-ect')).not.toHaveText('–');
  await expect(page.getByRole('timer')).toHaveText(/^[1-9]\d*:/, { timeout: 240_000 });
  // What is felt on the way is evidence, with its minute.
  const observation = page.getByRole('region', { name: 'Next observation' });
  await expect(observation).toContainText('Fan: runs or stands still?');
  await observation.getByRole('button', { name: 'stands still' }).click();
  await expect(page.getByTestId('latest-evidence')).toContainText('Latest: ');
  await expect(page.getByRole('button', { name: 'Evidence 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Heater hot' }).click();
  await expect(page.getByTestId('marks')).toContainText('Heater hot');
  // In the middle of logging, whatever the page asks.
  await page.evaluate(() => location.reload());
  await expect(page.getByText('Stopped; all of it is kept')).toBeVisible();
  await expect(page.getByTestId('marks')).toContainText('Heater hot');
  await expectClean(page);
  await page.getByLabel('Simulated vehicle').selectOption('thermostat-stuck-open');
  await page.getByLabel('How fast').selectOption('60');
  await page.getByRole('button', { name: 'Go on logging' }).click();
  // Long enough to tell an open thermostat from a cold day, wherever the reload fell.
  await expect(page.getByRole('timer')).toHaveText(/^(2[2-9]|[3-9]\d|\d{3,}):/, { timeout: 240_000 });
  await page.getByRole('button', { name: 'Stop logging' }).click();
  await page.getByRole('button', { name: 'Finish and judge' }).click();
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  await expect(page.getByTestId('headline')).toHaveText(/Thermostat/);
});

test('the stop limit is told and can be silenced', async ({ page }) => {
  await newJob(page, 'Van 22');
  await openStage(page, '3');
  await page.getByLabel('Stop at').fill('60');
  await page.getByLabel('Stop at').blur();
  await page.getByRole('link', { name: 'Log live' }).click();
  await page.getByLabel('Simulated vehicle').selectOption('healthy');
  await page.getByLabel('How fast').selectOption('60');
  await page.getByRole('button', { name: 'Start logging' }).click();
  await expect(page.getByTestId('stop-alarm')).toContainText('The limit is 60 °C', { timeout: 240_000 });
  await page.getByRole('button', { name: 'Silence' }).click();
  await expect(page.getByRole('button', { name: 'Silence' })).toHaveCount(0);
  await expect(page.getByTestId('stop-alarm')).toBeVisible();
});

test('one tab logs a job at a time; another waits and takes up what was kept', async ({ page, context }) => {
  await logLive(page, 'Van 23', 'healthy');
  await expect(page.getByRole('timer')).toHaveText(/^[1-9]\d*:/, { timeout: 240_000 });
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText(/Logged in another tab/)).toBeVisible();
  await expect(other.getByRole('button', { name: /Start logging|Finish/ })).toHaveCount(0);
  // Leaving says that the log stops; what was logged goes on in the other tab.
  await page.keyboard.press('1');
  await expect(page.getByText(/Logging stopped as its screen was left: \d+ rows are kept/)).toBeVisible();
  await expect(other.getByText('Stopped; all of it is kept')).toBeVisible();
  await other.getByRole('button', { name: 'Throw away' }).click();
  await expect(other.getByText(/was thrown away/)).toBeVisible();
  await other.goto(`${new URL(other.url()).origin}/keeping`);
  await expect(other.getByTestId('bin')).toContainText('Recording');
});

test('on a full disk nothing is said to be kept that is not, and it is kept once there is room', async ({ page }) => {
  await logLive(page, 'Van 24', 'healthy');
  await expect(page.getByRole('timer')).toHaveText(/^[1-9]\d*:/, { timeout: 240_000 });
  await fillDisk(page, true);
  await expect(page.getByTestId('unkept')).toContainText('is on this screen alone');
  await page.getByRole('button', { name: 'Stop logging' }).click();
  await expect(page.getByText('Stopped', { exact: true })).toBeVisible();
  await expect(page.getByText('all of it is kept')).toHaveCount(0);
  const rows = async () => /\d+ rows/.exec(await page.getByText(/\d+ rows,/).innerText())![0];
  const logged = await rows();
  await fillDisk(page, false);
  await expect(page.getByText('Stopped; all of it is kept')).toBeVisible();
  await expect(page.getByTestId('unkept')).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('Stopped; all of it is kept')).toBeVisible();
  expect(await rows()).toBe(logged);
});
