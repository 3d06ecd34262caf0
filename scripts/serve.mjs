// Starts `next start` on loopback and hands signals on. Node builtins only.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { root } from './packages.mjs';

/** Runs Next with the given arguments until it ends; this process ends with it. */
export function runNext(argv, env) {
  const next = path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
  const child = spawn(process.execPath, [next, ...argv], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code, signal) => process.exit(code ?? (signal ? 0 : 1)));
}
