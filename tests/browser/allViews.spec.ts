import { readdirSync } from 'node:fs';
import path from 'node:path';
import { expectAxeClean, expectFits, expectFocusSeen, NARROW } from './narrow';
import type { Page } from '@playwright/test';
import { test as judged } from './judgedGarage';
import { DEMO, expect, test } from './support';

/** Leads on to the first of its desks; is opened in the walk by a press. */
const OTHERWISE = ['/jobs/[jobId]/bench', '/procedures/[procedureId]', '/practice/[practiceId]'];
const [TABLET, PHONE] = NARROW;

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
  ['trace', '/jobs/demo-library', 'How it was read'],
  ['case', '/jobs/demo-library/case', 'Chronicle'],
  ['decide', '/jobs/demo-library/decide', 'What each choice is expected'],
  ['live', '/jobs/demo-arrival/drive/live', 'Not logging yet'],
  ['report, customer', '/jobs/demo-parcel/report', 'Your complaint'],
  ['report, shop', '/jobs/demo-parcel/report/shop', 'Job record'],
  ['report, close', '/jobs/demo-parcel/report/close', 'Next time'],
  ['practice', '/practice', 'From an own job'],
  ['many logs', '/triage', 'Choose logs'],
  ['figures', '/figures', 'Base rates'],
  ['history', '/history', 'How often a test changed the act'],
  ['what is kept', '/keeping', 'In this browser'],
  ['procedures', '/procedures', 'Generic, shipped'],
  ['vehicles', '/vehicles', 'Known good'],
  ['vehicle', '/vehicles/demo-ferry', 'Traces over time'],
  ['new vehicle', '/vehicles/new', 'Thermostat and fan'],
] as const;

/** Routes of the program as patterns over an address. */
const routes = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
  .filter((file) => path.basename(file) === 'page.tsx')
  .map((file) => `/${path.dirname(file).replace(/^\.$/, '')}`);

/** On to another view as a link leads there: the page is not loaded anew, nor is all that looks at it. */
async function lead(page: Page, path: string): Promise<void> {
  type Next = { next: { router: { push: (to: string) => void } } };
  await page.evaluate((to) => (window as unknown as Next).next.router.push(to), path);
  await page.waitForURL(DEMO + path);
}

/** All that is asked of the open page. */
async function expectAllFit(page: Page): Promise<void> {
  await expectFits(page);
  await expectFocusSeen(page);
  await page.setViewportSize(PHONE);
  await expectAxeClean(page);
  // The press itself is tried elsewhere. Playwright's own waits for two frames in which the button stands still, and on a
  // loaded machine Chromium has been seen to draw none for minutes after the window was made narrow.
  await page
    .getByRole('button', { name: /^(Dark, for the bay|Light, for the yard)$/ })
    .evaluate((button: HTMLButtonElement) => button.click());
  await page.setViewportSize(TABLET);
  // Another theme has other colours and nothing else.
  await expectAxeClean(page, ['color-contrast']);
}

test('the walk leaves no page out', () => {
  expect(routes.length).toBeGreaterThan(20);
  const unseen = routes.filter((route) => {
    const pattern = new RegExp(`^${route.replaceAll(/\[\w+\]/g, '[^/]+')}$`);
    return !VIEWS.some(([, address]) => pattern.test(address)) && !OTHERWISE.includes(route);
  });
  expect(unseen).toEqual([]);
});

judged('every view, narrow and gloved: fits, shows the focus, nothing serious in either theme', async ({ page }) => {
  test.slow();
  await page.goto(DEMO);
  await expect(page.getByText('Island taxi')).toBeVisible({ timeout: 240_000 });
  for (const [name, path, text] of VIEWS)
    await test.step(name, async () => {
      await lead(page, path);
      await expect(page.getByText(text).first()).toBeVisible({ timeout: 240_000 });
      await expectAllFit(page);
    });
  await test.step('a practice case', async () => {
    await page.goto(`${DEMO}/practice`);
    await page.getByRole('button', { name: 'Usual', exact: true }).click();
    for (const way of ['Test', 'Drive', 'Decide']) {
      await page.getByRole('button', { name: way, exact: true }).click();
      await expectAllFit(page);
    }
    await page.getByRole('button', { name: 'Give up and see the answer' }).click();
    await expect(page.getByTestId('practice-answer')).toBeVisible();
    await expectAllFit(page);
  });
  await test.step('a procedure of the shop', async () => {
    await page.goto(`${DEMO}/procedures`);
    await page.getByRole('button', { name: 'Write one' }).click();
    await expect(page.getByRole('button', { name: 'Add a step' })).toBeVisible();
    await expectAllFit(page);
  });
});

test('a plate of three hundred letters, and all of it by keyboard alone', async ({ page }) => {
  const plate = 'W'.repeat(300);
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  /** On with the Tab key until something of that name has the focus. */
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 80; i++) {
      await press('Tab');
      const says = await page.evaluate(() => {
        const e = document.activeElement as HTMLInputElement;
        return [e.getAttribute('aria-label') ?? '', e.labels?.[0]?.textContent ?? '', e.textContent].join(' ').trim();
      });
      if (name.test(says)) return;
    }
    throw new Error(`Tab never came to ${String(name)}`);
  };
  await page.goto('/vehicles/new?then=job');
  await expect(page.getByLabel('Name or plate')).toBeVisible();
  await tabTo(/^Name or plate/);
  await page.keyboard.type(plate);
  await tabTo(/^Save the vehicle/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible();
  await expect(page.getByLabel('Vehicle', { exact: true })).not.toHaveValue('');
  await tabTo(/^Open the job/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await tabTo(/Slow to warm up on cold mornings/);
  await press('Space');
  await expect(page.getByTestId('latest-evidence')).toContainText('Latest:');
  await press('Control+z');
  await expect(page.getByTestId('latest-evidence')).toContainText('No evidence yet');
  await press('Control+Shift+z');
  await expect(page.getByTestId('latest-evidence')).toContainText('Latest:');
  await expectFits(page);
  await press('g', 'j');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  await expectFits(page);
  await press('g', 'v');
  await expect(page.getByRole('heading', { name: 'Vehicles', exact: true })).toBeVisible();
  await expectFits(page);
});

test('a job that is not here says so and leads back', async ({ page }) => {
  await page.goto('/jobs/nowhere');
  await expect(page.getByRole('heading', { name: 'This job is not here' })).toBeVisible();
  await page.getByRole('link', { name: 'All jobs' }).click();
  await expect(page.getByRole('button', { name: 'Load the demo garage' })).toBeVisible();
});
