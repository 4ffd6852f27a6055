#!/usr/bin/env node
import { run } from './arbeit.ts';

const code = await run(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
});
// Not process.exit: what is still on its way down a pipe must arrive.
process.exitCode = code;
