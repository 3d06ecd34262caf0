import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';
import noDroppedResult from './scripts/lint/noDroppedResult.mjs';

/** The rules about React's hooks: most of their time goes into compiling every file as if it were a screen. */
const HOOKS = nextVitals
  .flatMap(({ rules }) => Object.keys(rules ?? {}))
  .filter((rule) => rule.startsWith('react-hooks/'));

export default defineConfig([
  ...nextVitals,
  ...nextTypescript,
  prettier,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'warn',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-empty': ['error', { allowEmptyCatch: false }],
    },
  },
  {
    // No screens: in src the import rule react-is-for-screens sees to that.
    files: ['src/{core,cli,server,storage,workers}/**', 'scripts/**', 'tests/**'],
    rules: Object.fromEntries(HOOKS.map((rule) => [rule, 'off'])),
  },
  {
    // Needs types; the rule concerns what screens and stores do with results.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { varmek: { rules: { 'no-dropped-result': noDroppedResult } } },
    rules: {
      'varmek/no-dropped-result': 'error',
      'no-restricted-properties': [
        'error',
        {
          object: 'Comlink',
          property: 'proxy',
          message: 'Use what callWorker hands over: it is deaf after the answer.',
        },
      ],
    },
  },
  { files: ['src/workers/callWorker.ts'], rules: { 'no-restricted-properties': 'off' } },
  globalIgnores([
    '.next/**',
    'node_modules/**',
    'dist/**',
    'coverage/**',
    'test-results/**',
    'playwright-report/**',
    'next-env.d.ts',
    // AssemblyScript: its own compiler checks it.
    'src/core/**/kernel/assembly/**',
  ]),
]);
