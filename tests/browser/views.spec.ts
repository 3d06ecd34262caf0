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
  ['bench, sender', '/jobs/demo-harbour/bench/sender', 'Element shifted'],
  ['bench, thermostat', '/jobs/demo-ferry-early/bench/thermostat', 'Opens too early'],
  ['bench, fan', '/jobs/demo-harbour/bench/fan', 'Fan: from the easy end'],
  ['bench, coolant', '/jobs/demo-harbour/bench/coolant', 'Where it boils'],
  ['bench tests without a job', '/bench', 'On the table'],
  ['repair, plan', '/jobs/demo-ferry-early/repair', 'While it is open'],
  ['repair, make safe', '/jobs/demo-ferry-early/repair/safe', 'to make safe'],
  ['repair, strip', '/jobs/demo-ferry-early/repair/strip', '6 off, 0 back'],
  ['repair, drain', '/jobs/demo-ferry-early/repair/drain', 'What comes out'],
  ['repair, fill', '/jobs/demo-ferry-early/repair/fill', 'How strong'],
  ['repair, bleed', '/jobs/demo-ferry-early/repair/bleed', 'No cold level yet.'],
  ['prove', '/jobs/demo-parcel/prove', 'By the figures, the repair is'],
  ['report, customer', '/jobs/demo-parcel/report', 'Your complaint'],
  ['report, shop', '/jobs/demo-parcel/report/shop', 'Job record'],
  ['report, close', '/jobs/demo-parcel/report/close', 'Next time'],
  ['history', '/history', 'How often a test changed the act'],
  ['what is kept', '/keeping', 'In this browser'],
  ['procedures', '/procedures', 'Generic, shipped'],
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
