#!/usr/bin/env node
// Runs the command line. It is bundled from packages/cli/src/ and packages/engine/src/ the first time
// and whenever they are newer.
import { build } from '../scripts/cli-bundle.mjs';
import { buildPackages } from '../scripts/packages.mjs';

const bundle = await build();
// What is handed off is made of the packages as they are built.
if (process.argv[2] === 'build' && !buildPackages()) process.exit(2);
await import(bundle);
