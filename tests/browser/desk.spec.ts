import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, expectClean, newJob, openStage, test, warmUp } from './support';
import type { Page } from '@playwright/test';

const demo = (name: string) => readFileSync(path.join(import.meta.dirname, '..', '..', 'public', 'demo', name), 'utf8');

async function dropLog(page: Page, name: string, text: string): Promise<void> {
  await page.getByTestId('log-file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByTestId('why')).toBeVisible();
}

async function openDesk(page: Page): Promise<void> {
  await openStage(page, '5');
  await expect(page).toHaveURL(/\/desk$/);
  await expect(page.getByTestId('features')).toBeVisible();
}

/** Minute under the cursor. */
const minute = async (page: Page): Promise<number> =>
  Number(/minute ([\d.]+)/.exec(await page.getByTestId('readout').innerText())![1]);

test('a drive on the desk: lanes, cursor, zoom, figures, marks, all by keyboard', async ({ page }) => {
  await newJob(page, 'Desk bus');
  await openStage(page, '4');
  const [header, ...rows] = demo('library.csv').trim().split('\n');
  const marked = rows.map((row, i) => `${row},${i === 300 ? 'heater hot' : ''}`);
  await dropLog(page, 'library.csv', `${[`${header},mark`, ...marked].join('\n')}\n`);
  await openDesk(page);
  await expectClean(page);

  // Lanes by what was logged; what was not, has none.
  for (const id of ['residual', 'speed', 'rpm', 'load', 'air', 'commands']) {
    await expect(page.getByTestId(`lane-${id}`)).toBeVisible();
  }
  await expect(page.getByTestId('phases')).toContainText('Warm-up');
  await expect(page.getByTestId('phases')).toContainText('Standing');

  // The cursor follows the pointer, then the keys; a key holds it against the pointer.
  const lanes = page.getByTestId('desk-lanes');
  await page.getByTestId('desk-temperature').hover({ position: { x: 300, y: 60 } });
  const pointed = await minute(page);
  expect(pointed).toBeGreaterThan(5);
  await lanes.focus();
  await page.keyboard.press('Home');
  expect(await minute(page)).toBe(0);
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageDown');
  const walked = await minute(page);
  expect(walked).toBeGreaterThan(2);
  await page.getByTestId('desk-temperature').hover({ position: { x: 500, y: 60 } });
  expect(await minute(page)).toBe(walked);
  await expect(page.getByTestId('lane-rpm')).toContainText('rpm');

  // Zoom and pan change what is drawn, and the whole drive comes back.
  const curve = page.getByTestId('desk-temperature').locator('[data-curve="measured"]').first();
  const whole = await curve.getAttribute('d');
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(curve).not.toHaveAttribute('d', whole!);
  const zoomed = await curve.getAttribute('d');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(curve).not.toHaveAttribute('d', zoomed!);
  await page.keyboard.press('0');
  await expect(curve).toHaveAttribute('d', whole!);
  // A drag picks a stretch.
  const box = (await page.getByTestId('desk-temperature').boundingBox())!;
  await page.mouse.move(box.x + 200, box.y + 80);
  await page.mouse.down();
  await page.mouse.move(box.x + 320, box.y + 80, { steps: 4 });
  await page.mouse.up();
  await expect(curve).not.toHaveAttribute('d', whole!);
  await page.getByRole('button', { name: 'Whole drive' }).click();
  await expect(curve).toHaveAttribute('d', whole!);

  // A figure shows its place.
  const level = page.getByTestId('features').getByRole('button', { name: 'Level it holds' });
  await level.click();
  await expect(page.getByTestId('desk-temperature').locator('.lane-stretch')).toHaveCount(1);
  await level.click();
  await expect(page.getByTestId('desk-temperature').locator('.lane-stretch')).toHaveCount(0);

  // A cause is laid over; a curve of another one replaces it.
  await page.getByLabel('Lay over').selectOption('sender-reads-low');
  await expect(page.locator('[data-curve="Sender reads low"]')).toHaveCount(1);

  // Marks: the one of the log stands there; one is set at the cursor, moved, and is still there after a reload.
  await page.getByRole('tab', { name: 'Marks' }).click();
  await expect(page.getByTestId('marks-panel').getByRole('listitem')).toHaveText(/Heater hot.*from the log/);
  // What to expect of a hose follows from where the thermostat sits.
  await expect(page.getByTestId('expectation')).toContainText(
    'thermostat at the engine outlet: cold until the opening',
  );
  await lanes.focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('PageDown');
  const before = await page.getByRole('button', { name: /^Evidence/ }).innerText();
  await page.getByRole('button', { name: 'Set the mark' }).click();
  await expect(page.getByTestId('marks-panel')).toContainText('Hose warm, upper hose');
  await page.getByRole('button', { name: 'Five seconds later' }).click();
  // A hose that is warm in the first minutes is evidence.
  await expect(page.getByRole('button', { name: /^Evidence/ })).not.toHaveText(before);
  await page.getByRole('button', { name: 'Infrared or probe' }).click();
  await page.getByTestId('marks-panel').getByLabel('Place').selectOption('radiator bottom');
  await page.getByRole('textbox', { name: 'Reads' }).fill('400');
  await expect(page.getByRole('button', { name: 'Set the mark' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Reads' }).fill('104F');
  await page.getByRole('button', { name: 'Set the mark' }).click();
  await expect(page.getByTestId('marks-panel')).toContainText('Infrared or probe, radiator bottom 40.0 °C');
  await page.reload();
  await page.getByRole('tab', { name: 'Marks' }).click();
  await expect(page.getByTestId('marks-panel').getByRole('listitem')).toHaveCount(3);
  await page
    .getByRole('button', { name: /^Take the mark at minute/ })
    .first()
    .click();
  await expect(page.getByTestId('marks-panel').getByRole('listitem')).toHaveCount(2);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('marks-panel').getByRole('listitem')).toHaveCount(3);
});

test('codes, what-if, circuit, another drive, and what can be taken away', async ({ page }) => {
  await newJob(page, 'Code van');
  await openStage(page, '4');
  await dropLog(page, 'cold.csv', warmUp(58, { start_c: 6, minutes: 40 }));
  await openDesk(page);
  await page.getByRole('tab', { name: 'Codes' }).click();
  const code = page.getByTestId('code-P0128');
  await expect(code).toContainText(/Would set.*At \d+\.\d min, \d+\.\d .* short/);
  await expect(page.getByTestId('code-P0116')).toContainText('Did not run');
  // What drive would make it run: conditions, and the plan tried with a sound and a broken car.
  const drive = page.getByTestId('what-drive');
  await expect(drive).toContainText('Start between -8 °C and 50 °C');
  await expect(drive).toContainText('Nothing wrong');
  await page.getByRole('button', { name: 'Plan such a drive' }).click();
  await expect(page.getByText('a drive on which it decides')).toBeVisible();

  // Sliders redraw the prediction and its code; a colder part sets it by itself.
  await page.getByRole('tab', { name: 'What if' }).click();
  await page.getByRole('button', { name: 'Nothing broken' }).click();
  const verdict = page.getByTestId('what-if-code');
  await expect(verdict).toContainText('Passes with');
  const dotted = page.locator('[data-curve="what if"]').first();
  const asStamped = await dotted.getAttribute('d');
  const stamp = page.getByLabel('Thermostat stamped');
  await stamp.focus();
  for (let i = 0; i < 22; i++) await page.keyboard.press('ArrowLeft');
  await expect(dotted).not.toHaveAttribute('d', asStamped!);
  await expect(verdict).toContainText('Would set');
  await expect(verdict).toContainText('Nothing is broken here');
  await expectClean(page);

  // The circuit tells the same minute as the cursor.
  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByTestId('desk-lanes').focus();
  await page.keyboard.press('Home');
  await expect(page.getByTestId('circuit-says')).not.toBeEmpty();
  await expect(page.getByTestId('circuit')).toHaveAttribute('aria-label', /valve \d+ % open/);

  // Taken away as a picture, as data, on paper.
  const taken = async (name: string) => {
    const waits = page.waitForEvent('download');
    await page.getByRole('group', { name: 'Take away' }).getByRole('button', { name }).click();
    return readFileSync(await (await waits).path());
  };
  const svg = (await taken('SVG')).toString();
  expect(svg).toContain('Code van');
  expect(svg).not.toContain('var(');
  // Taken away from lamp light it is on white paper all the same: the same colours, not pale ones.
  await page.getByRole('button', { name: 'Dark, for the bay' }).click();
  expect((await taken('SVG')).toString()).toBe(svg);
  await page.getByRole('button', { name: 'Light, for the yard' }).click();
  expect([...(await taken('PNG')).subarray(1, 4)].map((b) => String.fromCharCode(b)).join('')).toBe('PNG');
  expect((await taken('CSV')).toString()).toMatch(/^time_s,ect_c,ambient_c\n0,6,6\n/);
  await page.emulateMedia({ media: 'print' });
  const head = page.getByTestId('print-head');
  await expect(head).toBeVisible();
  await expect(head).toContainText('Code van');
  await expect(head).toContainText(new Date().getFullYear().toString());
  await page.emulateMedia({ media: 'screen' });

  // A second drive in like weather can be compared, one on a summer day cannot.
  await openStage(page, '4');
  await page.getByTestId('log-file').setInputFiles({
    name: 'after.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(warmUp(88, { start_c: 9, minutes: 40 })),
  });
  await page.getByRole('button', { name: 'Another drive' }).click();
  await expect(page.getByLabel('Trace', { exact: true })).toBeVisible();
  await expect(page.getByTestId('why')).toBeVisible();
  await openDesk(page);
  await page.getByRole('button', { name: 'Against another drive' }).click();
  await expect(page.getByTestId('comparable')).toHaveText('The two can be compared.');
  await expect(page.getByTestId('compare-changes').getByRole('row', { name: /^Highest/ })).toContainText('better');
  await page.getByLabel('Laid over each other by').selectOption('heat');
  await expect(page.getByTestId('compare')).toContainText('logged nothing that tells the heat');
  await page.getByLabel('Laid over each other by').selectOption('temperature');
  await expect(page.getByTestId('compare-picture').locator('[data-curve="cold.csv"]')).toHaveCount(1);
  await openStage(page, '4');
  await page.getByTestId('log-file').setInputFiles({
    name: 'summer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(warmUp(88, { start_c: 30, minutes: 40 })),
  });
  await page.getByRole('button', { name: 'Another drive' }).click();
  await expect(page.getByLabel('Trace', { exact: true }).locator('option')).toHaveCount(3);
  await expect(page.getByTestId('why')).toBeVisible();
  await openDesk(page);
  await page.getByRole('button', { name: 'Against another drive' }).click();
  const cold = page.getByTestId('compare').getByLabel('Other drive').locator('option', { hasText: 'cold.csv' });
  await page
    .getByTestId('compare')
    .getByLabel('Other drive')
    .selectOption((await cold.getAttribute('value'))!);
  await expect(page.getByTestId('comparable')).toContainText('Not comparable: outside');
});

test('what a drive does not tell is said, and a frosty start is no pass', async ({ page }) => {
  await newJob(page, 'Frost');
  await openStage(page, '4');
  const bare = warmUp(50, { start_c: -16 }).replace(/,[^,\n]*(?=\n)/g, '');
  await dropLog(page, 'bare.csv', bare);
  await openDesk(page);
  await expect(page.getByTestId('phases')).toContainText('Road speed was not logged');
  await expect(page.getByTestId('lane-speed')).toHaveCount(0);
  await page.getByText(/\d+ that this drive does not tell/).click();
  await expect(page.getByText('The fan was not logged: mark when it goes on and off.').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Codes' }).click();
  const code = page.getByTestId('code-P0128');
  await expect(code).toContainText('Did not run');
  await expect(code).toContainText(/It runs from a start between -8 °C and 50 °C; this one was at -1\d °C\./);
  await expect(page.getByText(/would not set/i)).toHaveCount(0);
});
