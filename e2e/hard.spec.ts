import { expect, type Page, test } from '@playwright/test';
import { bindAll, digits, type Field, heldBy, line, putUp, submitted, type WithArbeit } from './dom-page.ts';

/** What browsers, phones and programs do to an input behind the binding’s back. */
test.describe('what somebody else puts into the input', () => {
  test('without a word is there when the form is read, submitted or checked', async ({ page }) => {
    await putUp(page, '<input name="a"><input name="b">', { a: digits, b: digits });
    await line(page).evaluate((input: HTMLInputElement) => {
      input.value = '123456';
    });
    expect(await submitted(page)).toEqual({ a: '123456', b: '' });
    await line(page, 'b').evaluate((input: HTMLInputElement) => {
      input.value = '99';
      input.form!.addEventListener('submit', (event) => event.preventDefault());
      input.form!.requestSubmit();
    });
    expect((await heldBy(page, 'b')).raw).toBe('99');
  });

  test('comes back with the page', async ({ page }) => {
    const html = '<!doctype html><form><input name="a"></form><a href="/other">on</a>';
    await page.route('http://huts.example/**', (route) =>
      route.fulfill({
        contentType: 'text/html',
        body: route.request().url().endsWith('other') ? 'other' : html,
      }),
    );
    await page.goto('http://huts.example/');
    await bindAll(page, { a: digits });
    await line(page).focus();
    await page.keyboard.type('1234');
    await page.click('a');
    await page.goBack();
    const restored = await line(page).inputValue();
    await bindAll(page, { a: digits });
    await page.evaluate(() => globalThis.dispatchEvent(new PageTransitionEvent('pageshow')));
    expect((await heldBy(page, 'a')).display).toBe(restored);
    // What the browser restores after the field was bound, as some do, is taken over as well.
    await line(page).evaluate((input: HTMLInputElement) => {
      input.value = '9876';
      globalThis.dispatchEvent(new PageTransitionEvent('pageshow'));
    });
    expect(await heldBy(page, 'a')).toMatchObject({ raw: '9876', display: '98-76' });
  });

  test('two inputs show one store, and a program’s keys are seen', async ({ page }) => {
    await putUp(page, '<input name="a"><input name="b">', { a: digits });
    await page.evaluate(() => {
      const { arbeit } = globalThis as unknown as WithArbeit;
      arbeit.bind(document.querySelector('input[name="b"]')!, arbeit.stores.a!);
    });
    await line(page).focus();
    await page.keyboard.type('123');
    await expect(line(page, 'b')).toHaveValue('12-3');
    await page.evaluate(() => {
      const { arbeit } = globalThis as unknown as WithArbeit;
      arbeit.stores.a!.dispatch({ type: 'key', text: '4' });
      arbeit.stores.a!.dispatch({ type: 'paste', text: '56' });
    });
    await expect(line(page)).toHaveValue('12-3456');
    await page.evaluate(() =>
      (globalThis as unknown as WithArbeit).arbeit.stores.a!.dispatch({ type: 'undo' }),
    );
    await expect(line(page)).toHaveValue('12-34');
    await page.keyboard.type('7');
    await expect(line(page, 'b')).toHaveValue('12-347');
  });

  test('a parent that echoes the raw value moves no caret', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: digits });
    await page.evaluate(() => {
      const { stores } = (globalThis as unknown as WithArbeit).arbeit;
      stores.a!.subscribe((_, event) => {
        if (event?.type !== 'set') stores.a!.dispatch({ type: 'set', text: stores.a!.evaluation().raw });
      });
    });
    await line(page).focus();
    await page.keyboard.type('1234');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.type('9');
    expect(await heldBy(page, 'a')).toMatchObject({ display: '12-934', start: 4 });
  });
});

test.describe('the focus', () => {
  test('another window is no leaving', async ({ page }) => {
    await putUp(page, '<input name="a">', {
      a: { kind: 'text', entry: {}, rules: [{ id: 'r', check: { type: 'length', min: 9 } }] },
    });
    await line(page).focus();
    await page.keyboard.type('ab cd ');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Shift+ArrowLeft');
    // The browser tells of a moved selection in its own time.
    await expect.poll(() => heldBy(page, 'a')).toMatchObject({ start: 4, end: 5 });
    const before = await heldBy(page, 'a');
    await line(page).evaluate((input: HTMLInputElement) => {
      // What a browser sends when its window goes to the back: the element keeps being the active one.
      input.dispatchEvent(new FocusEvent('blur'));
      input.dispatchEvent(new FocusEvent('focus'));
    });
    expect(await heldBy(page, 'a')).toEqual(before);
    await line(page).blur();
    expect(await heldBy(page, 'a')).toMatchObject({ touched: true, codes: ['too-short'], display: 'ab cd' });
  });

  test('taken off the page, the field is left; bound anew it is not', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: digits });
    await line(page).focus();
    await page.keyboard.type('12');
    const held = await page.evaluate(async () => {
      const { arbeit } = globalThis as unknown as WithArbeit;
      const input = document.querySelector('input')!;
      arbeit.release.a!();
      arbeit.release.a = arbeit.bind(input, arbeit.stores.a!);
      await null;
      const anew = arbeit.stores.a!.state();
      arbeit.release.a!();
      input.remove();
      await null;
      const gone = arbeit.stores.a!.state();
      return [anew.focused, anew.touched, gone.focused, gone.touched];
    });
    expect(held).toEqual([true, false, false, true]);
  });

  test('asking whether a form is valid shows nothing, submitting it does', async ({ page }) => {
    const required: Field = { ...digits, rules: [{ id: 'r', check: { type: 'required' } }] };
    await putUp(page, '<input name="a">', { a: required });
    const ask = () =>
      page.evaluate(() => [
        document.querySelector('form')!.checkValidity(),
        document.querySelector('input')!.checkValidity(),
      ]);
    expect(await ask()).toEqual([false, false]);
    expect(await heldBy(page, 'a')).toMatchObject({ submitted: false, codes: [] });
    await page.click('button');
    expect(await heldBy(page, 'a')).toMatchObject({ submitted: true, codes: ['required'] });
    await page.evaluate(() => (globalThis as unknown as WithArbeit).arbeit.release.a!());
    expect(await ask()).toEqual([false, false]);
  });

  test('in a shadow root the form reads, resets and submits as anywhere', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: digits });
    const inside = await page.evaluate(() => {
      const { arbeit } = globalThis as unknown as WithArbeit;
      const root = document.body.appendChild(document.createElement('div')).attachShadow({ mode: 'open' });
      root.innerHTML = '<form><input name="s"><button>Send</button></form>';
      const input = root.querySelector('input')!;
      const store = arbeit.createStore(arbeit.stores.a!.field, arbeit.evaluate);
      arbeit.stores.s = store;
      arbeit.bind(input, store);
      input.focus();
      store.dispatch({ type: 'paste', text: '12345' });
      const form = root.querySelector('form')!;
      const read = [...new FormData(form).values()];
      form.addEventListener('submit', (event) => event.preventDefault());
      form.requestSubmit();
      const sent = store.state().submitted;
      form.reset();
      return [read, sent, store.state().body.display, store.state().focused, input.value];
    });
    expect(inside).toEqual([['12345'], true, '', true, '']);
    await page.keyboard.type('1x2');
    expect(await heldBy(page, 's')).toMatchObject({ raw: '12', focused: true });
  });
});

test.describe('keys', () => {
  test('a word taken out to the right', async ({ page }) => {
    await putUp(page, '<input name="a"><input name="b">', { a: { kind: 'text', entry: {} }, b: digits });
    await line(page).focus();
    await page.keyboard.type('one two three');
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+Delete');
    expect((await heldBy(page, 'a')).display).toBe(' two three');
    await line(page, 'b').focus();
    await page.keyboard.type('123456');
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+Delete');
    expect((await heldBy(page, 'b')).display).toBe('34-56');
  });

  test('undo on a layout without Latin letters', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: digits });
    await line(page).focus();
    await page.keyboard.type('123');
    const press = (key: string, code: string, shiftKey = false) =>
      line(page).evaluate(
        (input: HTMLInputElement, [key, code, shiftKey]) =>
          input.dispatchEvent(
            new KeyboardEvent('keydown', {
              key: key as string,
              code: code as string,
              shiftKey: shiftKey as boolean,
              ctrlKey: true,
              bubbles: true,
              cancelable: true,
            }),
          ),
        [key, code, shiftKey] as const,
      );
    await press('я', 'KeyZ');
    await expect(line(page)).toHaveValue('');
    await press('Я', 'KeyZ', true);
    await expect(line(page)).toHaveValue('12-3');
    // Where another key has the letter, its place says nothing.
    await press('y', 'KeyZ');
    await expect(line(page)).toHaveValue('12-3');
    await press('z', 'KeyY');
    await expect(line(page)).toHaveValue('');
  });

  test('a telephone number filled in by the browser with its calling code', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: { kind: 'phone', entry: { home: 'GB' } } });
    await line(page).evaluate((input: HTMLInputElement) => {
      input.value = '447700900123';
      input.dispatchEvent(new Event('input', { bubbles: true }));
    });
    expect((await heldBy(page, 'a')).value).toBe('+447700900123');
  });
});

test.describe('dragging', () => {
  /** Where a character of the input stands on the screen. */
  const placeOf = (page: Page, offset: number, name = 'a') =>
    line(page, name).evaluate((input: HTMLInputElement, offset) => {
      const style = getComputedStyle(input);
      const context = document.createElement('canvas').getContext('2d')!;
      context.font = style.font;
      const box = input.getBoundingClientRect();
      const width = context.measureText(input.value.slice(0, offset)).width;
      return {
        x: box.left + Number.parseFloat(style.paddingLeft) + Number.parseFloat(style.borderLeftWidth) + width,
        y: box.top + box.height / 2,
      };
    }, offset);

  async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }) {
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 4, from.y, { steps: 2 });
    await page.mouse.move(to.x, to.y, { steps: 6 });
    await page.mouse.up();
  }
  const select = (page: Page, start: number, end: number) =>
    line(page).evaluate((input: HTMLInputElement, [start, end]) => input.setSelectionRange(start!, end!), [
      start,
      end,
    ] as const);

  test('text moved inside the field is moved', async ({ page }) => {
    await putUp(page, '<input name="a" style="font: 20px monospace; width: 20em">', { a: digits });
    await line(page).focus();
    await page.keyboard.type('123456');
    await select(page, 0, 2);
    const grip = await placeOf(page, 1);
    await drag(page, grip, await placeOf(page, 7));
    expect(await heldBy(page, 'a')).toMatchObject({ raw: '345612', display: '34-5612' });
    await expect(line(page)).toHaveValue('34-5612');
    await page.keyboard.press('Control+Z');
    await page.keyboard.press('Control+Z');
    expect((await heldBy(page, 'a')).raw).toBe('123456');
  });

  test('text moved into another field leaves the first', async ({ page }) => {
    const box = 'style="font: 20px monospace; width: 20em; display: block"';
    await putUp(page, `<input name="a" ${box}><input name="b" ${box}>`, { a: digits, b: digits });
    await line(page).focus();
    await page.keyboard.type('123456');
    await select(page, 0, 2);
    await drag(page, await placeOf(page, 1), await placeOf(page, 0, 'b'));
    expect((await heldBy(page, 'b')).raw).toBe('12');
    expect((await heldBy(page, 'a')).raw).toBe('3456');
    await line(page).focus();
    await page.keyboard.type('7');
    expect((await heldBy(page, 'a')).raw).toBe('34567');
  });
});
