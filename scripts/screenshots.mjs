#!/usr/bin/env node
// Takes the pictures in docs/screenshots from the demo garage. Usage: npm run screenshots
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { withDemo } from './demoBrowser.mjs';
import { root } from './packages.mjs';

let page;
let base;
const shot = (name) =>
  page.screenshot({ path: path.join(root, 'docs', 'screenshots', `${name}.png`), animations: 'disabled' });
const go = (to) => page.goto(base + to);

const demoLog = (name) => readFileSync(path.join(root, 'public', 'demo', name), 'utf8');
const csv = (name, text) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

async function deskShot() {
  await go('/jobs/demo-library/desk');
  await page.getByTestId('features').waitFor({ timeout: 60_000 });
  await page.getByLabel('Lay over').selectOption('leading');
  await page.getByRole('tab', { name: 'Circuit' }).click();
  await page.getByTestId('desk-temperature').hover({ position: { x: 420, y: 60 } });
  await page.waitForTimeout(800);
  await shot('desk');
}

async function benchShot() {
  await go('/jobs/demo-harbour/bench/sender');
  await page.getByTestId('sender-readings').waitFor();
  await page.waitForTimeout(800);
  await shot('bench-sender');
}

/** A case half way: a test, a drive, the picture of it. */
async function practiceShot() {
  await go('/practice');
  await page.getByRole('button', { name: 'Clear', exact: true }).click();
  await page.getByTestId('practice-card').waitFor();
  await page.getByRole('button', { name: /Top radiator hose two minutes/ }).click();
  await page.getByRole('button', { name: 'Drive', exact: true }).click();
  await page.getByRole('button', { name: /Drive and log it/ }).click();
  await page.getByTestId('practice-drive').waitFor();
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await page.getByLabel('What is it?').selectOption('thermostat-stuck-open');
  await page.waitForTimeout(1000);
  await shot('practice');
}

async function repairShots() {
  const base = '/jobs/demo-ferry-early/repair';
  await go(base);
  await page.getByTestId('planned-part').first().waitFor();
  await page.waitForTimeout(500);
  await shot('repair-plan');
  await go('/jobs/demo-harbour/repair/bleed');
  await page.getByRole('combobox', { name: 'Procedure' }).selectOption('high-funnel');
  await page.getByRole('button', { name: 'Start' }).first().click();
  for (const name of ['Done', 'Done', 'Skip the rest']) {
    await page.getByRole('button', { name, exact: true }).click();
    await page.waitForTimeout(700);
  }
  await page.getByTestId('step-due').filter({ hasText: 'minute' }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(6000);
  await shot('repair-bleed');
  await page.getByRole('button', { name: 'Pause' }).click();
}

async function proofShots() {
  await go('/jobs/demo-parcel/prove');
  await page.getByTestId('proof-changes').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(600);
  await shot('prove');
  await go('/jobs/demo-school/report');
  await page.getByTestId('report-changes').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await page.getByTestId('paper').evaluate((e) => e.scrollIntoView());
  await shot('report');
  await go('/history');
  await page.getByTestId('first-right').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(600);
  await shot('history');
}

async function liveShot() {
  await go('/jobs/demo-arrival/drive/live');
  await page.getByLabel('Simulated vehicle').selectOption('thermostat-leaking');
  await page.getByLabel('How fast').selectOption('60');
  await page.getByRole('button', { name: 'Start logging' }).click();
  await page.waitForTimeout(9000);
  await page.getByRole('button', { name: 'Heater hot' }).click();
  await page.getByRole('heading', { level: 1 }).first().hover();
  await shot('live');
  await page.getByRole('button', { name: 'Stop logging' }).click();
}

async function triageShot() {
  await go('/triage');
  const logs = [
    ['ferry office 2 monday.csv', 'ferry-early.csv'],
    ['ferry office 2 hot.csv', 'ferry-short.csv'],
    ['gritter 4 night run.csv', 'gritter.csv'],
    ['harbour pick-up.csv', 'harbour.csv'],
    ['district nurse 7.csv', 'nurse.csv'],
    ['unknown van.csv', 'library.csv'],
  ];
  await page
    .getByTestId('triage-files')
    .setInputFiles([
      ...logs.map(([name, from]) => csv(name, demoLog(from))),
      csv('library bus rpm only.csv', 'time_s,rpm\n0,700\n1,710\n2,720\n'),
    ]);
  await page.waitForTimeout(15_000);
  await shot('triage');
}

async function keepingShot() {
  await go('/jobs/demo-arrival/arrival');
  await page.locator('summary', { hasText: 'Job' }).click();
  await page.getByRole('button', { name: 'Delete job' }).click();
  await page.getByText(/is in the bin for/).waitFor();
  await go('/keeping');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  await page.getByTestId('backup-file').setInputFiles(await (await saving).path());
  await page.getByTestId('restore-preview').waitFor();
  await page.getByRole('button', { name: 'Close message' }).last().click();
  await shot('keeping');
}

async function caseShots() {
  await go('/jobs/demo-gritter/case');
  await page.getByLabel('What was done').selectOption('replaced-thermostat');
  await page.getByLabel('Part, rating, source').fill('88 °C, with seal');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await page.getByTestId('now-and-then').waitFor();
  await page.waitForTimeout(6000);
  await shot('case');
  await go('/jobs/demo-ferry-early/decide');
  await page.getByTestId('actions').waitFor();
  await page.waitForTimeout(500);
  await shot('decide');
}

await withDemo(async (fresh, address) => {
  page = fresh;
  base = address;
  await go('/');
  await page.getByRole('link', { name: /Island taxi/ }).waitFor();
  await page
    .getByText('Not judged yet')
    .first()
    .waitFor({ state: 'visible' })
    .catch(() => undefined);
  await page.waitForFunction(() => !/Not judged yet|Working it out/.test(document.body.innerText), undefined, {
    timeout: 120_000,
  });
  await shot('jobs');
  await go('/jobs/demo-gritter');
  await page.getByTestId('chart').locator('svg path').first().waitFor();
  await page.waitForTimeout(600);
  await shot('trace');
  await go('/jobs/demo-arrival/arrival');
  await page.getByRole('checkbox', { name: 'Heater weak or never hot' }).click();
  await page.getByRole('checkbox', { name: /Gauge low on the road/ }).click();
  await page.getByLabel('Code', { exact: true }).fill('P0128');
  await page.getByRole('button', { name: 'Add the code' }).click();
  await page.getByText('Does not prove').waitFor();
  await shot('arrival');
  await go('/jobs/demo-arrival/cold-look');
  await page
    .getByRole('group', { name: 'Level against the cold mark' })
    .getByRole('button', { name: 'at the mark' })
    .click();
  await page.waitForTimeout(300);
  await shot('cold-look');
  await go('/jobs/demo-arrival/drive');
  await page.getByTestId('tells-apart').waitFor({ timeout: 60_000 });
  await page.getByLabel('Heater blower').fill('50');
  await page.waitForTimeout(6000);
  await shot('drive');
  await go('/vehicles/demo-survey');
  await page.getByTestId('drift-trends').waitFor();
  await page.waitForTimeout(400);
  await shot('vehicle');
  await deskShot();
  await benchShot();
  await proofShots();
  await repairShots();
  await liveShot();
  await triageShot();
  await caseShots();
  await practiceShot();
  await keepingShot();
});
