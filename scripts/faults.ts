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
  const report = await runFaults(browser, address, { seed, rounds }, (line) => process.stderr.write(`${line}\n`));
  await browser.close();
  const { killed, refused, tight, tightBroken, migrations, claims, losses } = report;
  process.stdout.write(
    `${rounds} rounds: ${killed} killed in the middle, ${refused} with writes refused, ` +
      `${tight} with little room (${tightBroken} broken by it), ${migrations} migrations broken off; ` +
      `${claims} claims, ${losses.length} losses\n`,
  );
  for (const loss of losses) process.stdout.write(`  ${loss}\n`);
  process.exitCode = losses.length > 0 ? 1 : 0;
} finally {
  server.kill();
}
