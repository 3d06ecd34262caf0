import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { describe, expect, it } from 'vitest';

const SCRIPT = path.join(import.meta.dirname, '../../scripts/kernel.mjs');

describe('the kernel', () => {
  it('that is shipped is what its source gives', () => {
    expect(execFileSync(process.execPath, [SCRIPT, '--check'], { encoding: 'utf8' })).toBe('');
  });
});
