import { expect, type Page, test } from '@playwright/test';
import {
  compose,
  day,
  digits,
  heldBy,
  line,
  pass,
  putUp,
  sessionOf,
  submitted,
  type WithArbeit,
} from './dom-page.ts';

/** Compositions that end without a word, and ranges the browser replaces by itself. */
test.describe('a composition the browser ends without saying so', () => {
  const begin = async (page: Page, field = pass) => {
    await putUp(page, '<input name="a">', { a: field });
    await line(page).focus();
    const browser = await sessionOf(page);
    await compose(browser, 'ab');
    await expect(line(page)).toHaveValue('ab');
    return browser;
  };

  test('is taken over by a submit', async ({ page }) => {
    await begin(page);
    await page.evaluate(() => {
      const form = document.querySelector('form')!;
      form.addEventListener('submit', (event) => {
        event.preventDefault();
        (globalThis as unknown as { sent: unknown }).sent = Object.fromEntries(new FormData(form));
      });
      form.requestSubmit();
    });
    expect(await page.evaluate(() => (globalThis as unknown as { sent: unknown }).sent)).toEqual({ a: 'ab' });
  });

  test('is taken over by a form that is read', async ({ page }) => {
    await begin(page);
    expect(await submitted(page)).toEqual({ a: 'ab' });
  });

  test('is kept when the field is left', async ({ page }) => {
    await begin(page);
    await line(page).blur();
    expect(await heldBy(page, 'a')).toMatchObject({ raw: 'ab', touched: true });
    await line(page).focus();
    await page.keyboard.type('c');
    await expect(line(page)).toHaveValue('ab-c');
  });

  test('is kept by a key outside of it, and what goes on afterwards is what the input shows', async ({
    page,
  }) => {
    const browser = await begin(page);
    await line(page).evaluate((input: HTMLInputElement) =>
      input.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'Enter', code: 'Enter', keyCode: 13, bubbles: true }),
      ),
    );
    expect((await heldBy(page, 'a')).raw).toBe('ab');
    await compose(browser, 'abcd');
    await line(page).blur();
    expect(await heldBy(page, 'a')).toMatchObject({ raw: 'abcd', display: 'ab-cd' });
    await expect(line(page)).toHaveValue('ab-cd');
  });

  test('is gone after a reset, and the field is alive', async ({ page }) => {
    await begin(page);
    await page.evaluate(() => document.querySelector('form')!.reset());
    expect(await heldBy(page, 'a')).toMatchObject({ raw: '', display: '' });
    await line(page).focus();
    await page.keyboard.type('xyz');
    await expect(line(page)).toHaveValue('xy-z');
  });

  test('gives way to what a program writes, through the input or through the store', async ({ page }) => {
    await begin(page);
    await line(page).evaluate((input: HTMLInputElement) => {
      input.value = 'qrst';
    });
    await page.keyboard.type('u');
    expect((await heldBy(page, 'a')).raw).toBe('qrstu');
    await expect(line(page)).toHaveValue('qr-stu');
  });

  test('nothing is written while it goes on', async ({ page }) => {
    const browser = await begin(page);
    await page.evaluate(() => {
      const { arbeit } = globalThis as unknown as WithArbeit;
      arbeit.stores.a!.dispatch({ type: 'submit' });
    });
    await expect(line(page)).toHaveValue('ab');
    await compose(browser, 'abc');
    await expect(line(page)).toHaveValue('abc');
    await browser.send('Input.insertText', { text: 'abc' });
    await expect(line(page)).toHaveValue('ab-c');
  });
});

test.describe('a range that is replaced is known', () => {
  test('a composition over a selection takes its place', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: day });
    await line(page).focus();
    await page.keyboard.type('20032027');
    await page.keyboard.press('Control+A');
    const browser = await sessionOf(page);
    await compose(browser, '2027-02-14');
    await browser.send('Input.insertText', { text: '2027-02-14' });
    expect((await heldBy(page, 'a')).value).toBe('2027-02-14');
  });

  test('so does a suggestion that cannot be held back', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: day });
    await line(page).focus();
    await page.keyboard.type('20032027');
    await line(page).evaluate((input: HTMLInputElement) => {
      input.select();
      const init = { inputType: 'insertReplacementText', data: '2027-02-14', bubbles: true };
      input.dispatchEvent(new InputEvent('beforeinput', { ...init, cancelable: false }));
      input.value = '2027-02-14';
      input.dispatchEvent(new InputEvent('input', init));
    });
    expect((await heldBy(page, 'a')).value).toBe('2027-02-14');
    await expect(line(page)).toHaveValue('14/02/2027');
  });

  test('a key the field refuses goes again where it could not be held back', async ({ page }) => {
    await putUp(page, '<input name="a">', { a: digits });
    await line(page).focus();
    await page.keyboard.type('123');
    await line(page).evaluate((input: HTMLInputElement) => {
      input.dispatchEvent(
        new InputEvent('beforeinput', { inputType: 'insertText', data: 'x', bubbles: true }),
      );
      input.value = '12-3x';
      input.dispatchEvent(new InputEvent('input', { inputType: 'insertText', data: 'x', bubbles: true }));
    });
    await expect(line(page)).toHaveValue('12-3');
    expect(await heldBy(page, 'a')).toMatchObject({ raw: '123', rejected: 'not-accepted', start: 4 });
  });
});
