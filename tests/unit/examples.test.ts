import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';

/** Runs every `@example expr // => value` in core's docstrings against the module it stands in. */
const CORE = path.join(import.meta.dirname, '..', '..', 'src', 'core');

const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
  (f) => f.endsWith('.ts') && !f.endsWith('.test.ts'),
);
const examples = files.flatMap((file) =>
  [...readFileSync(path.join(CORE, file), 'utf8').matchAll(/@example (.+?) \/\/ => (.+?)(?: \*\/)?$/gm)].map(
    (m) => [file, m[1]!, m[2]!] as const,
  ),
);

describe('examples in docstrings', () => {
  it('there are some', () => expect(examples.length).toBeGreaterThan(4));

  it.each(examples)('%s: %s', async (file, expression, value) => {
    const loaded = (await import(path.join(CORE, file))) as Record<string, unknown>;
    const evaluate = (code: string) =>
      new Function(...Object.keys(loaded), `return (${code})`)(...Object.values(loaded)) as unknown;
    expect(evaluate(expression)).toEqual(evaluate(value.trim()));
  });
});
