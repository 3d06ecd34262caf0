import { expect, test } from '@playwright/test';
import { runFaults } from '../../scripts/faults/runFaults';
import { PORT } from './support';

test('a short run of killed tabs, refused writes, little room and broken migrations loses nothing said to be kept', async ({
  browser,
}) => {
  test.slow();
  const report = await runFaults(browser, `http://127.0.0.1:${PORT}`, { seed: 16, rounds: 16, roundsOfGarage: 8 });
  expect(report.losses).toEqual([]);
  expect(report.killed).toBeGreaterThan(2);
  expect(report.refused).toBeGreaterThan(1);
  expect(report.tight).toBeGreaterThan(2);
  expect(report.migrations).toBeGreaterThan(0);
  expect(report.claims).toBeGreaterThan(1);
});
