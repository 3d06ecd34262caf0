#!/usr/bin/env node
// Everything that must hold: format, lint, types, import rules, unit and browser tests. Installs what is missing.
// Its last line is `N passed, N failed`; each check beside the tests counts as one.
import { spawn as start, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { ensurePackages, root, say } from './packages.mjs';

ensurePackages();
const chromium = ensureChromium();
const reports = path.join(root, 'test-results');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

let passed = 0;
let failed = 0;
const tool = (name) => path.join(root, 'node_modules', '.bin', name);

const options = (env, out) => ({ cwd: root, stdio: ['ignore', out, out], env: { ...process.env, TZ: 'UTC', ...env } });

/** Runs a tool and keeps what it prints. @returns whether it went well, and the text */
function quietly(command, argv) {
  return new Promise((resolve) => {
    const child = start(command, argv, options({}, 'pipe'));
    let text = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (text += part));
    child.on('error', (error) => resolve({ good: false, text: `${text}${error.message}\n` }));
    child.on('close', (status) => resolve({ good: status === 0, text }));
  });
}

/** One check that passes or fails as a whole; told when it has ended, as others run beside it. */
async function check(title, ...commands) {
  let good = true;
  let printed = '';
  for (const [command, ...argv] of commands) {
    const ran = await quietly(command, argv);
    printed += ran.text;
    good &&= ran.good;
    if (!good) break;
  }
  if (good) passed++;
  else failed++;
  say(`\n== ${title}\n${printed}${good ? 'ok' : 'FAILED'}: ${title}`);
}

/** Tests with a JSON report; a run that leaves no report, or no test, has failed. */
function tests(title, command, file, env, count) {
  say(`\n== ${title}`);
  const [name, ...argv] = command;
  const { status } = spawnSync(tool(name), argv, options(env, 2));
  let counts = { passed: 0, failed: 0 };
  try {
    counts = count(JSON.parse(readFileSync(path.join(reports, file), 'utf8')));
  } catch (error) {
    say(`${title}: no report (${error.message})`);
  }
  passed += counts.passed;
  failed += counts.failed;
  if (counts.failed === 0 && (status !== 0 || counts.passed === 0)) failed++;
}

const types = [
  [tool('next'), 'typegen'],
  [tool('tsc'), '--noEmit'],
  [tool('tsc'), '-p', 'src/core/tsconfig.json'],
];
await Promise.all([
  check('lint', [tool('eslint'), '.', '--max-warnings', '0']),
  // The others together take about as long as lint alone.
  check('format', [tool('prettier'), '--check', '--log-level', 'warn', '.'])
    .then(() => check('types', ...types))
    .then(() => check('import rules', [tool('depcruise'), '--config', '.dependency-cruiser.cjs', 'src']))
    .then(() => check('build', [process.execPath, path.join(root, 'scripts', 'build.mjs')])),
]);
tests(
  'unit tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'],
  'unit.json',
  {},
  (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }),
);
if (chromium) {
  tests('browser tests', ['playwright', 'test'], 'browser.json', { CHROMIUM_PATH: chromium }, (report) => ({
    passed: report.stats.expected,
    failed: report.stats.unexpected + report.stats.flaky,
  }));
} else failed++;

process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 ? 1 : 0;
