import { expect, expectClean, newJob, openStage, test } from './support';
import type { Page } from '@playwright/test';

/** Share of a cause in the odds strip, %; 0 when it is too small to be drawn. */
async function shareOf(page: Page, cause: string): Promise<number> {
  const text = (await page.getByTestId('share-strip').getAttribute('aria-label')) ?? '';
  return Number(new RegExp(`${cause} (\\d+) %`).exec(text)?.[1] ?? 0);
}

test('from complaint to printed drive card', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Load the demo garage' }).click();
  await page.getByRole('link', { name: /Island taxi/ }).click();
  await page.getByRole('checkbox', { name: 'Heater weak or never hot' }).click();
  await page.getByRole('checkbox', { name: /Gauge low on the road/ }).click();
  await expect(page.getByTestId('latest-evidence')).toContainText(/from \d+ % to \d+ %/);
  await page.getByLabel('Code', { exact: true }).fill('PO128');
  await page.getByRole('button', { name: 'Add the code' }).click();
  await page.getByRole('button', { name: 'P0128', exact: true }).click();
  await expect(page.getByText('Does not prove: A bad thermostat')).toBeVisible();
  await expectClean(page);

  await page.getByRole('link', { name: 'Go on to the cold look' }).click();
  await page
    .getByRole('group', { name: 'Level against the cold mark' })
    .getByRole('button', { name: 'at the mark' })
    .click();
  await expectClean(page);

  await page.getByRole('link', { name: 'Go on to the drive' }).click();
  await expect(page.getByTestId('tells-apart')).toHaveText(/^\d+ of 10$/, { timeout: 240_000 });
  await expect(page.getByTestId('opening-due')).toContainText(/minute \d+ and \d+/);
  await expect(page.getByTestId('conditions')).toContainText('needs the heater on');
  await page.getByLabel('Heater blower').fill('50');
  await expect(page.getByTestId('conditions')).toContainText('Repeats the conditions');
  await page.getByRole('button', { name: 'Find a shorter or better drive' }).click();
  await expect(page.getByTestId('proposals').locator('li')).toHaveCount(3, { timeout: 240_000 });
  await expectClean(page);

  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes');
  });
  const print = page.getByRole('button', { name: 'Print the drive card' });
  await expect(print).toBeEnabled({ timeout: 240_000 });
  await print.click();
  await expect(page.locator('body')).toHaveAttribute('data-printed', 'yes');
  await page.emulateMedia({ media: 'print' });
  const card = page.getByTestId('drive-card');
  await expect(card).toBeVisible();
  await expect(card).toContainText(/STOP at 10\d °C/);
  await expect(card).toContainText('Driver never operates phone, camera or laptop');
  await expect(card).toContainText('Top hose by probe');
  expect(await card.evaluate((e) => e.scrollHeight)).toBeLessThan(1050);
  await page.emulateMedia({ media: 'screen' });
  await expect(page.getByLabel('State of the job')).toHaveValue('drive-planned');
});

test('low level moves the odds, asks for mending first, and is taken back with undo', async ({ page }) => {
  await newJob(page, 'Truck 3');
  await openStage(page, '2');
  const before = await shareOf(page, 'Low coolant or air');
  await page
    .getByRole('group', { name: 'Level against the cold mark' })
    .getByRole('button', { name: 'low', exact: true })
    .click();
  await expect(page.getByTestId('mend-first')).toContainText('The level is low');
  await expect.poll(() => shareOf(page, 'Low coolant or air')).toBeGreaterThan(2 * before);
  const raised = await shareOf(page, 'Low coolant or air');
  await page.keyboard.press('e');
  await expect(page.getByTestId('evidence')).toContainText('Low coolant or air');
  await page.getByRole('button', { name: /Take back: Level below/ }).click();
  await expect.poll(() => shareOf(page, 'Low coolant or air')).toBe(before);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => shareOf(page, 'Low coolant or air')).toBe(raised);
});

test('a warm top hose speaks for an open path at the outlet, and the other way round at the inlet', async ({
  page,
}) => {
  const shares: Record<string, [number, number]> = {};
  for (const layout of ['outlet', 'inlet'] as const) {
    await newJob(page, `Car ${layout}`, { inlet: layout === 'inlet' });
    const before = await shareOf(page, 'Thermostat stuck open');
    await page.goto(page.url().replace(/arrival$/, 'drive/stopwatch'));
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page
      .getByRole('region', { name: 'All observations' })
      .getByRole('group', { name: /Top hose/ })
      .getByRole('button', { name: 'warm' })
      .click();
    await expect(page.getByTestId('latest-evidence')).toContainText('warm');
    shares[layout] = [before, await shareOf(page, 'Thermostat stuck open')];
  }
  expect(shares.outlet![1]).toBeGreaterThan(2 * shares.outlet![0]);
  expect(shares.inlet![1] / shares.inlet![0]).toBeLessThan(shares.outlet![1] / shares.outlet![0] / 1.8);
});

test('the stopwatch survives a reload and keeps the minute of an observation', async ({ page }) => {
  await newJob(page, 'Car 5');
  await page.goto(page.url().replace(/arrival$/, 'drive/stopwatch'));
  await expect(page.getByText('For the passenger, or at standstill')).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByTestId('elapsed')).not.toHaveText('0:00');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.getByRole('region', { name: 'Next observation' }).getByRole('button', { name: 'stands still' }).click();
  await expect(page.getByText(/^minute \d\.\d$/).first()).toBeVisible();

  // A phase that ends early pulls the next one forward, and back again.
  const phase = page.getByTestId('phase');
  await expect(phase).toHaveText('Stand and idle');
  await page.getByRole('button', { name: 'Phase done' }).click();
  await expect(phase).toHaveText('Town');
  await page.reload();
  await expect(phase).toHaveText('Town');
  await page.getByRole('button', { name: 'Phase done' }).click();
  await expect(phase).toHaveText('Open road');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect(phase).toHaveText('Town');

  // Back to zero can be taken back too.
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Back to zero' }).click();
  await expect(page.getByTestId('elapsed')).toHaveText('0:00');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByTestId('elapsed')).not.toHaveText('0:00');
  await expectClean(page);
});

test('nothing typed is lost on a reload in the middle of a form', async ({ page }) => {
  await newJob(page, 'Car 6');
  // A reload in the middle of a word: it was not saved yet, and is here again, and saved then.
  const when = page.getByLabel('When it happens', { exact: true });
  await when.fill('below freezing, first ten minutes');
  await page.reload();
  await expect(when).toHaveValue('below freezing, first ten minutes');
  await expect(page.getByText('Not saved yet')).toHaveCount(0);
  await page.reload();
  await expect(when).toHaveValue('below freezing, first ten minutes');
  await page.keyboard.press('Tab');
  await page.goto(page.url().replace('arrival', 'cold-look'));
  await page.getByRole('textbox', { name: 'Coolant', exact: true }).fill('-9');
  await page.getByRole('textbox', { name: 'Outside', exact: true }).fill('39F');
  await page.getByLabel('Stood for').fill('12');
  await expect(page.getByText(/suspect the sender/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Coolant', exact: true })).toHaveValue('-9');
  await expect(page.getByRole('textbox', { name: 'Outside', exact: true })).toHaveValue('3.9');
  await expect(page.getByTestId('latest-evidence')).toContainText('Sender reads low');
  await openStage(page, '1');
  await expect(page.getByLabel('When it happens', { exact: true })).toHaveValue('below freezing, first ten minutes');
});

test('sender resistance is compared with the curve of the vehicle', async ({ page }) => {
  await newJob(page, 'Car 11');
  await page.getByRole('link', { name: 'Vehicle and its parts' }).click();
  for (const [i, [c, ohm]] of (
    [
      ['0', '5900'],
      ['25', '2050'],
      ['90', '240'],
    ] as const
  ).entries()) {
    await page.getByLabel(`Point ${i + 1}, at`).fill(c);
    await page.getByLabel(`Point ${i + 1}`, { exact: true }).fill(ohm);
  }
  await expect(page.getByText('The curve is kept.')).toBeVisible();
  // What cannot be says why, and takes nothing from the curve that is kept.
  for (const [point, wrong, says] of [
    [2, 'some', 'Not understood.'],
    [2, '0', 'A resistance is above 0 Ω.'],
    [3, '2400', 'Not kept: resistance falls as it gets warmer'],
  ] as const) {
    await page.getByLabel(`Point ${point}`, { exact: true }).fill(wrong);
    await expect(page.getByText(says)).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Point 2', { exact: true })).toHaveValue('2050');
    await expect(page.getByLabel('Point 3', { exact: true })).toHaveValue('240');
    await expect(page.getByText('The curve is kept.')).toBeVisible();
  }
  await page.goto('/');
  await page.getByRole('link', { name: /Car 11/ }).click();
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await openStage(page, '2');
  await page.getByLabel('Cold, at').fill('25');
  await page.getByLabel('Cold', { exact: true }).fill('3300');
  await page.getByLabel('Warm, at').fill('90');
  await page.getByLabel('Warm', { exact: true }).fill('400');
  await expect(page.getByText(/Expected 2050 Ω: off by -\d+ °C/)).toBeVisible();
  await expect(page.getByTestId('latest-evidence')).toContainText('12 °C below');
  // A page that is left while a reading is on its way to the store would lose it: it asks first, and then no more.
  const asks = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
  await expect.poll(() => page.evaluate(asks)).toBe(false);
  const asked = await page.getByLabel('Warm', { exact: true }).evaluate((field) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, '410');
    field.dispatchEvent(new Event('input', { bubbles: true }));
    return !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
  });
  expect(asked).toBe(true);
  await expect.poll(() => page.evaluate(asks)).toBe(false);
});

test('photos are kept with their stage', async ({ page }) => {
  await newJob(page, 'Car 7');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'hose.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByAltText('hose.png')).toBeVisible();
  await page.reload();
  await expect(page.getByAltText('hose.png')).toBeVisible();
  await openStage(page, '2');
  await expect(page.getByRole('heading', { name: 'Cool enough to open?' })).toBeVisible();
  await expect(page.getByAltText('hose.png')).toHaveCount(0);
});
