import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { type Driven, keyActions, until } from './driven.ts';
import { end, freePort, ownFolder } from './processes.ts';

/** What the browser answers (WebDriver BiDi). */
interface Answer {
  readonly id?: number;
  readonly type: 'success' | 'error' | 'event';
  readonly result?: Readonly<Record<string, unknown>>;
  readonly error?: string;
  readonly message?: string;
}

const preferences = {
  'browser.shell.checkDefaultBrowser': false,
  'datareporting.policy.dataSubmissionEnabled': false,
  'app.update.enabled': false,
  'browser.startup.page': 0,
  'dom.events.testing.asyncClipboard': true,
  // Nobody looks at its window: it counts as the active one all the same.
  'focusmanager.testmode': true,
};

/** A session of WebDriver BiDi, over its socket. */
interface Session {
  send(method: string, params?: object): Promise<Readonly<Record<string, unknown>>>;
  end(): void;
}

async function sessionAt(port: number): Promise<Session> {
  const socket = await until(
    () =>
      new Promise<WebSocket | undefined>((resolve) => {
        const one = new WebSocket(`ws://127.0.0.1:${port}/session`);
        one.once('open', () => resolve(one));
        one.once('error', () => resolve(undefined));
      }),
  );
  let last = 0;
  const waiting = new Map<number, (answer: Answer) => void>();
  socket.on('message', (data) => {
    const answer = JSON.parse(String(data)) as Answer;
    if (answer.id !== undefined) waiting.get(answer.id)?.(answer);
  });
  return {
    async send(method, params = {}) {
      const id = ++last;
      const answered = new Promise<Answer>((resolve) => waiting.set(id, resolve));
      socket.send(JSON.stringify({ id, method, params }));
      const { type, result = {}, error, message } = await answered;
      if (type === 'error') throw new Error(`${method}: ${error}: ${message}`);
      return result;
    },
    end: () => socket.terminate(),
  };
}

/** Firefox by WebDriver BiDi; `display`: in a window on that screen, else without one. */
export async function firefox({ display }: { readonly display?: string } = {}): Promise<Driven> {
  const profile = ownFolder('firefox');
  const lines = Object.entries(preferences).map(
    ([name, value]) => `user_pref(${JSON.stringify(name)}, ${JSON.stringify(value)});`,
  );
  writeFileSync(join(profile.path, 'user.js'), lines.join('\n'));
  const port = await freePort();
  const args = ['--no-remote', '--profile', profile.path, '--remote-debugging-port', String(port)];
  args.push('--remote-allow-system-access');
  const window = display ? { DISPLAY: display, MOZ_ENABLE_WAYLAND: '0', GDK_BACKEND: 'x11' } : {};
  const child = spawn('firefox-esr', display ? args : ['--headless', ...args], {
    stdio: 'ignore',
    env: { ...process.env, MOZ_CRASHREPORTER_DISABLE: '1', ...window },
  });
  const { send, end: hangUp } = await sessionAt(port);
  await send('session.new', { capabilities: {} });
  const { contexts } = (await send('browsingContext.getTree')) as {
    readonly contexts: readonly [{ readonly context: string }];
  };
  const { context } = contexts[0];
  const evaluate = async (fn: string, args: readonly unknown[]): Promise<unknown> => {
    const answer = (await send('script.callFunction', {
      functionDeclaration: `async (text) => JSON.stringify({ value: await (${fn})(...JSON.parse(text)) })`,
      arguments: [{ type: 'string', value: JSON.stringify(args) }],
      target: { context },
      awaitPromise: true,
      userActivation: true,
    })) as { type: string; result: { value: string }; exceptionDetails?: { text: string } };
    if (answer.type === 'exception') throw new Error(answer.exceptionDetails?.text);
    return (JSON.parse(answer.result.value) as { readonly value: unknown }).value;
  };
  // A window without a screen is not active by itself: nothing in it would have the focus.
  const chrome = (await send('browsingContext.getTree', { 'moz:scope': 'chrome' })) as {
    readonly contexts: readonly [{ readonly context: string }];
  };
  const activate = async (): Promise<void> => {
    await send('browsingContext.activate', { context });
    await send('script.callFunction', {
      functionDeclaration: '() => { window.focus(); gBrowser.selectedBrowser.focus(); }',
      target: { context: chrome.contexts[0].context },
      awaitPromise: true,
    });
    await until(async () => (await evaluate('() => document.hasFocus()', [])) || undefined);
  };
  return {
    name: 'firefox',
    goto: async (url) => {
      await send('browsingContext.navigate', { context, url, wait: 'complete' });
      await activate();
    },
    // What comes back is what the function returned, as JSON has it.
    run: (fn, ...args) => evaluate(String(fn), args) as ReturnType<Driven['run']> as never,
    keys: async (...chords) => {
      await send('input.performActions', {
        context,
        actions: [{ type: 'key', id: 'keys', actions: keyActions(chords) }],
      });
    },
    // `traverseHistory` does not come back from the page cache.
    back: async () => {
      await evaluate('() => { setTimeout(() => history.back()); }', []);
    },
    async close() {
      hangUp();
      await end(child);
      profile.remove();
    },
  };
}
