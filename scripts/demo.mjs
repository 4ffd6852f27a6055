import { spawn } from 'node:child_process';
import { createRequire } from 'node:module';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { install } from './install.mjs';
import { buildStudio, studio } from './studio.mjs';

// Installs, builds, and serves the demo. The server itself opens the store, brings it up to date and seeds
// it.
const port = process.env.PORT ?? '4000';
// Only this machine reaches it, unless it is told otherwise; ARBEIT_HOSTS then names what it answers to.
const host = process.env.ARBEIT_HOST ?? '127.0.0.1';

await new Promise((free) => {
  const probe = createServer();
  probe.once('error', (error) => {
    process.stderr.write(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use. Stop what uses it, or choose another: PORT=4001 npm run demo\n`
        : `Port ${port} cannot be used (${error.code}). Choose another with PORT.\n`,
    );
    process.exit(1);
  });
  probe.listen(Number(port), host, () => probe.close(free));
});

install();
if (!buildStudio()) process.exit(1);

// Next itself, not through npx: what ends this process must end the server.
const next = createRequire(join(studio, 'package.json')).resolve('next/dist/bin/next');
const server = spawn(process.execPath, [next, 'start', '-p', port, '-H', host], {
  cwd: studio,
  stdio: ['ignore', 'ignore', 'inherit'],
  // Ending it well is the studio's own (app/ending.ts).
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NEXT_MANUAL_SIG_HANDLE: 'true' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

// The address is told once a page has come: until then the store may still turn out to be in use.
const address = `http://localhost:${port}`;
for (let isUp = false; !isUp; ) {
  await new Promise((later) => setTimeout(later, 250));
  isUp = await fetch(address).then(
    (response) => response.ok,
    () => false,
  );
}
process.stdout.write(`\nArbeit is at ${address}\n\n`);
