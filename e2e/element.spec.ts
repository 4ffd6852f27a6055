import { fileURLToPath } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { nativeField } from '@arbeit/handoff/emit';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { build } from 'esbuild';
import * as words from '../apps/studio/words/index.ts';
import { expectNoViolations } from './axe.ts';

/** The elements on pages of their own: to a page and its forms they are what native controls are. */
const set = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { id: 'pass', kind: 'pattern', label: 'Hut pass', hint: 'On the back.', entry: { pattern: '<2 latin upper>-<4 digit>', ghost: true }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'mail', kind: 'text', label: 'E-mail', placeholder: 'guest@huts.example', entry: {}, look: { label: 'inside' } },
    { id: 'weight', kind: 'number', label: 'Weight', entry: {}, look: { label: 'beside', size: 'small', before: 'about', behind: 'kg', width: 6, icon: '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>' } },
    { id: 'extras', kind: 'choices', label: 'Extras', entry: { options: [{ value: 'wood', label: 'Firewood' }, { value: 'tea', label: 'Tea' }] } },
    { id: 'hut', kind: 'choice', label: 'Hut', entry: { options: [{ value: 'a', label: 'Hut A' }, { value: 'b', label: 'Hut B' }] } },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'radio' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
    { id: 'dog-name', kind: 'text', label: 'Its name', entry: {}, when: { field: 'dog', is: true } },
    { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 3 } },
    { id: 'card', kind: 'pattern', label: 'Card', entry: { pattern: '<2 digit>' }, rules: [{ id: 'known', check: { type: 'remote', ask: '/ask' } }] },
  ],
  forms: [
    { id: 'stay', title: 'Stay', fields: ['pass', 'dog', 'dog-name'] },
    { id: 'asked', title: 'Asked', fields: ['card'] },
  ],
} as unknown as SetDocument; // biome-ignore format: a field a line

let script = '';
test.beforeAll(async () => {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { boxes, defineFields, defineForms, picks } from '@arbeit/element';
        import { askByFetch, driveFormAsks } from '@arbeit/dom';
        import { compile } from '@arbeit/engine/document';
        import { kinds } from '@arbeit/engine/kinds';
        const { fields, forms } = compile(${JSON.stringify(set)}, kinds);
        defineForms(forms, { drive: (store) => driveFormAsks(store, askByFetch()) });
        defineFields(fields, { drawings: [boxes, picks] });`,
      resolveDir: fileURLToPath(new URL('..', import.meta.url)),
    },
    bundle: true,
    write: false,
    format: 'iife',
    // Not the project's own paths: they lead to sources beside what is built, and both would be there.
    tsconfigRaw: '{}',
  });
  script = outputFiles[0]!.text;
});

const origin = 'http://localhost:4319/elements/';
/** A page of this markup; scripts come when the test says so. */
async function put(page: Page, markup: string, isAlive = true): Promise<void> {
  await page.route(`${origin}**`, (route) =>
    route.request().method() === 'POST' || route.request().url().includes('elsewhere')
      ? route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>There</title><p>Arrived</p>' })
      : route.fulfill({
          contentType: 'text/html',
          body: `<!doctype html><html lang="en"><meta charset="utf-8"><title>Huts</title><main>${markup}</main>${isAlive ? `<script>${script}</script>` : ''}</html>`,
        }),
  );
  await page.goto(origin);
}
const alive = (page: Page) => page.addScriptTag({ content: script });
const field = (id: string, more = '') => `<arbeit-field field="${id}" ${more}></arbeit-field>`;
const data = (page: Page) =>
  page.evaluate(() =>
    [...new FormData(document.querySelector('form')!)].map(([name, value]) => `${name}=${value}`).join('&'),
  );

test('it stands in its form as a native control does: data, elements, reset, disabled', async ({ page }) => {
  await put(
    page,
    `<form><fieldset>${['pass', 'extras', 'hut', 'pin', 'remarks'].map((id) => field(id)).join('')}</fieldset></form>`,
  );
  await page.getByLabel('Hut pass').pressSequentially('ab1234');
  await page.getByLabel('Firewood').check();
  await page.getByLabel('Tea').check();
  await page.getByLabel('Hut', { exact: true }).selectOption('b');
  await page.getByLabel('PIN').pressSequentially('1357');
  await page.getByLabel('Remarks').pressSequentially('late');
  expect(await data(page)).toBe('pass=AB1234&extras=wood&extras=tea&hut=b&pin=1357&remarks=late');
  expect(
    await page.evaluate(() => {
      const { elements } = document.forms[0]!;
      const pass = elements.namedItem('pass') as HTMLInputElement;
      return [
        [...elements].map((one) => one.getAttribute('name')).join(),
        pass.value,
        pass.form === document.forms[0],
        pass.type,
      ];
    }),
  ).toEqual([',pass,extras,hut,pin,remarks', 'AB1234', true, 'arbeit-field']);
  await page.evaluate(() => { document.querySelector('fieldset')!.disabled = true; }); // biome-ignore format: one line
  await expect(page.getByLabel('Hut pass')).toBeDisabled();
  await expect(page.getByLabel('Tea')).toBeDisabled();
  expect(await data(page)).toBe('');
  await page.evaluate(() => { document.querySelector('fieldset')!.disabled = false; }); // biome-ignore format: one line
  await page.evaluate(() => document.forms[0]!.reset());
  expect(await data(page)).toBe('pass=&hut=&pin=&remarks=');
  await expect(page.getByLabel('Hut pass')).toHaveValue('');
  await expect(page.getByLabel('Tea')).not.toBeChecked();
});

test('it is valid or not as a native control is, and shows its own message in place of the browser’s', async ({
  page,
}) => {
  await put(page, `<form>${field('pass')}<button>Send</button></form>`);
  const told = () =>
    page.evaluate(() => {
      const pass = document.querySelector('arbeit-field') as HTMLElement & HTMLInputElement;
      return [pass.matches(':invalid'), pass.validity.valid, pass.validationMessage, pass.willValidate];
    });
  expect(await told()).toEqual([true, false, 'Please fill in this field.', true]);
  // A program that only asks shows nobody anything.
  expect(await page.evaluate(() => document.forms[0]!.checkValidity())).toBe(false);
  expect(
    await page.evaluate(() => (document.querySelector('arbeit-field') as HTMLInputElement).checkValidity()),
  ).toBe(false);
  await page.getByRole('button').click();
  await expect(page.getByText('Please fill in this field.')).toBeVisible();
  await expect(page.locator('arbeit-field')).toHaveAttribute('data-wrong', '');
  await expect(page.getByLabel('Hut pass')).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('Hut pass').pressSequentially('ab1234');
  expect(await told()).toEqual([false, true, '', true]);
  await expect(page.locator('arbeit-field')).toHaveAttribute('data-valid', '');
  await expect(page.locator('arbeit-field')).not.toHaveAttribute('data-wrong', '');
});

test('what somebody typed comes back with the page; what was typed before scripts came is kept', async ({
  page,
}) => {
  await put(page, `<form>${field('pass')}${field('extras')}</form>`);
  await page.getByLabel('Hut pass').pressSequentially('ab12');
  await page.getByLabel('Tea').check();
  await page.goto(`${origin}elsewhere`);
  await page.goBack();
  await expect(page.getByLabel('Hut pass')).toHaveValue('AB-12');
  await expect(page.getByLabel('Tea')).toBeChecked();

  await page.unrouteAll();
  const fallback = '<label for="pass">Hut pass</label><input id="pass" name="pass">';
  const boxes =
    '<label><input type="checkbox" name="extras" value="wood"> Firewood</label><label><input type="checkbox" name="extras" value="tea"> Tea</label>';
  await put(
    page,
    `<form><arbeit-field field="pass">${fallback}</arbeit-field><arbeit-field field="extras">${boxes}</arbeit-field></form>`,
    false,
  );
  await page.getByLabel('Hut pass').pressSequentially('cd34');
  await page.getByLabel('Tea').check();
  expect(await data(page)).toBe('pass=cd34&extras=tea');
  await alive(page);
  await expect(page.getByLabel('Hut pass')).toHaveValue('CD-34');
  await expect(page.getByLabel('Tea')).toBeChecked();
  expect(await data(page)).toBe('pass=CD34&extras=tea');
});

test('in shadow roots, open and closed: keys in the middle, the label outside, events that get out', async ({
  page,
}) => {
  await put(
    page,
    '<div id="open"></div><div id="closed"></div><form><label for="own">Of the page</label><arbeit-field id="own" field="pin"></arbeit-field></form>',
  );
  await page.evaluate(() => {
    for (const mode of ['open', 'closed'] as const) {
      const root = document.querySelector(`#${mode}`)!.attachShadow({ mode });
      root.innerHTML = '<form><arbeit-field field="pass"></arbeit-field></form>';
      Object.assign(window, { [`${mode}Field`]: root.querySelector('arbeit-field') });
    }
    const heard: string[] = [];
    Object.assign(window, { heard });
    for (const type of ['input', 'change'])
      (window as unknown as Record<string, HTMLElement>).openField!.addEventListener(type, () =>
        heard.push(type),
      );
  });
  await page.locator('#open').getByLabel('Hut pass').pressSequentially('abcd');
  for (const mode of ['open', 'closed'] as const) {
    await page.evaluate(
      (name) => (window as unknown as Record<string, HTMLElement>)[`${name}Field`]!.focus(),
      mode,
    );
    await page.keyboard.press('Control+A');
    await page.keyboard.type('ab1234');
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('9');
    const read = (name: string) => {
      const element = (window as unknown as Record<string, HTMLElement & { value: string }>)[`${name}Field`]!;
      const input = element.shadowRoot!.querySelector('input')!;
      return [element.value, input.value, input.selectionStart];
    };
    expect(await page.evaluate(read, mode), mode).toEqual(['AB9234', 'AB-9234', 4]);
  }
  await page.getByText('Of the page').click();
  await page.keyboard.type('12');
  expect(await page.evaluate(() => (document.querySelector('#own') as HTMLInputElement).value)).toBe('12');
  const heard = await page.evaluate(() => (window as unknown as { heard: string[] }).heard);
  expect([...new Set(heard)]).toEqual(['input', 'change']);
});

test('slots, parts and custom properties for what is drawn; nothing moves when a message comes', async ({
  page,
}) => {
  await put(
    page,
    `<style>arbeit-field { --arbeit-width: 9rem; --arbeit-wrong: rgb(1, 2, 3) } arbeit-field::part(input) { background: rgb(4, 5, 6) } arbeit-field[data-active]::part(label) { color: rgb(7, 8, 9) }</style>
     <form><arbeit-field field="pass"><b slot="label">Pass of the hut</b><i slot="before">№</i><span slot="after">!</span><em slot="hint">See <a href="#x">there</a>.</em></arbeit-field><p id="after">After</p></form>`,
  );
  const input = page.getByRole('textbox', { name: 'Pass of the hut' });
  const top = () => page.locator('#after').evaluate((element) => element.getBoundingClientRect().top);
  const before = await top();
  await input.focus();
  expect(
    await input.evaluate((element) => [
      getComputedStyle(element).backgroundColor,
      Math.round(element.closest('[part~=frame]')!.getBoundingClientRect().width),
    ]),
  ).toEqual(['rgb(4, 5, 6)', 144]);
  expect(await page.getByText('Pass of the hut').evaluate((element) => getComputedStyle(element).color)).toBe(
    'rgb(7, 8, 9)',
  );
  await input.blur();
  await expect(page.getByText('Please fill in this field.')).toHaveCSS('color', 'rgb(1, 2, 3)');
  expect(await top()).toBe(before);
  await expect(page.getByText('№')).toBeVisible();
  await expect(page.getByRole('link', { name: 'there' })).toBeVisible();
});

test('a look: a label inside moves away and swallows no click; signs, an icon, a width, a size', async ({
  page,
}) => {
  await put(page, `<h1>Huts</h1><form>${field('mail')}${field('weight')}</form>`);
  const mail = page.getByLabel('E-mail');
  const boxOf = (of: Locator) => of.evaluate((element) => element.getBoundingClientRect().toJSON());
  const label = page.locator('[field="mail"] [part~=label]');
  const before = await boxOf(label);
  const input = await boxOf(mail);
  expect([before.top > input.top, before.bottom < input.bottom]).toEqual([true, true]);
  // The placeholder waits until the label is out of its way.
  const inkOf = () => mail.evaluate((element) => getComputedStyle(element, '::placeholder').color);
  expect(await inkOf()).toBe('rgba(0, 0, 0, 0)');
  await page.mouse.click(before.x + before.width / 2, before.y + before.height / 2);
  await expect(mail).toBeFocused();
  expect(await inkOf()).not.toBe('rgba(0, 0, 0, 0)');
  await page.keyboard.type('a@b');
  await expect.poll(async () => (await boxOf(label)).height).toBeLessThan(before.height);
  // It covers nothing of what is typed.
  const padding = await mail.evaluate((element) => Number.parseFloat(getComputedStyle(element).paddingTop));
  await expect
    .poll(async () => (await boxOf(label)).bottom, 'the label on its way up')
    .toBeLessThanOrEqual(input.top + padding + 1);
  await mail.blur();
  expect((await boxOf(label)).height).toBeLessThan(before.height);

  const weight = page.getByLabel(words.handoff.weight);
  const host = page.locator('[field="weight"]');
  await expect(host).toHaveAttribute('data-label', 'beside');
  await expect(page.getByText('kg')).toBeVisible();
  await expect(host.locator('svg circle')).toBeAttached();
  expect((await boxOf(page.locator('[field="weight"] [part~=label]'))).right).toBeLessThan(
    (await boxOf(weight)).left,
  );
  expect((await boxOf(weight)).width).toBeLessThan(120);
  await expect(weight).toHaveAccessibleName(words.handoff.weight);
  await expectNoViolations(page);
});

test('a form’s element: fields share its state, it is held back at the first wrong one, sent by a script or by the browser', async ({
  page,
}) => {
  const inside = `${field('pass')}${field('dog')}${field('dog-name')}<button>Send</button>`;
  await put(
    page,
    `<form method="post" action="${origin}bookings"><arbeit-form form="stay">${inside}</arbeit-form></form>`,
  );
  await expect(page.getByLabel('Its name')).toBeHidden();
  await page.getByLabel('Yes').check();
  await page.getByLabel('Its name').fill('Biscuit');
  await page.getByRole('button').click();
  await expect(page.getByLabel('Hut pass')).toBeFocused();
  await expect(page.getByText('Please fill in this field.')).toBeVisible();
  await page.keyboard.type('ab1234');
  await page.evaluate(() => {
    const form = document.querySelector('arbeit-form') as HTMLElement & { send: unknown };
    const sent: unknown[] = [];
    Object.assign(window, { sent });
    form.send = async (record: { values: unknown }) => {
      sent.push(record.values);
      return [{ field: 'pass', code: 'gone', message: 'This pass has run out.' }];
    };
    form.addEventListener('arbeit-record', (event) => sent.push((event as CustomEvent).detail.raw));
  });
  await page.getByRole('button').click();
  await expect(page.getByText('This pass has run out.')).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { sent: unknown[] }).sent)).toEqual([
    { pass: 'AB1234', dog: 'yes', 'dog-name': 'Biscuit' },
    { pass: 'AB1234', dog: 'yes', 'dog-name': 'Biscuit' },
  ]);
  await page.evaluate(() => { (document.querySelector('arbeit-form') as unknown as { send: undefined }).send = undefined; }); // biome-ignore format: one line
  await page.getByLabel('Hut pass').press('Backspace');
  await page.keyboard.type('5');
  await page.getByLabel('No', { exact: true }).check();
  const posted = page.waitForRequest((request) => request.method() === 'POST');
  await page.getByRole('button').click();
  expect((await posted).postData()).toBe('pass=AB1235&dog=no');
  await expect(page.getByText('Arrived')).toBeVisible();
});

test('what a script gave elements before they were any of ours is taken over', async ({ page }) => {
  await put(
    page,
    `<form><arbeit-form form="stay">${field('pass')}${field('dog')}<button>Send</button></arbeit-form></form>`,
    false,
  );
  await page.evaluate(() => {
    const sent: unknown[] = [];
    Object.assign(window, { sent });
    Object.assign(document.querySelector('[field="pass"]')!, { value: 'AB1234' });
    Object.assign(document.querySelector('arbeit-form')!, {
      send: async ({ raw }: { raw: unknown }) => {
        sent.push(raw);
        return [];
      },
    });
  });
  await alive(page);
  await expect(page.getByLabel('Hut pass')).toHaveValue('AB-1234');
  await page.getByLabel('No', { exact: true }).check();
  await page.getByRole('button').click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { sent: unknown[] }).sent))
    .toEqual([{ pass: 'AB1234', dog: 'no' }]);
});

test('two hand-offs on one page: each runs its own fields and forms, whichever came first', async ({
  page,
}) => {
  const other = {
    arbeit: 2,
    title: 'Lockers',
    locale: 'en-GB',
    fields: [
      { id: 'locker', kind: 'pattern', label: 'Locker', entry: { pattern: '<2 digit>/<2 digit>' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
      // The first hand-off has a field of this name too.
      { id: 'pass', kind: 'pattern', label: 'Locker pass', entry: { pattern: '<3 digit>' } },
    ],
    forms: [{ id: 'lockers', title: 'Lockers', fields: ['locker', 'pass'] }],
  }; // biome-ignore format: a field a line
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { boxes, defineFields, defineForms, picks } from '@arbeit/element';
        import { compile } from '@arbeit/engine/document';
        import { kinds } from '@arbeit/engine/kinds';
        const { fields, forms } = compile(${JSON.stringify(other)}, kinds);
        defineForms(forms);
        defineFields(fields, { drawings: [boxes, picks] });`,
      resolveDir: fileURLToPath(new URL('..', import.meta.url)),
    },
    bundle: true,
    write: false,
    format: 'iife',
    tsconfigRaw: '{}',
  });
  const second = outputFiles[0]!.text;
  for (const order of [
    [script, second],
    [second, script],
  ]) {
    const told: string[] = [];
    page.on('pageerror', (error) => told.push(error.message));
    await put(
      page,
      `<form id="a">${field('pass', 'id="own"')}${field('pin')}</form><form id="b"><arbeit-form form="lockers">${field('locker')}${field('pass', 'id="inside"')}<button>Send</button></arbeit-form></form>${order.map((one) => `<script>${one}</script>`).join('')}`,
      false,
    );
    await page.getByLabel('PIN').pressSequentially('1357');
    await page.getByLabel('Locker', { exact: true }).pressSequentially('1234');
    await expect(page.getByLabel('Locker', { exact: true })).toHaveValue('12/34');
    // Inside its form the name means the form's own field.
    await page.locator('#inside input').pressSequentially('ab987');
    await expect(page.locator('#inside input')).toHaveValue('987');
    const forms = await page.evaluate(() =>
      [...document.forms].map((form) => [...new FormData(form)].map(String).join('&')),
    );
    expect(forms[1]).toBe('locker,1234&pass,987');
    expect([forms[0]!.includes('pin,1357'), told]).toEqual([true, []]);
    await page.unrouteAll();
  }
});

test('a form that waits for an answer is sent by itself once it is there', async ({ page }) => {
  await put(
    page,
    `<form method="post" action="${origin}bookings"><arbeit-form form="asked">${field('card')}<button>Send</button></arbeit-form></form>`,
  );
  let answer = (): void => {};
  const held = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('**/ask', async (route) => {
    await held;
    await route.fulfill({ json: { verdict: 'pass' } });
  });
  await page.getByLabel('Card').pressSequentially('12');
  await page.getByRole('button').click();
  await expect(page.locator('arbeit-field')).toHaveAttribute('data-pending', '');
  const posted = page.waitForRequest(
    (request) => request.method() === 'POST' && request.url().includes('bookings'),
  );
  answer();
  expect((await posted).postData()).toBe('card=12');
});

test('moved about it stays what it is; a field that is not there is told; another definition is another field', async ({
  page,
}) => {
  const told: string[] = [];
  page.on('pageerror', (error) => told.push(error.message));
  await put(page, `<form id="one">${field('pass')}</form><form id="two"></form>${field('nobody')}`);
  await page.getByLabel('Hut pass').pressSequentially('ab12');
  await page.evaluate(() =>
    document.querySelector('#two')!.append(document.querySelector('[field="pass"]')!),
  );
  await expect(page.getByLabel('Hut pass')).toHaveValue('AB-12');
  expect(
    await page.evaluate(() => new FormData(document.querySelector<HTMLFormElement>('#two')!).get('pass')),
  ).toBe('AB12');
  await page.evaluate(() => document.querySelector('[field="pass"]')!.setAttribute('field', 'pin'));
  await page.getByLabel('PIN').pressSequentially('12');
  expect(told).toEqual(['These elements have no field "nobody".']);
});

test('axe finds nothing, messages shown', async ({ page }) => {
  await put(
    page,
    `<h1>Huts</h1><form>${set.fields.map(({ id }) => field(id)).join('')}<button>Send</button></form>`,
  );
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('Please fill in this field.')).toBeVisible();
  await expectNoViolations(page);
});

test('a native pattern means in Chromium what it was proven to mean', async ({ page }) => {
  const texts = [
    'AB-1234',
    'ab1234',
    'AB 12 34',
    '(ab) 1234',
    'AB-123',
    'ABC1234',
    'ＡＢ１２３４',
    'AB-12345',
    '12AB34',
    '',
    '1357',
    '１３５７',
    '1 3-5.7',
    '13570',
    '٣١٢١',
    '12:30',
    '25:00',
    '2530',
    '1230',
  ];
  const hour = {
    id: 'hour',
    kind: 'pattern',
    label: 'Hour',
    entry: { pattern: '<00..23>:<00..59>' },
  } as const;
  for (const definition of [set.fields[0]!, set.fields[3]!, hour]) {
    const { pattern } = nativeField(definition, set, kinds).attributes;
    const expected = texts.map((text) => text === '' || new RegExp(`^(?:${pattern})$`, 'u').test(text));
    await page.setContent('<input>');
    const found = await page.locator('input').evaluate(
      (input: HTMLInputElement, { pattern, texts }) => {
        input.pattern = pattern;
        return texts.map((text) => {
          input.value = text;
          return !input.validity.patternMismatch;
        });
      },
      { pattern: String(pattern), texts },
    );
    expect(found, definition.id).toEqual(expected);
    expect(found).toContain(false);
  }
});
