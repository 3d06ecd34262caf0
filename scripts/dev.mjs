#!/usr/bin/env node
// next dev on loopback, without its look-up of the newest Next version.
import { ensurePackages } from './packages.mjs';
import { runNext } from './serve.mjs';

ensurePackages();
const options = `${process.env.NODE_OPTIONS ?? ''} --require ./scripts/no-network.cjs`.trim();
runNext(['dev', '-H', '127.0.0.1', ...process.argv.slice(2)], { NODE_OPTIONS: options, VARMEK_DEMO: '1' });
