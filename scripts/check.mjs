#!/usr/bin/env node
// Everything that must hold: format, lint, types, import rules, unit and browser tests. Installs what is missing.
// Its last line is `N passed, N failed`; each check beside the tests counts as one.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root, say } from './packages.mjs';

ensurePackages();
const chromium = ensureChromium();
const reports = path.join(root, 'test-results');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

let passed = 0;
let failed = 0;
const tool = (name) => path.join(root, 'node_modules', '.bin', name);

function spawn(name, argv, env = {}) {
  return spawnSync(tool(name), argv, {
    cwd: root,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, TZ: 'UTC', ...env },
  });
}

/** One check that passes or fails as a whole. */
function check(title, ...commands) {
  say(`\n== ${title}`);
  const good = commands.every(([name, ...argv]) => spawn(name, argv).status === 0);
  if (good) passed++;
  else failed++;
  say(`${good ? 'ok' : 'FAILED'}: ${title}`);
}

/** Tests with a JSON report; a run that leaves no report, or no test, has failed. */
function tests(title, command, file, env, count) {
  say(`\n== ${title}`);
  const [name, ...argv] = command;
  const { status } = spawn(name, argv, env);
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

check('format', ['prettier', '--check', '--log-level', 'warn', '.']);
check('lint', ['eslint', '.', '--max-warnings', '0']);
check('types', ['next', 'typegen'], ['tsc', '--noEmit'], ['tsc', '-p', 'src/core/tsconfig.json']);
check('import rules', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src']);
tests(
  'unit tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'],
  'unit.json',
  {},
  (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }),
);
if (chromium) {
  ensureBuild();
  tests('browser tests', ['playwright', 'test'], 'browser.json', { CHROMIUM_PATH: chromium }, (report) => ({
    passed: report.stats.expected,
    failed: report.stats.unexpected + report.stats.flaky,
  }));
} else failed++;

process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 ? 1 : 0;
