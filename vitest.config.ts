import os from 'node:os';
import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname, 'src') } },
  test: {
    environment: 'node',
    testTimeout: 120_000,
    env: { TZ: 'UTC' },
    maxWorkers: os.availableParallelism(),
    projects: [
      // What stands in src is tested without a store: its tests share a worker's modules, which saves loading them once
      // per file. Those that open one, or run the command line, have a worker of their own each.
      { extends: true, test: { name: 'src', include: ['src/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'across', include: ['tests/unit/**/*.test.ts'] } },
    ],
  },
});
