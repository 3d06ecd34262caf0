#!/usr/bin/env node
// Installs when needed, builds when needed, starts with the demo garage. Usage: npm run demo -- [--port N]
import { parseArgs } from 'node:util';
import { ensureBuild, ensurePackages, say } from './packages.mjs';
import { runNext } from './serve.mjs';

const { values } = parseArgs({ options: { port: { type: 'string', default: process.env.PORT ?? '3000' } } });
ensurePackages();
ensureBuild();
say(`\nVarmek with the demo garage: http://127.0.0.1:${values.port}  (Ctrl-C stops it)\n`);
runNext(['start', '-H', '127.0.0.1', '-p', values.port], { VARMEK_DEMO: '1' });
