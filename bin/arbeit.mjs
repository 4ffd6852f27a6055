#!/usr/bin/env node
// Runs the command line. It is bundled from cli/ and engine/ the first time and whenever they are newer.
import { build } from '../scripts/cli-bundle.mjs';

await import(await build());
