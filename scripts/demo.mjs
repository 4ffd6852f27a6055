import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { install } from './install.mjs';
import { buildStudio, studio } from './studio.mjs';

// Installs, builds, and serves the demo. The server itself opens the store, brings it up to date and seeds it.
const port = process.env.PORT ?? '4000';

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
  probe.listen(Number(port), () => probe.close(free));
});

install();
if (!buildStudio()) process.exit(1);

const server = spawn('npx', ['next', 'start', '-p', port], {
  cwd: studio,
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
});
server.stdout.on('data', (chunk) => {
  if (String(chunk).includes('Ready')) process.stdout.write(`\nArbeit is at http://localhost:${port}\n\n`);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
