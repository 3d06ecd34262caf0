import os from 'node:os';
import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname, 'src') } },
  test: {
    environment: 'node',
    testTimeout: 300_000,
    env: { TZ: 'UTC' },
    maxWorkers: os.availableParallelism(),
    projects: [
      // Test files share a worker's modules, which saves loading them once per file: one project after the other, as a
      // worker ends where the next file is of another.
      {
        extends: true,
        test: { name: 'src', include: ['src/**/*.test.ts'], isolate: false, sequence: { groupOrder: 2 } },
      },
      {
        extends: true,
        resolve: {
          alias: [
            // There are no workers here: what they do is done at once, for every file alike.
            { find: '@/workers/client', replacement: path.resolve(import.meta.dirname, 'tests/unit/coreClient.ts') },
            { find: '@', replacement: path.resolve(import.meta.dirname, 'src') },
          ],
        },
        test: {
          name: 'across',
          include: ['tests/unit/**/*.test.ts'],
          isolate: false,
          unstubGlobals: true,
          sequence: { groupOrder: 1 },
        },
      },
    ],
  },
});
