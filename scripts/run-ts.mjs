#!/usr/bin/env node
// Runs a TypeScript entry with the packages in place: run-ts.mjs FILE [arguments].
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensurePackages, root } from './packages.mjs';

ensurePackages();
process.env.TSX_TSCONFIG_PATH ??= path.join(root, 'tsconfig.json');
const [entry, ...rest] = process.argv.slice(2);
process.argv = [process.argv[0], entry, ...rest];
const { register } = await import('tsx/esm/api');
register();
await import(pathToFileURL(path.resolve(root, entry)).href);
