// Finds Chromium, or installs Debian's with apt when it may. Node builtins only.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { say } from './packages.mjs';

const CANDIDATES = [process.env.CHROMIUM_PATH, '/usr/bin/chromium', '/usr/bin/chromium-browser'];
const find = () => CANDIDATES.find((path) => path && existsSync(path));

function apt(...argv) {
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  return spawnSync('apt-get', ['-q', ...argv], { stdio: ['ignore', 2, 2], env }).status === 0;
}

/** Path of a Chromium; null when there is none and it could not be installed. */
export function ensureChromium() {
  let path = find();
  const mayInstall = process.platform === 'linux' && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0;
  for (let attempt = 0; !path && mayInstall && attempt < 3; attempt++) {
    say("Installing Debian's chromium");
    if (apt('update') && apt('install', '-y', '--no-install-recommends', 'chromium')) path = find();
  }
  if (!path) say('Chromium is missing: install it (Debian: apt-get install chromium) or set CHROMIUM_PATH.');
  return path ?? null;
}
