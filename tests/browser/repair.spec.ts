import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { CAUTIONS } from '../../src/core/cautions';
import { REPAIR_CAUTIONS } from '../fixtures/repairCautions';
import { test as judged } from './judgedGarage';
import { breakWorkers, DEMO, expect, expectClean, fillDisk, jobMenu, newJob, openStage, test, warmUp } from './support';

/** Opens a part of the repair of the open job. */
async function part(page: Page, name: string): Promise<void> {
  const parts = page.getByRole('navigation', { name: 'Parts of the repair' });
  await parts.getByRole('link', { name, exact: true }).click();
  await expect(parts.locator('[aria-current=page]')).toHaveText(name);
}

/** What the odds strip says of every cause. */
const odds = (page: Page) => page.getByTestId('share-strip').first().getAttribute('aria-label');

const press = (page: Page, name: string | RegExp) =>
  page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();

async function tickAll(page: Page, testId: string): Promise<void> {
  const open = page.getByTestId(testId).getByRole('checkbox', { checked: false });
  for (let left = await open.count(); left > 0; left--) {
    await open.first().click();
    await expect(open).toHaveCount(left - 1);
  }
}

/** A line of the ledger by its form. */
async function flow(page: Page, amount: string, options: { kind?: string; pct?: string; what?: string } = {}) {
  const rows = await page.getByTestId('ledger-lines').locator('tbody tr').count();
  if (options.kind) await press(page, options.kind);
  await page.getByLabel('How much').fill(amount);
  if (options.pct !== undefined) await page.getByLabel('Strength', { exact: true }).fill(options.pct);
  if (options.what) await page.getByLabel('What', { exact: true }).selectOption(options.what);
  await press(page, 'Add');
  await expect(page.getByTestId('ledger-lines').locator('tbody tr')).toHaveCount(rows + 1);
}

async function level(page: Page, mm: string, c: string, { to = '', heated = false } = {}) {
  await page.getByLabel('Level above the mark').fill(mm);
  await page.getByLabel('Coolant at').fill(c);
  if (to !== '') await page.getByLabel('Filled up to').fill(to);
  if (heated) await page.getByLabel('Warmed through since the level before').check();
  await press(page, 'Write the level down');
}

/** Every button of the part in hand is large enough for a glove. */
async function expectForGloves(page: Page): Promise<void> {
  const small = await page.evaluate(() =>
    [
      ...document.querySelectorAll(
        '[data-gloves] button, [data-gloves] [role=checkbox], [data-gloves] label:has(input[type=checkbox])',
      ),
    ]
      .map((e) => ({ what: e.textContent ?? '', box: e.getBoundingClientRect() }))
      .filter(({ box }) => box.height > 0 && box.height < 44)
      .map(({ what, box }) => `${what}: ${box.height}`),
  );
  expect(small).toEqual([]);
}

judged('a demo job is carried from its finding to filled and bled, in gloves', async ({ page }) => {
  test.slow();
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto(DEMO);
  await expect(page.getByText('Gritter 4')).toBeVisible({ timeout: 240_000 });
  await page.goto(`${DEMO}/jobs/demo-gritter`);
  await expect(page.getByTestId('headline')).toContainText('Thermostat', { timeout: 240_000 });
  const before = await odds(page);

  await openStage(page, '9');
  await expect(page.getByTestId('plan-cost')).toContainText('Nothing planned yet');
  await press(page, 'Plan it');
  await expect(page.getByTestId('planned-part').first()).toBeVisible();
  await expect(page.getByTestId('plan-cost')).toContainText('€');
  await expect(page.getByText('Seal included? A missing seal can be the whole fault.')).toBeVisible();
  await page.getByRole('group', { name: 'Seal included?' }).getByRole('button', { name: 'yes' }).click();
  await page.getByRole('group', { name: 'Vent present?' }).getByRole('button', { name: 'yes' }).click();
  await expect(page.getByText(/A missing seal can be/)).toHaveCount(0);
  await page.getByLabel('Price').first().fill('48');
  await expect(page.getByTestId('plan-cost')).toContainText('€');
  // Where it cannot be tried it says so, and how to go on.
  await breakWorkers(page, true);
  await page.getByLabel('Rated').fill('64');
  await expect(page.getByTestId('rating-effect')).toContainText(
    'could not be tried: no such file. Load the page again.',
  );
  await breakWorkers(page, false);
  // A colder part: the code that it would set, and on which days, by the model.
  await page.getByLabel('Rated').fill('63');
  await expect(page.getByTestId('rating-effect')).toContainText('colder than the control unit expects');
  await expect(page.getByTestId('rating-says')).toContainText('P0128 would set at', { timeout: 120_000 });
  await page.getByLabel('Rated').fill('82');
  await expect(page.getByTestId('rating-effect')).toHaveCount(0);
  await page.getByLabel('Fault found').selectOption('thermostat-stuck-open');
  await page.getByLabel('Approval text of what is in the car').fill('KV 17-B');
  await page.getByLabel('Approval text of the new one').fill('KV 18');
  await expect(page.getByTestId('coolant-fit')).toContainText('do not mix');
  await page.getByLabel('Approval text of the new one').fill('kv17b');
  await expect(page.getByTestId('coolant-fit')).toContainText('The same approval text');
  await expect(page.getByTestId('extras')).toContainText('nothing to speak of');
  await expect(page.getByTestId('pick-list')).toContainText('missing');
  await press(page, 'Second thermostat in the hose');
  await expect(page.getByTestId('exceptions')).toContainText('Added valve: confirm bypass flow');
  await expect(page.getByLabel('Looked at again on')).not.toHaveValue('');
  await press(page, 'take off');
  await expectClean(page);

  await part(page, 'Make safe');
  await page.getByRole('button', { name: 'Start' }).click();
  await tickAll(page, 'safe-steps');
  await expect(page.getByTestId('safe-left')).toHaveText('Safe to begin');
  await expectForGloves(page);
  await expectClean(page);

  await part(page, 'Strip and refit');
  const off = page.getByRole('group', { name: 'Came off' });
  for (const kind of ['Clamp', 'Hose', 'Plug', 'Bolt', 'Bolt', 'Thermostat']) {
    const n = await page.getByTestId('refit').locator('> li').count();
    await off.getByRole('button', { name: kind, exact: true }).click();
    await expect(page.getByTestId('refit').locator('> li')).toHaveCount(n + 1);
  }
  await expect(page.getByTestId('strip-head')).toHaveText('6 off, 0 back');
  await press(page, 'Note Bolt 2');
  await page.getByLabel('Thread').fill('M6');
  await page.getByLabel('Head', { exact: true }).fill('6');
  await expect(page.getByText('M6 is the thread. Its head is larger')).toBeVisible();
  await page.getByLabel('Head', { exact: true }).fill('10');
  await page.getByLabel('Torque', { exact: true }).fill('7 lb ft');
  await expect(page.getByText('9.5 N·m, 7.0 lb·ft, 84.0 lb·in').first()).toBeVisible();
  await press(page, 'Cap off');
  await press(page, 'Plugs in');
  await press(page, 'Something fell');
  await expect(page.getByRole('alert').filter({ hasText: 'Stop: it fell' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'On: Thermostat 1' })).toBeDisabled();
  await expectForGloves(page);
  await expectClean(page);
  // The signs hang on every screen of the job.
  await openStage(page, '1');
  for (const sign of ['Do not start', 'No valve fitted', 'Cap off', '1 plug still in', '1 unplugged', 'Dropped']) {
    await expect(page.getByTestId('open-signs')).toContainText(sign);
  }
  await page.getByRole('link', { name: 'to the repair' }).click();
  await press(page, 'Found');

  await part(page, 'Drain and flush');
  await flow(page, '6 l');
  await flow(page, '2 qt', { kind: 'spilled' });
  await expect(page.getByTestId('inside')).toContainText('What came out is known');
  await expect(page.getByTestId('ledger-lines')).toContainText('1.89 l');
  await expect(page.getByTestId('open-signs')).toContainText('No coolant');
  await page.getByLabel('Runs out each time').fill('5');
  await expect(page.getByTestId('flush-cycles')).toContainText('cycles');
  await page.getByLabel('One can').fill('0.25');
  await page.getByLabel('Treats').fill('10');
  await expect(page.getByTestId('cleaner-dose')).toContainText('by the capacity, not by what');
  await page.getByLabel('At least').fill('10');
  await expect(page.getByText(/A label with a least time only/)).toBeVisible();
  await page.getByLabel('At most').fill('30');
  await expect(page.getByTestId('timer-cleaner')).toContainText('between 10:00 and 30:00');
  await expectForGloves(page);
  await expectClean(page);

  await part(page, 'Strip and refit');
  await expect(page.getByTestId('closing-says')).toContainText('Not yet');
  await expect(page.getByRole('button', { name: 'Housing closed' })).toBeDisabled();
  await press(page, 'Plugs out');
  await tickAll(page, 'seat-steps');
  await press(page, 'Housing closed');
  await expect(page.getByTestId('closing-says')).toContainText('Closed with everything ticked');
  // Together in reverse: the last thing off is the first to go on.
  for (const name of ['Thermostat 1', 'Bolt 2', 'Bolt 1', 'Plug 1', 'Hose 1', 'Clamp 1']) {
    await page
      .getByTestId('refit')
      .locator('> li')
      .first()
      .getByRole('button', { name: `On: ${name}` })
      .click();
    await expect(page.getByTestId('back-on')).toContainText(name);
  }
  await expect(page.getByTestId('strip-head')).toHaveText('All 6 back on');
  await press(page, 'Cap off');

  await part(page, 'Mix and fill');
  await expect(page.getByTestId('fill-volumes')).toContainText('Say how cold it gets');
  await page.getByLabel('Coldest outside').fill('-13F');
  await expect(page.getByTestId('aim')).toContainText(
    /4\d %.*about \d+ parts? coolant concentrate to \d+ parts? water/s,
  );
  await page.getByLabel('Or by hand').fill('5');
  await expect(page.getByText('Less than the inhibitor needs: 33 %.')).toBeVisible();
  await expect(page.getByTestId('fill-volumes')).toContainText(/Drain 0\.\d l more/);
  await page.getByLabel('Or by hand').fill('');
  await expect(page.getByTestId('fill-volumes')).toContainText(/\d\.\d\d l concentrate/);
  const volumes = (await page.getByTestId('fill-volumes').innerText()).match(
    /([\d.]+) l concentrate\s*\+ ([\d.]+) l water/,
  )!;
  await page.getByLabel('At least in before the start').fill('5');
  await expect(page.getByTestId('minimum')).toContainText('Do not start');
  await flow(page, volumes[1]!);
  await flow(page, volumes[2]!, { pct: '0', what: 'Water' });
  await expect(page.getByTestId('fill-volumes')).toContainText('Full: nothing to put in');
  await expect(page.getByText('The minimum is in.')).toBeVisible();
  await tickAll(page, 'fill-steps');
  await expect(page.getByTestId('works-done')).toContainText('Drained, filled and bled');
  await press(page, /Write it down: the odds follow/);
  await expect(page.getByText('All of it stands in the case.')).toBeVisible();
  await expect.poll(() => odds(page)).not.toBe(before);
  await expectClean(page);

  await part(page, 'Bleed');
  await page.getByRole('combobox', { name: 'Procedure' }).selectOption('self-bleeding-tank');
  await tickAll(page, 'conditions');
  await press(page, 'Start');
  await expect(page.getByTestId('runner-step')).toContainText('Fill slowly to the cold mark');
  await expect(page.getByTestId('runner-signs')).toContainText('Cap off');
  await press(page, 'Done');
  await expect(page.getByTestId('step-clock')).toHaveText(/^1:5\d|2:00$/);
  await press(page, 'Skip the rest');
  await press(page, 'Done');
  await expect(page.getByTestId('step-due')).toContainText(/Due at minute|Not due/, { timeout: 120_000 });
  await expect(page.getByText(CAUTIONS['carbon-monoxide']).first()).toBeVisible();
  await expectForGloves(page);
  await press(page, 'It opened');
  await press(page, 'fan on');
  await press(page, 'fan off');
  await expect(page.getByTestId('run-readings')).toContainText('opened');
  await press(page, 'Done');
  await press(page, 'Done');
  await expect(page.getByTestId('runner-step')).toContainText('Let it cool');
  await press(page, 'Cold now');
  await expect(page.getByTestId('air-verdict')).toHaveText('Cannot tell yet');
  await level(page, '4', '88');
  await expect(page.getByText('warm: does not count')).toBeVisible();
  await level(page, '-9', '14', { to: '0' });
  await expect(page.getByTestId('levels').locator('li')).toHaveCount(2);
  await press(page, 'Again');
  await expect(page.getByTestId('runner-place')).toContainText('time 2');
  // Two levels without a heat cycle between them say nothing: the one that was written too soon is taken off.
  await level(page, '-1', '16');
  await expect(page.getByTestId('air-says')).toContainText('No heat cycle is known');
  await page.getByTestId('levels').getByRole('button', { name: 'take off' }).last().click();
  await expect(page.getByTestId('levels').locator('li')).toHaveCount(2);
  await level(page, '-1', '16', { heated: true });
  await expect(page.getByTestId('air-verdict')).toHaveText('Air is out');
  await expect(page.getByTestId('close-says')).toHaveText('Nothing is open, and the cold level stayed.');
  await press(page, 'Filled and bled');
  await expect(page.getByText('Filled and bled. This repair is closed.')).toBeVisible();
  await expect(page.getByTestId('open-signs')).toHaveCount(0);
  await expectClean(page);
  await openStage(page, '7');
  await expect(page.getByTestId('chronicle')).toContainText(
    'Filled and bled: the cold level stayed over a heat cycle.',
  );
  await expect(page.getByTestId('chronicle')).toContainText('Replaced the thermostat: Thermostat, 82 °C');
});

judged('a job abandoned half way is found again with its signs, and taken up where it stood', async ({ page }) => {
  await page.goto(DEMO);
  const row = page.getByRole('list', { name: 'Jobs' }).locator('li').filter({ hasText: 'No coolant, no valve fitted' });
  await expect(row).toContainText('Ferry office 2', { timeout: 240_000 });
  await expect(row.getByTestId('job-signs')).toContainText('cap off');
  await row.getByRole('link').click();
  await expect(page).toHaveURL(/demo-ferry-early\/repair\/strip$/);
  await expect(page.getByTestId('strip-head')).toHaveText('6 off, 0 back');
  await expect(page.getByTestId('open-signs')).toContainText('Do not start');
  await page.reload();
  await expect(page.getByTestId('refit').locator('> li').first()).toContainText('vent was up');
  // Two presses, the first of them undone: the second stays.
  await press(page, 'On: Thermostat');
  await expect(page.getByTestId('open-signs')).not.toContainText('No valve fitted');
  await press(page, 'Plugs out');
  await expect(page.getByTestId('inside-plugs')).toHaveText('0');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByTestId('open-signs')).toContainText('No valve fitted');
  await expect(page.getByTestId('inside-plugs')).toHaveText('0');
  await part(page, 'Drain and flush');
  await expect(page.getByTestId('inside')).toContainText('1.9 l');
  await page.getByText('Drain some, or all of it?').click();
  await expect(page.getByText(/leaves much in block, heater and coolers/)).toBeVisible();
  await part(page, 'Plan');
  await expect(page.getByLabel('In words')).toHaveValue(/first movement at 65/);
  await page.evaluate(() => {
    window.print = () => undefined;
  });
  await press(page, 'Print the job sheet');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByTestId('print-head')).toContainText('Repair: plan');
  await expect(page.getByTestId('paper-sheet')).toContainText('9.0 N·m / 6.6 lb·ft / 79.7 lb·in');
  await expect(page.getByTestId('paper-sheet')).toContainText('maker’s manual, page 19-4');
  await expect(page.getByTestId('paper-pick')).toHaveCount(0);
  await page.emulateMedia({ media: 'screen' });
  await press(page, 'Print the pick list');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByTestId('paper-pick')).toContainText('Tray wider than the engine');
  await expect(page.getByTestId('plan-cost')).toBeHidden();
});

test('the runner is right to the second after a reload, ten minutes asleep, and a clock that was set back', async ({
  page,
}) => {
  await page.clock.install({ time: new Date('2026-03-02T10:00:00Z') });
  await newJob(page, 'Van 91');
  await openStage(page, '9');
  await part(page, 'Bleed');
  await page.getByRole('combobox', { name: 'Procedure' }).selectOption('timed-holds');
  await press(page, 'Start');
  await press(page, 'Done');
  await expect(page.getByTestId('open-signs')).toContainText('Hose pinched');
  const left_s = async () => {
    const [m, s] = (await page.getByTestId('step-clock').innerText()).split(':').map(Number);
    return 60 * m! + s!;
  };
  // Time that passes in steps, so that the page gets to its store in between.
  const pass = async (ms: number) => {
    for (let i = 0; i < 10; i++) {
      await page.clock.runFor(ms / 10);
      await page.evaluate(() => new Promise((done) => indexedDB.databases().then(done, done)));
    }
  };
  await page.clock.pauseAt(new Date('2026-03-02T10:10:00Z'));
  // By now the hold of three minutes is over: go back to it.
  await press(page, 'Back');
  await expect(page.getByTestId('runner-step')).toContainText('Hold the engine speed, keep the level up');
  await pass(60_500);
  await expect.poll(left_s).toBe(120);
  await page.reload();
  await pass(2000);
  await expect.poll(left_s).toBe(118);
  // The clock on the wall goes back by an hour; the hold does not.
  const wall = await page.evaluate(() => Date.now());
  await page.clock.setSystemTime(wall - 3_600_000);
  await pass(8000);
  await expect.poll(left_s).toBe(110);
  await page.reload();
  await pass(10_000);
  await expect.poll(left_s).toBe(100);
  // Ten minutes asleep: the page's own clock stands still meanwhile.
  const run_s = async () => {
    const [m, s] = (await page.getByTestId('run-elapsed').innerText()).match(/\d+/g)!.map(Number);
    return 60 * m! + s!;
  };
  const before = await run_s();
  await page.clock.setSystemTime((await page.evaluate(() => Date.now())) + 600_000);
  await pass(1000);
  await expect.poll(run_s).toBe(before + 601);
  await expect(page.getByTestId('runner-step')).toContainText('Take the clamp off the hose');
  await expect(page.getByTestId('unwatched')).toContainText('10:00 passed while nobody watched');
  await press(page, 'Take it off');
  await pass(1000);
  await expect.poll(left_s).toBe(98);
  await press(page, 'Pause');
  await pass(30_000);
  await page.reload();
  await pass(1000);
  await expect.poll(left_s).toBe(98);
});

test('a procedure of one’s own: written, undone, tried dry, run, interrupted, exported, opened elsewhere', async ({
  page,
  browser,
}) => {
  await page.goto('/procedures');
  await expect(page.getByText('None yet. Copy one below')).toBeVisible();
  await press(page, 'Write one');
  await expect(page.getByTestId('procedure-errors')).toContainText('It needs a name.');
  await page.getByLabel('Name', { exact: true }).fill('Quay 1.9');
  await page.getByLabel('From where').fill('maker’s manual');
  await page.getByLabel('Page').fill('19-12');
  await page.getByLabel('Before it begins, by semicolons').fill('heater hot; tank raised 15 cm');
  await page.getByLabel('Engine off at').fill('226F');
  const step = (n: number) =>
    page
      .getByTestId('procedure-steps')
      .locator('> li')
      .nth(n - 1);
  await step(1).getByLabel('What is done').fill('Fill to the mark');
  await press(page, 'Add a step');
  await step(2).getByLabel('What is done').fill('Hold it');
  await step(2).getByLabel('Lasts').selectOption('time');
  await step(2).getByLabel('Time', { exact: true }).fill('2');
  await step(2).getByLabel('Engine').selectOption('raised');
  await expect(page.getByTestId('procedure-errors')).toContainText('Step 2: say between which engine speeds.');
  await step(2).getByLabel('From', { exact: true }).fill('1800');
  await step(2).getByLabel('To', { exact: true }).fill('2200');
  await press(page, 'Add a step');
  await step(3).getByLabel('What is done').fill('Does the level stay?');
  await step(3).getByLabel('Then back to').selectOption('1');
  await expect(page.getByTestId('procedure-errors')).toHaveCount(0);
  await press(page, 'Remove step 2');
  await expect(page.getByTestId('procedure-steps').locator('> li')).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('procedure-steps').locator('> li')).toHaveCount(3);
  await expect(page.getByText('Kept in this browser at every change.')).toBeVisible();
  await page.reload();
  await expect(step(2).getByLabel('From', { exact: true })).toHaveValue('1800');
  // What was written before the reload is undone after it, and done again.
  await press(page, 'Undo');
  await expect(step(3).getByLabel('Then back to')).toHaveValue('');
  await press(page, 'Redo');
  await expect(step(3).getByLabel('Then back to')).toHaveValue('1');
  await expectClean(page);

  await press(page, 'Dry run');
  await press(page, 'Start');
  await press(page, 'Done');
  await expect(page.getByTestId('step-clock')).toHaveText('2:00');
  await press(page, 'A minute later');
  await expect(page.getByTestId('step-clock')).toHaveText('1:00');
  await press(page, 'To the end of the step');
  await expect(page.getByTestId('runner-step')).toContainText('Does the level stay?');
  await press(page, 'Again');
  await expect(page.getByTestId('runner-place')).toContainText('Step 2 of 3, time 2');
  await expect(page.getByText(CAUTIONS['revving-in-place'])).toBeVisible();
  await press(page, 'Back to writing');

  const saved = page.waitForEvent('download');
  await press(page, 'Save as a file');
  const file = await (await saved).path();
  await page.goto('/procedures');
  await press(page, 'Delete Quay 1.9');
  await expect(page.getByText('None yet. Copy one below')).toBeVisible();
  await page.getByTestId('procedure-file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      '{"schema":"varmek-procedure/1","procedure":{"id":"a","use":"bleed","steps":[{"says":"x","engine":"flies"}]}}',
    ),
  });
  await expect(page.getByText(/x\.json: steps\[0\]\.engine/)).toBeVisible();
  await page.getByTestId('procedure-file').setInputFiles(file);
  await expect(page.getByTestId('own-procedures')).toContainText('Quay 1.9');

  await newJob(page, 'Van 92');
  await openStage(page, '9');
  await part(page, 'Bleed');
  await page.getByRole('combobox', { name: 'Procedure' }).selectOption({ label: 'Quay 1.9' });
  await expect(page.getByText('maker’s manual, page 19-12')).toBeVisible();
  await press(page, 'Start');
  await press(page, 'Done');
  await expect(page.getByTestId('runner-signs')).toContainText('1800 to 2200 rpm');
  await expect(page.getByTestId('runner-place')).toContainText('Stop at 108 °C');
  await page.getByLabel('Coolant now').fill('112');
  await press(page, 'Log it');
  await expect(page.getByTestId('run-too-hot')).toContainText('Engine off');
  // A pause stands once the store has it.
  const goOn = page.getByRole('button', { name: 'Go on', exact: true });
  await press(page, 'Pause');
  await expect(goOn).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('runner-place')).toContainText('Step 2 of 3');
  await press(page, 'Go on');
  await press(page, 'Skip the rest');
  await press(page, 'Again');
  await press(page, 'Pause');
  await expect(goOn).toBeVisible();
  const job = page.waitForEvent('download');
  await jobMenu(page, 'Save job as a file');
  const jobFile = await (await job).path();

  // Another computer, without that procedure.
  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const there = await other.newPage();
  await there.goto(new URL('/', page.url()).href);
  await there
    .getByTestId('job-file')
    .setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: readFileSync(jobFile) });
  await expect(there).toHaveURL(/\/jobs\//);
  await openStage(there, '9');
  await part(there, 'Bleed');
  await expect(there.getByTestId('runner-place')).toContainText('Quay 1.9. Step 2 of 3, time 2');
  await expect(there.getByTestId('run-readings')).toContainText('112 °C');
  await press(there, 'Go on');
  await expect(there.getByTestId('runner-signs')).toContainText('1800 to 2200 rpm');
  await other.close();
});

test('every caution of the repair stands on its step', async ({ page }) => {
  await page.goto('/vehicles/new?then=job');
  await page.getByLabel('Name or plate').fill('Hybrid 93');
  await page.getByRole('checkbox', { name: /hybrid/i }).check();
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await openStage(page, '9');
  await press(page, 'Running without a thermostat');
  await press(page, 'Cover over the radiator');
  await expect(page.getByTestId('exceptions')).toContainText(CAUTIONS['no-valve-fitted']);
  await expect(page.getByTestId('exceptions')).toContainText(CAUTIONS['winter-cover']);
  await part(page, 'Make safe');
  for (const need of ['Engine is lifted a little', /battery off/, 'Compressed air is used']) {
    await page.getByLabel(need).click();
    await expect(page.getByLabel(need)).toBeChecked();
  }
  const pages = {
    safe: 'Make safe',
    tip: 'Strip and refit',
    seat: 'Strip and refit',
    drain: 'Drain and flush',
    flush: 'Drain and flush',
    fill: 'Mix and fill',
  } as const;
  for (const [list, name] of Object.entries(pages)) {
    await part(page, name);
    for (const [id, , places] of REPAIR_CAUTIONS) {
      for (const [where, key] of places) {
        if (where !== list) continue;
        const step = page.locator(`[data-step="${list === 'flush' ? `flush-${key}` : key}"]`);
        await expect(step, `${id} at ${where} ${key}`).toContainText(CAUTIONS[id]);
      }
    }
  }
});

test('two tabs lose no line, a full disk is told, impossible figures stay in their field, gallons go through', async ({
  page,
  context,
}) => {
  await newJob(page, 'Van 94');
  await page.getByRole('button', { name: /Units:/ }).click();
  await page.getByRole('dialog').getByLabel('Volume').selectOption('US gal');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).first().click();
  await openStage(page, '9');
  await part(page, 'Drain and flush');
  const other = await context.newPage();
  await other.goto(page.url());
  await flow(page, '0.5');
  await expect(other.getByTestId('ledger-lines').locator('tbody tr')).toHaveCount(1);
  await flow(other, '2 qt');
  await expect(page.getByTestId('ledger-lines').locator('tbody tr')).toHaveCount(2);
  await expect(page.getByTestId('ledger-lines')).toContainText('0.50 US gal');
  await expect(page.getByTestId('inside')).toContainText('US gal');
  await other.close();
  // More than there is: told with what can be wrong, and taken off again.
  await flow(page, '90 l');
  await expect(page.getByTestId('ledger-wrong')).toContainText('cannot come out');
  await page.getByRole('button', { name: /Take off: drained 23.78/ }).click();
  await expect(page.getByTestId('ledger-wrong')).toHaveCount(0);
  await press(page, 'Add');
  await expect(page.getByText('Type how much.')).toBeVisible();
  await page.getByLabel('Old allowed to stay').fill('0');
  await expect(page.getByText(/Between 0.1 % and 100 %.*still counts/)).toBeVisible();
  await fillDisk(page, true);
  await page.getByLabel('How much').fill('0.2');
  await press(page, 'Add');
  await expect(page.getByText(/storage is full/).first()).toBeVisible();
  await expect(page.getByTestId('ledger-lines').locator('tbody tr')).toHaveCount(2);
  await fillDisk(page, false);
});

test('bubbles that go on lead to the gas test; a repair closes without a settled level only as such', async ({
  page,
}) => {
  await newJob(page, 'Van 95');
  await openStage(page, '9');
  await part(page, 'Mix and fill');
  await flow(page, '0.1');
  await part(page, 'Bleed');
  // A log of the bleeding marks the opening by itself.
  await expect(page.getByTestId('opening-due')).toContainText(/Due|Not due/, { timeout: 120_000 });
  await expect(page.getByTestId('level-due')).toContainText('the coolant grows by');
  await page
    .getByTestId('log-file')
    .setInputFiles({ name: 'bled.csv', mimeType: 'text/csv', buffer: Buffer.from(warmUp(88)) });
  await expect(page.getByTestId('warm-seen')).toContainText('bled.csv: 88 °C');
  await expect(page.getByTestId('opening-due')).toContainText(/Seen at minute \d+\.\d, 8\d °C/);
  await expect(page.getByTestId('close-says')).toContainText('work not written into the record');
  for (let i = 0; i < 3; i++) await press(page, 'Bubbles');
  await expect(page.getByTestId('gas-due')).toContainText('this is not air');
  const before = await odds(page);
  await page.getByTestId('gas-due').getByRole('button', { name: 'fluid changes colour' }).click();
  await expect.poll(() => odds(page)).not.toBe(before);
  await part(page, 'Mix and fill');
  await expect(page.getByTestId('works-done')).toContainText('Topped up and bled');
  await press(page, /Write it down: the odds follow/);
  await part(page, 'Bleed');
  await expect(page.getByTestId('close-says')).toContainText('no cold level has shown yet');
  await press(page, 'Close without it');
  await expect(page.getByText('This repair is closed.')).toBeVisible();
  // The latest message undoes the latest change.
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText('This repair is closed.')).toHaveCount(0);
});
