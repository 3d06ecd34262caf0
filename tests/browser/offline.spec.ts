import { spawn, type ChildProcess } from 'node:child_process';
import { expect, newJob, openStage, PORT, test, warmUp } from './support';

test.use({ serviceWorkers: 'allow', baseURL: `http://127.0.0.1:${PORT + 2}` });

const ADDRESS = `http://127.0.0.1:${PORT + 2}`;
let server: ChildProcess | null = null;

async function start(env: Record<string, string> = {}): Promise<void> {
  server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT + 2)],
    { stdio: 'ignore', env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env } },
  );
  await expect(async () => expect((await fetch(ADDRESS)).ok).toBe(true)).toPass({ timeout: 60_000 });
}

async function stop(): Promise<void> {
  const ending = server;
  server = null;
  if (!ending) return;
  const ended = new Promise((done) => ending.on('exit', done));
  ending.kill('SIGTERM');
  await ended;
  await expect(async () => expect(await fetch(ADDRESS).catch(() => null)).toBeNull()).toPass({ timeout: 60_000 });
}

test.afterEach(stop);

test('opens and works when the server is gone; a newer version comes whole and on a word', async ({ page }) => {
  await start();
  await newJob(page, 'Van 81');
  await page.getByRole('checkbox', { name: 'Slow to warm up' }).click();
  await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    if (active?.state !== 'activated') await new Promise((done) => (active!.onstatechange = done));
  });
  await expect(async () =>
    expect(await page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true),
  ).toPass();
  // It can be installed; a browser in private mode, as this one, offers it to nobody.
  const devtools = await page.context().newCDPSession(page);
  const { installabilityErrors } = await devtools.send('Page.getInstallabilityErrors');
  expect(installabilityErrors.map((e) => e.errorId)).toEqual(['in-incognito']);
  await stop();

  // The same address anew, every stage of the job, a job that is new, a log that is read and judged.
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'Slow to warm up' })).toBeChecked();
  await openStage(page, '2');
  await openStage(page, '4');
  await page
    .getByTestId('log-file')
    .setInputFiles({ name: 'drive.csv', mimeType: 'text/csv', buffer: Buffer.from(warmUp(64, { minutes: 14 })) });
  await expect(page.getByTestId('why')).toBeVisible({ timeout: 240_000 });
  await openStage(page, '7');
  await expect(page.getByText('drive.csv').first()).toBeVisible();
  await page.goto('/keeping');
  await expect(page.getByRole('heading', { name: 'What is kept' })).toBeVisible();
  await newJob(page, 'Van 82');
  await page.goto('/jobs/nowhere/arrival');
  await expect(page.getByRole('heading', { name: 'This job is not here' })).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('Van 81')).toBeVisible();
  await expect(page.getByText('Van 82')).toBeVisible();

  // The server comes again, started in another way: that is another version.
  await start({ VARMEK_DEMO: '1' });
  await page.goto('/vehicles');
  await expect(page.getByTestId('newer-version')).toBeVisible();
  const versions = () => page.evaluate(async () => (await caches.keys()).map((name) => name.endsWith(' demo')));
  expect(await versions()).toEqual([false, true]);
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Take it over now' }).click()]);
  await expect(page.getByText('Van 81')).toBeVisible();
  await expect(page.getByTestId('newer-version')).toHaveCount(0);
  await stop();
  await page.goto('/');
  await expect(page.getByText('Van 82')).toBeVisible();
});

test('a copy that could not be fetched whole is not kept', async ({ page, context }) => {
  await start();
  await context.route('**/demo/garage.json', (route) => route.abort());
  await page.goto('/keeping');
  await expect(page.getByRole('heading', { name: 'What is kept' })).toBeVisible();
  const state = await page.evaluate(async () => {
    const registration = await navigator.serviceWorker.register('/sw.js').catch(() => null);
    const worker = registration?.installing;
    if (worker) await new Promise((done) => (worker.onstatechange = done));
    return { kept: await caches.keys(), active: registration?.active?.state ?? null };
  });
  expect(state).toEqual({ kept: [], active: null });
});
