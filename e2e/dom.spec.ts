import { fileURLToPath } from 'node:url';
import { expect, type Page, test } from '@playwright/test';
import { build } from 'esbuild';

/** The binding by itself, on a page without a framework. */
let script = '';
test.beforeAll(async () => {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        export { bind, bindPicks, createStore } from '@arbeit/dom';
        export { compileField } from '@arbeit/engine/document';
        export { evaluate } from '@arbeit/engine/field';
        export { kinds } from '@arbeit/engine/kinds';`,
      resolveDir: fileURLToPath(new URL('..', import.meta.url)),
    },
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'arbeit',
  });
  script = outputFiles[0]!.text;
});

/** Puts up a form and binds every input of it; `data-submits` says what an input submits. */
async function putUp(page: Page, html: string): Promise<void> {
  await page.setContent(`<!doctype html><form>${html}<button>Send</button></form>`);
  await page.addScriptTag({ content: script });
  await page.evaluate(() => {
    // biome-ignore lint/suspicious/noExplicitAny: the bundle has no types on the page
    const { bind, createStore, compileField, evaluate, kinds } = (globalThis as any).arbeit;
    const field = compileField(
      { id: 'f', kind: 'pattern', label: 'F', entry: { pattern: '<2 digit>-<2 digit>' } },
      { locale: 'en' },
      kinds,
    );
    const release = [...document.querySelectorAll('input')].map((input) =>
      bind(input, createStore(field, evaluate), { submits: input.dataset.submits ?? 'raw' }),
    );
    Object.assign(globalThis, {
      release: () => {
        for (const letGo of release) letGo();
      },
    });
  });
}
const submitted = (page: Page) =>
  page.evaluate(() =>
    [...new FormData(document.querySelector('form')!)].map(([name, value]) => `${name}=${value}`),
  );

test('raw is submitted, the display where asked, each under its own of several same names', async ({
  page,
}) => {
  await putUp(
    page,
    '<input name="a"><input name="a" data-submits="display"><input name="b" disabled><input>',
  );
  for (const [i, input] of (await page.locator('input:enabled').all()).entries()) {
    await input.focus();
    await page.keyboard.type(`12${i}4`);
  }
  expect(await submitted(page)).toEqual(['a=1204', 'a=12-14']);
});

test('a value the page came with is read; a reset goes back to the definition’s own', async ({ page }) => {
  await putUp(page, '<input name="a" value="1234">');
  const line = page.locator('input');
  await expect(line).toHaveValue('12-34');
  await page.evaluate(() => document.querySelector('form')!.reset());
  await expect(line).toHaveValue('');
});

test('a reset that somebody prevents changes nothing', async ({ page }) => {
  await putUp(page, '<input name="a">');
  await page.locator('input').focus();
  await page.keyboard.type('12');
  await page.evaluate(() => {
    const form = document.querySelector('form')!;
    form.addEventListener('reset', (event) => event.preventDefault());
    form.reset();
  });
  await expect(page.locator('input')).toHaveValue('12');
});

test('let go, an input is an input again', async ({ page }) => {
  await putUp(page, '<input name="a">');
  await page.evaluate(() => (globalThis as unknown as { release: () => void }).release());
  await page.locator('input').focus();
  await page.keyboard.type('1x2345');
  await expect(page.locator('input')).toHaveValue('1x2345');
});

test('dragging text away and dropping it go through the field', async ({ page }) => {
  await putUp(page, '<input name="a">');
  const line = page.locator('input');
  await line.evaluate((input: HTMLInputElement) => {
    input.focus();
    input.dispatchEvent(
      new InputEvent('beforeinput', {
        inputType: 'insertFromDrop',
        data: '12.34',
        cancelable: true,
        bubbles: true,
      }),
    );
    input.setSelectionRange(1, 4);
    input.dispatchEvent(
      new InputEvent('beforeinput', { inputType: 'deleteByDrag', cancelable: true, bubbles: true }),
    );
  });
  await expect(line).toHaveValue('14');
});

test('another field takes an input over without mistaking what it showed for typing', async ({ page }) => {
  await putUp(page, '<input name="a">');
  const line = page.locator('input');
  await line.focus();
  await page.keyboard.type('1234');
  await page.evaluate(() => {
    (globalThis as unknown as { release: () => void }).release();
    // biome-ignore lint/suspicious/noExplicitAny: the bundle has no types on the page
    const { bind, createStore, compileField, evaluate, kinds } = (globalThis as any).arbeit;
    const field = compileField(
      { id: 'g', kind: 'pattern', label: 'G', entry: { pattern: '<3 digit>/<3 digit>' }, initial: '987' },
      { locale: 'en' },
      kinds,
    );
    bind(document.querySelector('input'), createStore(field, evaluate));
  });
  await expect(line).toHaveValue('987');
});

test('what is picked from and taken off the page with the focus in it is left; bound anew at once it is not', async ({
  page,
}) => {
  await page.setContent(
    '<!doctype html><div role="radiogroup"><input type="radio" name="m" value="a"><input type="radio" name="m" value="b"></div>',
  );
  await page.addScriptTag({ content: script });
  const told = await page.evaluate(async () => {
    // biome-ignore lint/suspicious/noExplicitAny: the bundle has no types on the page
    const { bindPicks, createStore, compileField, evaluate, kinds } = (globalThis as any).arbeit;
    const options = [
      { value: 'a', label: 'A' },
      { value: 'b', label: 'B' },
    ];
    const field = { id: 'm', kind: 'choice', label: 'M', entry: { options, draw: 'radio' } };
    const store = createStore(compileField(field, { locale: 'en-GB' }, kinds), evaluate);
    const group = document.querySelector('div')!;
    const letGo = bindPicks(group, store);
    group.querySelector('input')!.focus();
    const flags = () => [store.state().focused, store.state().touched];
    const later = () => new Promise((done) => setTimeout(done));
    const all = [flags()];
    letGo();
    const letGoAgain = bindPicks(group, store);
    await later();
    all.push(flags());
    // In the order in which frameworks do it.
    letGoAgain();
    group.remove();
    await later();
    return [...all, flags()];
  });
  expect(told).toEqual([
    [true, false],
    [true, false],
    [false, true],
  ]);
});

test('undo on a layout without Latin letters works for what is picked as for what is typed', async ({
  page,
}) => {
  await page.setContent(
    '<!doctype html><select name="m"><option value=""></option><option value="a">A</option><option value="b">B</option></select>',
  );
  await page.addScriptTag({ content: script });
  const values = await page.evaluate(() => {
    // biome-ignore lint/suspicious/noExplicitAny: the bundle has no types on the page
    const { bindPicks, createStore, compileField, evaluate, kinds } = (globalThis as any).arbeit;
    const options = [
      { value: 'a', label: 'A' },
      { value: 'b', label: 'B' },
    ];
    const field = { id: 'm', kind: 'choice', label: 'M', entry: { options, draw: 'list' } };
    const select = document.querySelector('select')!;
    const store = createStore(compileField(field, { locale: 'ru-RU' }, kinds), evaluate);
    bindPicks(select, store);
    select.focus();
    const all: string[] = [];
    for (const value of ['a', 'b']) {
      select.value = value;
      select.dispatchEvent(new Event('change', { bubbles: true }));
    }
    for (const [key, code] of [
      ['я', 'KeyZ'],
      ['я', 'KeyZ'],
      ['н', 'KeyY'],
    ] as const) {
      select.dispatchEvent(
        new KeyboardEvent('keydown', { key, code, ctrlKey: true, bubbles: true, cancelable: true }),
      );
      all.push(select.value);
    }
    return all;
  });
  expect(values).toEqual(['a', '', 'a']);
});
