#!/usr/bin/env node
import { run } from './arbeit.ts';

// Whoever reads has seen enough: `arbeit … | head` ends without a word.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit();
});

const code = await run(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
});
// Not process.exit: what is still on its way down a pipe must arrive.
process.exitCode = code;
