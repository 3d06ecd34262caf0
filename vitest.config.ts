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
      // Core is pure: its tests share a worker's modules, which saves loading them once per file.
      { extends: true, test: { name: 'core', include: ['src/core/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: {
          name: 'rest',
          include: ['src/**/*.test.ts', 'tests/unit/**/*.test.ts'],
          exclude: ['src/core/**', 'node_modules/**'],
        },
      },
    ],
  },
});
