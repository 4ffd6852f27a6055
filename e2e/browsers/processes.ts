import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A port that nothing listens on now. */
export async function freePort(): Promise<number> {
  const server = createServer();
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as { readonly port: number };
  server.close();
  await once(server, 'close');
  return port;
}

/** A folder of its own, and how it is removed. */
export function ownFolder(name: string): { readonly path: string; remove(): void } {
  const path = mkdtempSync(join(tmpdir(), `arbeit-${name}-`));
  return { path, remove: () => rmSync(path, { recursive: true, force: true, maxRetries: 5 }) };
}

/** Ends a process and waits until it is gone. */
export async function end(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = once(child, 'exit');
  child.kill('SIGKILL');
  await gone;
}

/** A screen without a monitor (Xvfb), of its own: browsers that share one take the focus from each other. */
export async function screen(): Promise<{ readonly display: string; close(): Promise<void> }> {
  const child = spawn('Xvfb', ['-displayfd', '1', '-screen', '0', '1400x1000x24', '-nolisten', 'tcp'], {
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  const [number] = (await once(child.stdout!, 'data')) as [Buffer];
  return { display: `:${String(number).trim()}`, close: () => end(child) };
}
