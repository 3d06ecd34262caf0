#!/usr/bin/env node
// Builds the app for the check, whose types were checked a moment before; nothing where the build is of these sources.
import { ensureBuild } from './packages.mjs';

ensureBuild({ VARMEK_TYPES_CHECKED: '1' });
