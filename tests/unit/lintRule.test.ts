import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ESLint } from 'eslint';
import { parser } from 'typescript-eslint';
import { describe, expect, it } from 'vitest';
import rule from '../../scripts/lint/noDroppedResult.mjs';

const ROOT = path.join(import.meta.dirname, '..', '..');
const FILE = path.join(ROOT, 'tests', 'fixtures', 'lint', 'dropped.ts');

describe('the rule against dropped results', () => {
  it('finds every kind of dropping, and nothing else', async () => {
    const eslint = new ESLint({
      cwd: ROOT,
      overrideConfigFile: true,
      overrideConfig: [
        {
          files: ['**/*.ts'],
          languageOptions: { parser, parserOptions: { projectService: true, tsconfigRootDir: ROOT } },
          plugins: { varmek: { rules: { 'no-dropped-result': rule } } },
          rules: { 'varmek/no-dropped-result': 'error' },
        },
      ],
    });
    const [report] = await eslint.lintFiles([FILE]);
    const found = report!.messages.map((m) => `${m.line} ${m.messageId}`);
    const wanted = readFileSync(FILE, 'utf8')
      .split('\n')
      .flatMap((line, i) => {
        const kind = /\/\/ (dropped|unread|swallowed)$/.exec(line)?.[1];
        return kind ? [`${i + 1} ${kind}`] : [];
      });
    expect(wanted).toHaveLength(4);
    expect(found).toEqual(wanted);
  });
});
