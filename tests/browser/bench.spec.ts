import type { Page } from '@playwright/test';
import { waterTest } from '../../src/core/plant';
import { buildCurve, senderOhms } from '../../src/core/sender';
import { test as judged } from './judgedGarage';
import { DEMO, expect, expectClean, newJob, openStage, test } from './support';

const VALVE = {
  ...{ opens_c: 78, full_c: 90, hysteresis_k: 3, lift_mm: 8.5 },
  ...{ cupLag_s: 5, waxLag_s: 9, melting: 1.2, stick_mm: 0, open_mm: 0, moves: true },
};
const COURSE = {
  ...{ from_c: 50, to_c: 97, heating_kpmin: 5, cooling_kpmin: 3, every_s: 75 },
  ...{ liftSd_mm: 0.05, thermometerSd_k: 0.1, seed: 3 },
};
const POINTS = '0 5900\n20 2500\n50 834\n80 323\n100 187';

/** The resistance of a sender with these points and something in its plug. */
function withPlug(c: number, plug_ohm: number): string {
  const built = buildCurve({
    kind: 'points',
    points: POINTS.split('\n').map((l) => l.split(' ').map(Number) as [number, number]),
  });
  if (!built.ok) throw new Error(built.error.message);
  return (senderOhms(built.value.curve, c) + plug_ohm).toFixed(1);
}

const desk = async (page: Page, name: string) => {
  await page.getByRole('navigation', { name: 'Desks of the bench' }).getByRole('link', { name }).click();
  await expect(page).toHaveURL(new RegExp(`/bench/`));
};

const addSender = async (page: Page, true_: string, reads: string, label = 'It reads') => {
  await page.getByLabel('True temperature').fill(true_);
  await page.getByLabel(label).fill(reads);
  await page.getByRole('button', { name: 'Add reading' }).click();
};

const addLift = async (page: Page, minute: number, water_c: number, lift_mm: number) => {
  await page.getByLabel('Minute').fill(String(minute));
  await page.locator('#pot-typed-water').fill(String(water_c));
  await page.getByLabel('Lift').fill(String(lift_mm));
  await page.getByRole('button', { name: 'Add reading' }).click();
};

const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

/** What the odds strip says of every cause. */
const odds = (page: Page) => page.getByTestId('share-strip').first().getAttribute('aria-label');

test('the sender’s desk names resistance in a plug, draws its error, moves the odds, and survives a reload', async ({
  page,
}) => {
  await newJob(page, 'Van 71');
  await openStage(page, '6');
  await expect(page.getByTestId('sender-verdict')).toContainText('Nothing measured yet');
  await expect(page.getByTestId('next-point')).toBeVisible();
  await expectClean(page);
  const before = await odds(page);

  await page.getByRole('button', { name: 'Points, smoothed' }).click();
  await page.getByRole('textbox', { name: /one pair a line/ }).fill('20 2500\n10 3790\n80 320');
  await expect(page.getByText(/out of order/)).toBeVisible();
  await page.getByRole('textbox', { name: /one pair a line/ }).fill(POINTS);
  await expect(page.getByTestId('residuals').locator('li')).toHaveCount(5);

  // What cannot be is told, and nothing is added.
  await addSender(page, '300', '100');
  await expect(page.getByRole('alert').filter({ hasText: '300 °C' })).toContainText('Nothing was added');
  await addSender(page, '20', '-5');
  await expect(page.getByRole('alert').filter({ hasText: 'not below 0' })).toBeVisible();
  await expect(page.getByTestId('sender-readings')).toHaveCount(0);

  await addSender(page, '90', withPlug(90, 60));
  await expect(page.getByTestId('sender-verdict')).toContainText('Cannot tell yet');
  for (const c of [1, 22, 97]) await addSender(page, String(c), withPlug(c, 60));
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(4);
  await expect(page.getByTestId('sender-verdict')).toContainText('Resistance in plug or wire');
  await expect(page.getByTestId('sender-verdict')).toContainText(/\d+ ± \d+ Ω/);
  await expect(page.getByTestId('sender-error').locator('.recharts-area')).toBeVisible();
  await expect(page.getByText(/hides overheating/)).toBeVisible();
  await expect(page.getByTestId('bench-move')).toContainText('times');
  expect(await odds(page)).not.toBe(before);
  await expectClean(page);

  await page.reload();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(4);
  // A reading that was a slip goes, and comes back by undo.
  await page.getByRole('button', { name: /Remove the reading at 22/ }).click();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(3);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(4);
  // Another test keeps the one before in the chronicle.
  await page.getByRole('button', { name: 'Test it again' }).click();
  await expect(page.getByText(/1 earlier test/)).toBeVisible();
  await openStage(page, '7');
  await expect(page.getByTestId('chronicle')).toContainText('Sender on the bench: 4 readings');
});

test('volts in their circuit, the needle, three readings at one moment, rails and a wiggled wire', async ({ page }) => {
  await newJob(page, 'Van 72');
  await openStage(page, '6');
  await page.getByRole('button', { name: 'Volts at the pin' }).click();
  await addSender(page, '20', '7');
  await expect(page.getByRole('alert').filter({ hasText: 'between 0 and the reference' })).toBeVisible();
  await page.getByLabel('It reads').fill('5');
  await page.getByRole('button', { name: 'Add reading' }).click();
  await addSender(page, '80', '5');
  await expect(page.getByTestId('sender-verdict')).toContainText('Open circuit');

  await page.getByLabel('Unplugged reads').fill('-40');
  await page.getByLabel('Bridged reads').fill('140');
  await expect(page.getByText(/What is left is the sender itself/)).toBeVisible();

  const still = Array.from({ length: 120 }, (_, i) => `${i / 2},${i > 60 && i < 64 ? -40 : 41}`);
  await page.getByTestId('wiggle-file').setInputFiles(file('wiggle.csv', `time_s,coolant °C\n${still.join('\n')}\n`));
  await expect(page.getByTestId('wiggle-result')).toContainText('2 leaps');
  await page.getByTestId('wiggle-file').setInputFiles(file('bad.csv', 'a,b\n1,2\n2,3\n3,4\n'));
  await expect(page.getByRole('alert').filter({ hasText: 'No column of time' })).toBeVisible();
  await expect(page.getByTestId('wiggle-result')).toContainText('2 leaps');

  await page.getByLabel('Reference').last().fill('92');
  await page.getByLabel('Scan', { exact: true }).fill('91');
  await page.getByLabel('Needle', { exact: true }).fill('70');
  await expect(page.getByText(/The needle is the odd one out/)).toBeVisible();

  await page.getByRole('button', { name: 'The gauge’s own sender' }).click();
  await page.getByRole('button', { name: 'Scan reading' }).click();
  for (const [c, shows] of [
    ['30', '18'],
    ['90', '78'],
  ] as const)
    await addSender(page, c, shows, 'Scan shows');
  await expect(page.getByTestId('needle').locator('li')).toHaveCount(3);
  await expect(page.getByText(/boil under a calm/)).toBeVisible();
  await expectClean(page);
});

test('the thermostat’s desk: typed lift, what cannot be, the other part, and its evidence', async ({ page }) => {
  await newJob(page, 'Van 73');
  await openStage(page, '6');
  await desk(page, 'Thermostat');
  await page.getByLabel('Stamped').fill('88');
  const course = waterTest(VALVE, COURSE);
  for (const r of course) await addLift(page, r.t_s / 60, r.water_c, r.lift_mm!);
  const rows = page.getByTestId('pot-readings').locator('tbody tr');
  await expect(rows).toHaveCount(course.length);
  await expect(page.getByTestId('pot-verdict')).toContainText('Opens too early');
  await expect(page.getByTestId('pot-verdict')).toContainText(/First movement\s*7\d\.\d °C ± \d\.\d °C/);
  await expect(page.getByTestId('pot-verdict')).toContainText(/Hysteresis\s*\d\.\d °C/);
  await expect(page.getByTestId('lift-chart').locator('.recharts-line')).toHaveCount(2);
  await expect(page.getByTestId('bench-move')).toContainText('Thermostat opens early');
  await addLift(page, 60, 300, 4);
  await expect(page.getByRole('alert').filter({ hasText: '300 °C' })).toContainText('Nothing was added');
  await expect(rows).toHaveCount(course.length);
  await expectClean(page);

  // The new part: its test moves nothing, and is offered where the work is written down.
  const moved = await odds(page);
  await page.getByRole('button', { name: 'New part, before it goes in' }).click();
  await expect(page.getByTestId('pot-verdict')).toContainText('Cannot tell yet');
  for (const r of waterTest({ ...VALVE, opens_c: 88, full_c: 99 }, COURSE))
    await addLift(page, r.t_s / 60, r.water_c, r.lift_mm!);
  await expect(page.getByText(/Passed: write the work down/)).toBeVisible();
  expect(await odds(page)).toBe(moved);
  await openStage(page, '7');
  await page.getByLabel('What was done').selectOption('replaced-thermostat');
  await expect(page.getByRole('checkbox', { name: /New part bench-tested/ })).toBeChecked();
});

test('a thermometer’s log, the clock beside the pot, light at the seat, and a valve too hot for water', async ({
  page,
}) => {
  await page.clock.install({ time: new Date('2026-03-02T10:00:00Z') });
  await newJob(page, 'Van 74');
  await openStage(page, '6');
  await desk(page, 'Thermostat');
  // A press without a temperature waits for one.
  await page.getByRole('button', { name: 'Closed', exact: true }).click();
  await expect(page.getByTestId('waiting')).toContainText('One press waits for a temperature');
  const log = Array.from({ length: 60 }, (_, i) => `${15 * i},${(60 + 0.7 * i).toFixed(1)}`).join('\n');
  await page.getByTestId('pot-log').setInputFiles(file('pot.csv', `time_s;water °C\n${log.replaceAll(',', ';')}\n`));
  await expect(page.getByText('60 temperatures of a log.')).toBeVisible();
  await expect(page.getByTestId('waiting')).toHaveCount(0);
  for (const [minutes, state] of [
    [4, 'Closed'],
    [4, 'Closed'],
    [2, 'Moving'],
    [4.5, 'Open'],
  ] as const) {
    await page.clock.runFor(60_000 * minutes);
    await page.getByRole('button', { name: state, exact: true }).click();
  }
  await expect(page.getByTestId('pot-readings').locator('tbody tr')).toHaveCount(5);
  await expect(page.getByTestId('pot-verdict')).toContainText(/First movement\s*8\d\.\d °C/);
  await page.reload();
  // It goes on from fourteen and a half; a machine that others load adds its own minutes.
  await expect(page.getByTestId('pot-clock')).toContainText(/^1[4-9]:/);
  await page.getByRole('button', { name: 'light', exact: true }).click();
  await expect(page.getByTestId('pot-verdict')).toContainText('Leaks when shut');
  await expect(page.getByText(/Cover the vent with a finger/)).toBeVisible();
  await page.getByLabel('Stamped').fill('102');
  await expect(page.getByText(/cannot open fully in it/)).toBeVisible();
  await page.getByRole('button', { name: 'Cleaned, test again' }).click();
  await expect(page.getByText('this test: after cleaning')).toBeVisible();
});

test('fan and circuits: the tree in the shop’s order, current against the fuse', async ({ page }) => {
  await newJob(page, 'Van 75');
  await openStage(page, '6');
  await desk(page, 'Fan and circuits');
  const before = await odds(page);
  await page.getByLabel('At its plug').fill('12.4');
  await page.getByLabel('Draws').fill('0');
  await expect(page.getByTestId('circuit-notes')).toContainText('the motor or its brushes');
  await expect(page.getByTestId('bench-move')).toContainText('Fan not running');
  expect(await odds(page)).not.toBe(before);
  await page.getByLabel('Draws').fill('27');
  await page.getByLabel('Its fuse').fill('30');
  await expect(page.getByTestId('circuit-notes')).toContainText('do not fit a larger');
  await page.getByLabel('Fuse blown so far').fill('2');
  await expect(page.getByTestId('circuit-notes')).toContainText('Blown 2 times');
  await page.getByRole('button', { name: /Later: Fuse/ }).click();
  await expect(page.getByTestId('fan-tree').locator('li').first()).toContainText('Command');
  await page.getByTestId('fan-tree').getByRole('button', { name: 'blown or dead' }).click();
  await expect(page.getByRole('button', { name: 'blown or dead' })).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(page.getByTestId('fan-tree').locator('li').first()).toContainText('Command');
  await expect(page.getByRole('button', { name: 'blown or dead' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/find why it blew/).first()).toBeVisible();
  await expectClean(page);
});

test('the coolant’s desk: strength on the right scale, boiling under the cap, hold and gas test', async ({ page }) => {
  await newJob(page, 'Van 76');
  await openStage(page, '6');
  await desk(page, 'Coolant');
  await page
    .getByRole('group', { name: 'Glycol in the car' })
    .getByRole('button', { name: 'Propylene glycol' })
    .click();
  await page
    .getByRole('group', { name: 'Scale of the refractometer' })
    .getByRole('button', { name: 'Ethylene glycol' })
    .click();
  await page.getByLabel('It shows').fill('-37');
  await expect(page.getByTestId('mix-result')).toContainText(
    /4\d % glycol, first crystals at -2\d °C|4\d % glycol, first crystals at -30 °C/,
  );
  await expect(page.getByText(/promises \d+ °C of/)).toBeVisible();
  await page.getByRole('group', { name: 'Glycol in the car' }).getByRole('button', { name: 'Ethylene glycol' }).click();
  await expect(page.getByTestId('mix-result')).toContainText('50 % glycol, first crystals at -37 °C');

  await page.getByLabel('It shows').fill('-300');
  await expect(page.getByText(/Between -75 °C and 1 °C/)).toBeVisible();
  await page.getByLabel('It shows').fill('');
  await expect(page.getByTestId('mix-result')).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('mix-result')).toContainText('50 %');

  await page.getByLabel('Glycol', { exact: true }).fill('47.6');
  await expect(page.getByLabel('Freezes at')).toHaveValue('-33.8');
  await page.getByLabel('Freezes at').fill('-22.3');
  await page.getByLabel('Freezes at').blur();
  await expect(page.getByLabel('Glycol', { exact: true })).toHaveValue('37.5');

  await page.getByLabel('Stamped').fill('103');
  await page.getByLabel('Releases at').fill('40');
  await expect(page.getByTestId('boils-now')).toContainText('cap as measured');
  await expect(page.getByText(/releases well below its stamp/)).toBeVisible();
  await page.getByLabel('Pumped to').fill('100');
  await page.getByLabel('Then', { exact: true }).fill('60');
  await page.getByLabel('After', { exact: true }).fill('10');
  await expect(page.getByTestId('hold-says')).toContainText('It fell by 40 kPa in 10 min');
  await page.getByRole('button', { name: 'fluid changes colour' }).click();
  await page.keyboard.press('e');
  await expect(page.getByText(/Combustion-gas test over the open tank/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expectClean(page);
});

test('a bench test without a job goes into one later, and comes out again by undo', async ({ page }) => {
  await newJob(page, 'Van 77');
  await page.goto('/bench');
  await expect(page.getByText('Nothing. Begin above')).toBeVisible();
  await page.getByRole('button', { name: 'A sender or a gauge' }).click();
  await expect(page.getByText('Bench, no job')).toBeVisible();
  await expect(page.getByTestId('headline')).toHaveCount(0);
  await page.getByRole('button', { name: 'Scan reading' }).click();
  for (const [c, shows] of [
    ['5', '-6'],
    ['60', '49'],
    ['95', '84'],
  ] as const)
    await addSender(page, c, shows, 'Scan shows');
  await expect(page.getByTestId('sender-verdict')).toContainText('Element shifted');
  await expectClean(page);
  // It is no job and its stand-in is no vehicle.
  await page.goto('/');
  await expect(page.getByRole('list', { name: 'Jobs' }).locator('li')).toHaveCount(1);
  await page.goto('/vehicles');
  await expect(page.getByText('Van 77')).toBeVisible();
  await expect(page.getByText('no vehicle')).toHaveCount(0);
  await page.goto('/bench');
  await page.getByTestId('loose-benches').getByRole('link').click();
  await page.getByLabel('Put it into a job').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Put in' }).click();
  await expect(page.getByTestId('headline')).toBeVisible();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(3);
  await expect(page.getByTestId('bench-move')).toContainText('Sender reads low');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('sender-readings')).toHaveCount(0);
  await page.goto('/bench');
  await expect(page.getByTestId('loose-benches').locator('li')).toHaveCount(1);
});

test('two tabs lose no reading, a full disk is told, and °F goes through', async ({ page, context }) => {
  await newJob(page, 'Van 78');
  await openStage(page, '6');
  await page.getByRole('button', { name: 'Scan reading' }).click();
  await addSender(page, '20', '19', 'Scan shows');
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(1);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Scan reading' }).click();
  await addSender(other, '60', '59', 'Scan shows');
  await addSender(page, '194F', '192F', 'Scan shows');
  for (const tab of [page, other]) await expect(tab.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(3);
  await expect(page.getByTestId('sender-readings')).toContainText('90.0 °C');
  await other.close();
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError');
    };
  });
  await addSender(page, '98', '97', 'Scan shows');
  await expect(page.getByText(/full|space/i).first()).toBeVisible();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(3);
});

test('the heater of a thermostat is measured before a part is ordered', async ({ page }) => {
  await page.goto('/vehicles/new?then=job');
  await page.getByLabel('Name or plate').fill('Van 79');
  await page.getByRole('checkbox', { name: 'Electrically heated' }).check();
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'What the customer says' })).toBeVisible();
  await openStage(page, '6');
  await desk(page, 'Thermostat');
  await page.getByRole('link', { name: 'Measure element, supply and control line' }).click();
  const heater = page.getByRole('region', { name: /Heater of the thermostat/ });
  await expect(heater).toContainText('a wire alone can set each of these codes');
  await heater.getByLabel('At the part').fill('14');
  await heater.getByLabel('Supply pin, key on').fill('0.2');
  await expect(heater.getByTestId('circuit-notes')).toContainText('No new part mends that');
  await expect(heater.getByTestId('bench-move')).toContainText('Thermostat heating fault');
});

judged('a viscous fan is judged by time and reading, never by hand', async ({ page }) => {
  await page.goto(`${DEMO}/`);
  await expect(page.getByText('Library').first()).toBeVisible();
  await page.goto(`${DEMO}/jobs/demo-library/bench/fan`);
  await expect(page.getByRole('heading', { name: 'Clutch by time and reading' })).toBeVisible();
  await expect(page.getByText(/Never judge or stop a fan clutch by hand/).first()).toBeVisible();
  await page.getByLabel('Roars from').fill('35');
  await expect(page.getByTestId('circuit-notes')).toContainText('locked');
});

test('a sheet for paper, a curve that is not complete, and readings that a changed circuit cannot have', async ({
  page,
}) => {
  await newJob(page, 'Van 81');
  await openStage(page, '6');
  await page.getByRole('button', { name: 'Volts at the pin' }).click();
  await addSender(page, '20', '4.2');
  await page.getByText('Its circuit').click();
  await page.getByLabel('Reference').first().fill('3.3');
  await expect(page.getByText(/between 0 and the reference of 3.3 V.*Nothing is made of the readings/)).toBeVisible();
  await page.getByLabel('Reference').first().fill('5');
  await expect(page.getByText(/Nothing is made of the readings/)).toHaveCount(0);
  await page.getByRole('button', { name: 'A table, followed exactly' }).click();
  await expect(page.getByText(/2 points are needed, got 0.*Nothing is made/)).toBeVisible();
  await expect(page.getByTestId('sender-readings').locator('tbody tr')).toHaveCount(1);
  // What a field cannot hold stays in it, with the range that it can.
  await page.getByRole('button', { name: 'One point and beta' }).click();
  await page.getByLabel('Beta').fill('50');
  await expect(page.getByText(/Between 1000 K and 8000 K.*still counts/)).toBeVisible();
  await page.getByLabel('Beta').fill('3900');
  await expect(page.getByText(/still counts/)).toHaveCount(0);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByTestId('print-head')).toBeVisible();
  await expect(page.getByTestId('print-head')).toContainText('Bench: sender and gauge');
  await expect(page.getByRole('button', { name: 'Add reading' })).toBeHidden();
  await expect(page.getByTestId('sender-readings')).toBeVisible();
});
