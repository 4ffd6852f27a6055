#!/usr/bin/env node
import { run } from './arbeit.ts';

// The reader may stop early: `arbeit … | head` ends without an error.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit();
});

const code = await run(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
});
// Not process.exit: output still in a pipe must arrive.
process.exitCode = code;
