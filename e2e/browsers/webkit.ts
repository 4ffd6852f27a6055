import { spawn } from 'node:child_process';
import { type Driven, keyActions, until } from './driven.ts';
import { end, freePort, ownFolder, screen } from './processes.ts';

/** WebKitGTK by WebDriver over HTTP, in a window on a screen of its own, or on the one that is named. */
export async function webkit({ display }: { readonly display?: string } = {}): Promise<Driven> {
  const own = display ? undefined : await screen();
  const home = ownFolder('webkit');
  const port = await freePort();
  const child = spawn('WebKitWebDriver', [`--port=${port}`, '--host=127.0.0.1'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      HOME: home.path,
      XDG_RUNTIME_DIR: home.path,
      DISPLAY: display ?? own?.display,
      GDK_BACKEND: 'x11',
      NO_AT_BRIDGE: '1',
      WEBKIT_DISABLE_COMPOSITING_MODE: '1',
      WEBKIT_DISABLE_DMABUF_RENDERER: '1',
      LIBGL_ALWAYS_SOFTWARE: '1',
    },
  });
  const http = async (method: 'GET' | 'POST' | 'DELETE', path: string, body?: object): Promise<unknown> => {
    const response = await fetch(`http://127.0.0.1:${port}${path}`, {
      method,
      ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {}),
    });
    const { value } = (await response.json()) as { value: { error?: string; message?: string } | null };
    if (value?.error) throw new Error(`${path}: ${value.error}: ${value.message}`);
    return value;
  };
  await until(() =>
    http('GET', '/status').then(
      () => true,
      () => undefined,
    ),
  );
  const binary = '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser';
  const { sessionId } = (await http('POST', '/session', {
    capabilities: { alwaysMatch: { 'webkitgtk:browserOptions': { binary, args: ['--automation'] } } },
  })) as { readonly sessionId: string };
  const session = `/session/${sessionId}`;
  // Bounds for a hang, not measures of speed.
  await http('POST', `${session}/timeouts`, { script: 600_000, pageLoad: 600_000 });
  const evaluate = async (fn: string, args: readonly unknown[]): Promise<unknown> => {
    const answer = (await http('POST', `${session}/execute/async`, {
      script: `const done = arguments[arguments.length - 1]; (async () => (${fn})(...JSON.parse(arguments[0])))().then((value) => done(JSON.stringify({ value })), (error) => done(JSON.stringify({ error: String(error) })));`,
      args: [JSON.stringify(args)],
    })) as string;
    const { value, error } = JSON.parse(answer) as { readonly value?: unknown; readonly error?: string };
    if (error !== undefined) throw new Error(error);
    return value;
  };
  return {
    name: 'webkit',
    goto: async (url) => {
      await http('POST', `${session}/url`, { url });
    },
    // What comes back is what the function returned, as JSON has it.
    run: (fn, ...args) => evaluate(String(fn), args) as ReturnType<Driven['run']> as never,
    keys: async (...chords) => {
      await http('POST', `${session}/actions`, {
        actions: [{ type: 'key', id: 'keys', actions: keyActions(chords) }],
      });
    },
    back: async () => {
      await http('POST', `${session}/back`, {});
    },
    async close() {
      await http('DELETE', session).catch(() => {});
      await end(child);
      await own?.close();
      home.remove();
    },
  };
}
