// Node builtins only: this runs before node_modules exists. Everything it prints goes to standard error.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
process.env.NEXT_TELEMETRY_DISABLED = '1';
process.env.NEXT_IGNORE_INCORRECT_LOCKFILE = '1';

export const say = (text) => process.stderr.write(text + '\n');

export function run(command, argv, options = {}) {
  const r = spawnSync(command, argv, { cwd: root, stdio: ['ignore', 2, 2], ...options });
  if (r.error) throw r.error;
  if (r.status !== 0) {
    say(`${command} ${argv.join(' ')} ended with ${r.status ?? r.signal}`);
    process.exit(r.status ?? 1);
  }
}

/** One hash over files and folders, paths relative to the project. */
export function digest(paths) {
  const hash = createHash('sha256');
  const add = (relative) => {
    const full = path.join(root, relative);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) add(`${relative}/${name}`);
    } else hash.update(relative).update('\0').update(readFileSync(full)).update('\0');
  };
  for (const relative of paths) add(relative);
  return hash.digest('hex');
}

export const readStamp = (relative) => {
  const full = path.join(root, relative);
  return existsSync(full) ? readFileSync(full, 'utf8').trim() : '';
};
export const writeStamp = (relative, text) => writeFileSync(path.join(root, relative), text + '\n');

/** `npm ci` when node_modules is missing or was made from another lock, node or platform. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    say(`Node 20.19 or newer is needed; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const wanted = [digest(['package.json', 'package-lock.json']), process.version, process.platform, process.arch].join(
    ' ',
  );
  if (readStamp('node_modules/.app-stamp') === wanted) return;
  say('Installing packages (npm ci), once');
  const argv = ['ci', '--include=dev', '--no-audit', '--no-fund'];
  const npmCli = process.env.npm_execpath; // set by `npm run`
  if (npmCli) run(process.execPath, [npmCli, ...argv]);
  else run('npm', argv, { shell: process.platform === 'win32' });
  writeStamp('node_modules/.app-stamp', wanted);
}

/** Builds the app when its sources changed since the last build; `env` is added to what the build sees. */
export function ensureBuild(env = {}) {
  const sources = digest([
    'src',
    'public',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
    'package-lock.json',
  ]);
  if (readStamp('.next/app-stamp') === sources) return;
  say('Building (next build)');
  run(process.execPath, [path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'build'], {
    env: { ...process.env, ...env },
  });
  writeStamp('.next/app-stamp', sources);
}
