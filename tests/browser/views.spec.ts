import { DEMO, expect, expectClean, test } from './support';

const VIEWS = [
  ['jobs', '/', 'Island taxi'],
  ['new job', '/jobs/new', 'What the customer says'],
  ['arrival', '/jobs/demo-arrival/arrival', 'Stored codes'],
  ['cold look', '/jobs/demo-arrival/cold-look', 'Cool enough to open?'],
  ['drive', '/jobs/demo-arrival/drive', 'simulated drives'],
  ['stopwatch', '/jobs/demo-arrival/drive/stopwatch', 'For the passenger'],
  ['no trace yet', '/jobs/demo-arrival', 'Log a warm-up'],
  ['desk', '/jobs/demo-library/desk', 'Level it holds'],
  ['vehicles', '/vehicles', 'Known good'],
  ['vehicle', '/vehicles/demo-ferry', 'Traces over time'],
  ['new vehicle', '/vehicles/new', 'Thermostat and fan'],
] as const;

test('every view on a narrow tablet in the bay: nothing cut off, nothing serious for axe', async ({ page }) => {
  test.slow();
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto(DEMO);
  await expect(page.getByText('Island taxi')).toBeVisible({ timeout: 240_000 });
  await page.getByRole('button', { name: 'Dark, for the bay' }).click();
  for (const [, path, text] of VIEWS) {
    await page.goto(DEMO + path);
    await expect(page.getByText(text).first()).toBeVisible({ timeout: 240_000 });
    await expectClean(page);
  }
});

test('a job that is not here says so and leads back', async ({ page }) => {
  await page.goto('/jobs/nowhere');
  await expect(page.getByRole('heading', { name: 'This job is not here' })).toBeVisible();
  await page.getByRole('link', { name: 'All jobs' }).click();
  await expect(page.getByRole('button', { name: 'Load the demo garage' })).toBeVisible();
});
