import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { handOff, sourcesFrom } from '@arbeit/handoff/emit';
import { expect, type Page, test } from '@playwright/test';
import { until } from './browsers/driven.ts';
import { end, freePort } from './browsers/processes.ts';

/**
 * A real page of Next.js with a real button: what the framework adds to a form is for nobody to make up. With
 * scripts and without.
 */
const root = fileURLToPath(new URL('..', import.meta.url));
const set = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { id: 'mobile', kind: 'pattern', label: 'Mobile', entry: { pattern: '<4 digit> <4 digit>' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'tick' }, initial: 'yes' },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
  ],
  forms: [{ id: 'booking', title: 'Booking', fields: ['mobile', 'dog', 'pin'] }],
} as unknown as SetDocument; // biome-ignore format: a field a line

const files = {
  'package.json': '{ "name": "huts", "private": true, "type": "module" }',
  'next.config.mjs': `export default { turbopack: { root: ${JSON.stringify(root)} } };`,
  'app/layout.jsx':
    'export default function Layout({ children }) { return <html lang="en"><body>{children}</body></html>; }',
  'app/page.jsx':
    "import { Booking } from './booking.jsx';\nexport default function Page() { return <Booking />; }",
  'app/actions.js': `'use server';
import { checkBooking } from '../fields/server.js';
const day = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' });
async function send(_, formData) {
  const checked = await checkBooking(formData, { today: day.format(new Date()) });
  if (checked.ok && checked.record.raw.mobile === '00000000')
    return { ok: false, findings: [{ field: 'mobile', code: 'taken', message: 'This number is taken.' }] };
  return checked.ok ? { ok: true, values: checked.record.values, ignored: checked.ignored } : checked;
}
export { send };`,
  'app/booking.jsx': `'use client';
import { useActionState, useEffect } from 'react';
import { bookingForm } from '../fields/fields.js';
import { Control, Label, Message, useField, useForm } from '../fields/react.js';
import { send } from './actions.js';
function One({ field, store }) {
  const live = useField(field, { store });
  return <div {...live.rootProps}><Label field={live} /><Control field={live} /><Message field={live} /></div>;
}
function Booking() {
  const { store, formProps } = useForm(bookingForm);
  const [state, action] = useActionState(send, null);
  useEffect(() => { if (state?.findings) store.dispatch({ type: 'sent', findings: state.findings }); }, [state, store]);
  return (
    <form {...formProps} action={action}>
      <input type="hidden" name="csrf_token" value="t" />
      {bookingForm.fields.map((field) => <One key={field.id} field={field} store={store.field(field.id)} />)}
      <button name="by" value="button">Send</button>
      <output>{state && JSON.stringify(state)}</output>
    </form>
  );
}
export { Booking };`,
};

// One build for both.
test.describe.configure({ mode: 'default' });

let folder = '';
let server: ChildProcess;
let address = '';
test.beforeAll(async () => {
  mkdirSync(join(root, 'test-results'), { recursive: true });
  folder = mkdtempSync(join(root, 'test-results', 'next-'));
  const handed = await handOff({ set, sources: sourcesFrom(root), uses: ['react', 'server'] });
  const all = [
    ...Object.entries(files),
    ...[...handed].map(([path, text]) => [`fields/${path}`, text] as const),
  ];
  for (const [path, text] of all) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  const next = join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
  const built = spawnSync(process.execPath, [next, 'build'], { cwd: folder, env, encoding: 'utf8' });
  expect(built.status, built.stdout + built.stderr).toBe(0);
  const port = await freePort();
  address = `http://127.0.0.1:${port}/`;
  server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: folder,
    env,
    stdio: 'ignore',
  });
  await until(() =>
    fetch(address).then(
      (response) => response.ok || undefined,
      () => undefined,
    ),
  );
});
test.afterAll(async () => {
  if (server) await end(server);
  rmSync(folder, { recursive: true, force: true });
});

const answered = async (page: Page) => JSON.parse((await page.locator('output').textContent()) ?? 'null');
const send = (page: Page) => page.getByRole('button', { name: 'Send' }).click();

test('with scripts: held back until ready, then taken; what the server says stands at its field', async ({
  page,
}) => {
  const posts: string[] = [];
  page.on('request', (request) => request.method() === 'POST' && posts.push(request.url()));
  await page.goto(address);
  // Taken over by React: until then the browser would send it as it is.
  await expect(page.locator('form')).toHaveJSProperty('noValidate', true);
  await page.waitForFunction(() =>
    Object.keys(document.querySelector('form') ?? {}).some((key) => key.startsWith('__react')),
  );
  await send(page);
  await expect(page.getByLabel('Mobile')).toBeFocused();
  await expect(page.getByText('Please fill in this field.')).toBeVisible();
  expect(posts).toEqual([]);
  await page.getByLabel('Mobile').pressSequentially('00000000');
  await page.getByLabel('PIN').pressSequentially('1357');
  await send(page);
  await expect(page.getByText('This number is taken.').first()).toBeVisible();
  await expect(page.getByLabel('Mobile')).toBeFocused();
  // React would empty a form whose action is done: what was typed stays.
  await expect(page.getByLabel('Mobile')).toHaveValue('0000 0000');
  await expect(page.getByLabel('PIN')).toHaveValue('1357');
  await page.getByLabel('Mobile').fill('20790123');
  await page.getByRole('checkbox').uncheck();
  await page.keyboard.press('Tab');
  await send(page);
  await expect.poll(async () => (await answered(page))?.ok).toBe(true);
  expect(await answered(page)).toMatchObject({
    values: { mobile: '20790123', dog: 'no', pin: '1357' },
    ignored: expect.arrayContaining(['csrf_token', 'by']),
  });
});

test.describe('without scripts', () => {
  test.use({ javaScriptEnabled: false });

  test('what the framework and the button add is ignored, what is wrong is said', async ({ page }) => {
    await page.goto(address);
    await page.getByLabel('Mobile').fill('2079');
    await send(page);
    expect(await answered(page)).toMatchObject({
      ok: false,
      findings: [{ field: 'mobile', code: 'incomplete' }],
    });
    await page.getByLabel('Mobile').fill('20790123');
    await page.getByRole('checkbox').uncheck();
    await send(page);
    const taken = await answered(page);
    // An unticked box is not sent: its initial value does not take its place.
    expect(taken).toMatchObject({ ok: true, values: { mobile: '20790123', dog: 'no', pin: null } });
    expect(taken.ignored).toEqual(expect.arrayContaining(['csrf_token', 'by']));
  });
});
