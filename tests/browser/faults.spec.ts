import { expect, test } from '@playwright/test';
import { runFaults } from '../../scripts/faults/runFaults';
import { PORT } from './support';

test('a short run of killed tabs and full disks loses nothing that was said to be kept', async ({ browser }) => {
  test.slow();
  const context = await browser.newContext({ acceptDownloads: true });
  const report = await runFaults(context, `http://127.0.0.1:${PORT}`, 16, 12);
  expect(report.losses).toEqual([]);
  expect(report.killed).toBeGreaterThan(2);
  expect(report.full).toBeGreaterThan(1);
  expect(report.claims).toBeGreaterThan(1);
  await context.close();
});
