import type { SetDocument } from '@arbeit/engine/document';
import { expect, type Page, type Request, test } from '@playwright/test';
import { type App, type Built, builtApp } from './taken-home/build.ts';

/**
 * One contract for submitting, in every adapter: applications without a handler of their own. What the
 * product lacks, no application here may bring.
 */
const rule = { id: 'needed', check: { type: 'required' } };
const booking = ['mobile', 'pin', 'dog', 'remarks'];
const set = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { id: 'mobile', kind: 'pattern', label: 'Mobile', entry: { pattern: '<4 digit> <4 digit>' }, rules: [rule] },
    { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
    { id: 'dog', kind: 'yes-no', label: 'A dog?', entry: { draw: 'radio' } },
    { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 2 } },
    { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<2 digit>' }, rules: [{ id: 'known', check: { type: 'remote', ask: '/ask' } }] },
    { id: 'code', kind: 'one-time-code', label: 'Code', entry: { length: 4 } },
  ],
  forms: [
    { id: 'booking', title: 'Booking', submit: 'when-ready', fields: booking },
    { id: 'asked', title: 'Asked', fields: ['pass', 'code'], completes: 'code' },
    { id: 'one', title: 'One line', fields: ['mobile'] },
  ],
} as unknown as SetDocument; // biome-ignore format: a field a line

/**
 * Requests that submit the form natively, or send its record; each is answered with what the server finds.
 */
async function listen(page: Page, findings: readonly object[] = []): Promise<readonly Request[]> {
  const requests: Request[] = [];
  await page.route('**/forms/**', (route) => {
    requests.push(route.request());
    return route.request().url().includes('/records')
      ? route.fulfill({ json: { findings } })
      : route.fulfill({
          contentType: 'text/html',
          body: '<!doctype html><title>There</title><p>Arrived</p>',
        });
  });
  return requests;
}
const line = (page: Page, id: string) => page.locator(`[data-field="${id}"] input`).first();
const focused = (page: Page, id: string) =>
  page.evaluate((id) => {
    const around = document.querySelector(`[data-field="${id}"]`)!;
    return around.contains(document.activeElement);
  }, id);
const send = (page: Page) => page.getByRole('button', { name: 'Send' });

for (const app of ['element', 'react', 'vue', 'svelte'] satisfies App[])
  test.describe(app, () => {
    let built: Built;
    test.beforeAll(async () => {
      built = await builtApp(app, set);
    });
    test.afterAll(() => built.remove());

    test('a form that is not ready is held back, and goes to what is wrong', async ({ page }) => {
      const requests = await listen(page);
      await built.open(page, { form: 'booking', native: 'post' });
      const url = page.url();
      await line(page, 'pin').pressSequentially('1357');
      for (const submit of [() => send(page).click(), () => line(page, 'pin').press('Enter')]) {
        await submit();
        await expect.poll(() => focused(page, 'mobile')).toBe(true);
        await line(page, 'pin').focus();
      }
      await expect(page.getByText('Please fill in this field.')).toBeVisible();
      expect([requests.length, page.url()]).toEqual([0, url]);
    });

    test('a ready one is the browser’s, with its button', async ({ page }) => {
      const requests = await listen(page);
      await built.open(page, { form: 'booking', native: 'post' });
      await line(page, 'mobile').pressSequentially('20790123');
      await line(page, 'pin').pressSequentially('1357');
      await page.locator('[data-field="remarks"] textarea').pressSequentially('late\nvery');
      expect(requests).toHaveLength(0);
      await line(page, 'mobile').press('Enter');
      await expect(page.getByText('Arrived')).toBeVisible();
      const sent = Object.fromEntries(new URLSearchParams(requests[0]!.postData() ?? ''));
      expect(sent).toEqual({ mobile: '20790123', pin: '1357', remarks: 'late\r\nvery', by: 'button' });
    });

    test('no secret is put into the address', async ({ page }) => {
      const requests = await listen(page);
      const told: string[] = [];
      page.on('console', (message) => told.push(message.text()));
      await built.open(page, { form: 'booking', native: 'get' });
      const url = page.url();
      await line(page, 'mobile').pressSequentially('20790123');
      await line(page, 'pin').pressSequentially('1357');
      for (let i = 0; i < 2; i++) await send(page).click();
      await expect.poll(() => told.filter((text) => text.includes('by GET')).length).toBe(2);
      expect([requests.length, page.url()]).toEqual([0, url]);
    });

    test('sent by the page: the record, once, and what the server says stands at its fields', async ({
      page,
    }) => {
      const requests = await listen(page, [{ field: 'mobile', code: 'taken', message: 'This is taken.' }]);
      await built.open(page, { form: 'booking' });
      const url = page.url();
      await send(page).click();
      await expect.poll(() => focused(page, 'mobile')).toBe(true);
      expect(requests).toHaveLength(0);
      await line(page, 'mobile').pressSequentially('20790123');
      await line(page, 'pin').pressSequentially('1357');
      await send(page).click();
      await expect(page.getByText('This is taken.')).toBeVisible();
      await expect.poll(() => focused(page, 'mobile')).toBe(true);
      expect([requests.map((request) => request.postDataJSON()), page.url()]).toEqual([
        [{ mobile: '20790123', pin: '1357', dog: '', remarks: '' }],
        url,
      ]);
      await line(page, 'mobile').press('Backspace');
      await expect(page.getByText('This is taken.')).toBeHidden();
    });

    test('one that waits for an answer, or that a code completes, is sent by itself', async ({ page }) => {
      const requests = await listen(page);
      let answer = (): void => {};
      const held = new Promise<void>((resolve) => {
        answer = resolve;
      });
      await page.route('**/ask', async (route) => {
        await held;
        await route.fulfill({ json: { verdict: 'pass' } });
      });
      await built.open(page, { form: 'asked', native: 'post' });
      await line(page, 'pass').pressSequentially('12');
      await line(page, 'code').pressSequentially('1234');
      await page.waitForFunction(() => document.querySelector('[data-field="code"]'));
      expect(requests).toHaveLength(0);
      answer();
      await expect(page.getByText('Arrived')).toBeVisible();
      expect(requests.map((request) => request.method())).toEqual(['POST']);
    });

    test('a handler of the page is asked for a ready form alone; a button that skips checks always', async ({
      page,
    }) => {
      const requests = await listen(page);
      await built.open(page, { form: 'booking', native: 'post' });
      await page.evaluate(() => {
        const heard: string[] = [];
        const form = document.querySelector('form')!;
        Object.assign(window, { heard });
        form.addEventListener('submit', (event) => {
          event.preventDefault();
          heard.push(event.submitter?.textContent ?? '');
        });
        form.insertAdjacentHTML('beforeend', '<button formnovalidate>Save as it is</button>');
      });
      const heard = () => page.evaluate(() => (window as unknown as { heard: string[] }).heard);
      await send(page).click();
      await expect.poll(() => focused(page, 'mobile')).toBe(true);
      expect(await heard()).toEqual([]);
      await page.getByRole('button', { name: 'Save as it is' }).click();
      expect(await heard()).toEqual(['Save as it is']);
      await line(page, 'mobile').pressSequentially('20790123');
      await send(page).click();
      await expect.poll(async () => (await heard()).length).toBe(2);
      // The page has it: it may be sent again.
      await send(page).click();
      await expect.poll(async () => (await heard()).length).toBe(3);
      expect(requests).toHaveLength(0);
    });

    test('an input of the page itself holds it back as it would alone', async ({ page }) => {
      const requests = await listen(page);
      await built.open(page, { form: 'booking' });
      await page.evaluate(() =>
        document
          .querySelector('form')!
          .insertAdjacentHTML(
            'afterbegin',
            '<label>Terms <input type="checkbox" name="terms" required></label>',
          ),
      );
      // What the form knows comes first.
      await send(page).click();
      await expect.poll(() => focused(page, 'mobile')).toBe(true);
      await line(page, 'mobile').pressSequentially('20790123');
      await send(page).click();
      await expect(page.getByLabel('Terms')).toBeFocused();
      expect(requests).toHaveLength(0);
      await page.getByLabel('Terms').check();
      await send(page).click();
      await expect.poll(() => requests.length).toBe(1);
    });

    test('an input of the page holds back a form that a completed code submits', async ({ page }) => {
      const requests = await listen(page);
      await page.route('**/ask', (route) => route.fulfill({ json: { verdict: 'pass' } }));
      await built.open(page, { form: 'asked' });
      await page.evaluate(() =>
        document
          .querySelector('form')!
          .insertAdjacentHTML(
            'afterbegin',
            '<label>Terms <input type="checkbox" name="terms" required></label>',
          ),
      );
      await line(page, 'pass').pressSequentially('12');
      await line(page, 'code').pressSequentially('1357');
      await expect(page.getByLabel('Terms')).toBeFocused();
      expect(requests).toHaveLength(0);
      await page.getByLabel('Terms').check();
      await send(page).click();
      await expect.poll(() => requests.length).toBe(1);
    });

    test('a field that is not on the page holds it back, and that is said', async ({ page }) => {
      const requests = await listen(page);
      const told: string[] = [];
      page.on('console', (message) => told.push(message.text()));
      await built.open(page, { form: 'booking', native: 'post' });
      await page.evaluate(() => document.querySelector('[data-field="mobile"]')!.remove());
      await send(page).click();
      await expect.poll(() => told.join()).toContain('its field "mobile" is wrong');
      const said = await send(page).evaluate((button: HTMLButtonElement) => button.validationMessage);
      expect([said, requests.length]).toEqual(['Mobile: Please fill in this field.', 0]);
      // Said for this press alone: the button stays valid for the next.
      await line(page, 'pin').focus();
      expect(await send(page).evaluate((button: HTMLButtonElement) => button.validationMessage)).toBe('');
    });
  });

test.describe('Enter in an element', () => {
  let built: Built;
  test.beforeAll(async () => {
    built = await builtApp('element', set);
  });
  test.afterAll(() => built.remove());

  /** Puts up a form of fields, and counts its submits. */
  const put = (page: Page, inside: string): Promise<void> =>
    page.evaluate((inside) => {
      document.body.innerHTML = `<form>${inside}</form>`;
      const counted: string[] = [];
      Object.assign(window, { counted });
      document.querySelector('form')!.addEventListener('submit', (event) => {
        event.preventDefault();
        counted.push((event.submitter as HTMLButtonElement | null)?.value ?? 'none');
      });
    }, inside);
  const counted = (page: Page) =>
    page.evaluate(async () => {
      await new Promise((done) => setTimeout(done));
      return (window as unknown as { counted: string[] }).counted;
    });
  const field = (id: string) => `<arbeit-field field="${id}" data-field="${id}"></arbeit-field>`;
  const button = (value: string, more = '') => `<button value="${value}" ${more}>Send</button>`;

  test.beforeEach(async ({ page }) => {
    await built.open(page, { field: 'pin' });
  });

  test('submits by the first button; one that is disabled lets nothing through', async ({ page }) => {
    await put(page, `${field('pin')}<input type="button" value="x">${button('first')}${button('second')}`);
    await line(page, 'pin').press('Enter');
    expect(await counted(page)).toEqual(['first']);
    await put(page, `${field('pin')}${button('first', 'disabled')}${button('second')}`);
    await line(page, 'pin').press('Enter');
    expect(await counted(page)).toEqual([]);
  });

  test('without a button submits a form of one line, not of two; of text areas none', async ({ page }) => {
    await put(page, field('pin') + field('dog'));
    await line(page, 'pin').press('Enter');
    expect(await counted(page)).toEqual(['none']);
    for (const more of [field('code'), '<input type="search">']) {
      await put(page, field('pin') + more);
      await line(page, 'pin').press('Enter');
      expect(await counted(page)).toEqual([]);
    }
    await put(page, `${field('remarks')}${button('first')}`);
    await page.locator('[data-field="remarks"] textarea').press('Enter');
    expect(await counted(page)).toEqual([]);
  });

  test('radio buttons submit too; a key that the page prevents, or that ends a composition, does not', async ({
    page,
  }) => {
    await put(page, `${field('dog')}${field('pin')}${field('code')}${button('first')}`);
    await line(page, 'dog').press('Enter');
    expect(await counted(page)).toEqual(['first']);
    const browser = await page.context().newCDPSession(page);
    await line(page, 'pin').focus();
    await browser.send('Input.imeSetComposition', { text: '1', selectionStart: 1, selectionEnd: 1 });
    const composing = { key: 'Enter', code: 'Enter', windowsVirtualKeyCode: 229, nativeVirtualKeyCode: 13 };
    await browser.send('Input.dispatchKeyEvent', { type: 'rawKeyDown', ...composing });
    await browser.send('Input.insertText', { text: '1' });
    expect(await counted(page)).toEqual(['first']);
    await page.evaluate(() =>
      document.querySelector('form')!.addEventListener('keydown', (event) => {
        if (event.key === 'Enter') event.preventDefault();
      }),
    );
    await line(page, 'pin').press('Enter');
    expect(await counted(page)).toEqual(['first']);
  });
});
