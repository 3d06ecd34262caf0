// Kills tabs and fills the disk at moments drawn by chance, in real Chromium, and looks what is lost.
// Usage: npm run faults -- [SEED] [ROUNDS]
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { runFaults } from './faults/runFaults';

const [seed = 1, rounds = 50] = process.argv.slice(2).map(Number);
const PORT = 3417;
const address = `http://127.0.0.1:${PORT}`;
const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)],
  { stdio: 'ignore' },
);
try {
  for (let i = 0; i < 60; i++) {
    if (
      await fetch(address)
        .then((r) => r.ok)
        .catch(() => false)
    )
      break;
    await new Promise((done) => setTimeout(done, 500));
  }
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
  });
  const context = await browser.newContext({ acceptDownloads: true });
  // The loader of this script gives functions a helper of its own, which a page does not have.
  await context.addInitScript({ content: 'globalThis.__name = (f) => f;' });
  const report = await runFaults(context, address, seed, rounds, (line) => process.stderr.write(`${line}\n`));
  await browser.close();
  const { killed, full, losses } = report;
  process.stdout.write(
    `${rounds} rounds: ${killed} killed in the middle, ${full} on a full disk, ${losses.length} losses\n`,
  );
  for (const loss of losses) process.stdout.write(`  ${loss}\n`);
  process.exitCode = losses.length > 0 ? 1 : 0;
} finally {
  server.kill();
}
