import { fileURLToPath } from 'node:url';
import type { bind, createStore, FieldStore } from '@arbeit/dom';
import type { compileField, FieldDocument } from '@arbeit/engine/document';
import type { evaluate } from '@arbeit/engine/field';
import type { kinds } from '@arbeit/engine/kinds';
import type { CDPSession, Page } from '@playwright/test';
import { build } from 'esbuild';

/** The binding by itself, on a page without a framework: what a script of the page finds as `arbeit`. */
export interface OnPage {
  readonly bind: typeof bind;
  readonly createStore: typeof createStore;
  readonly compileField: typeof compileField;
  readonly evaluate: typeof evaluate;
  readonly kinds: typeof kinds;
  /** The stores of the inputs of the page, by name. */
  stores: Record<string, FieldStore>;
  release: Record<string, () => void>;
}

let script: Promise<string> | undefined;

const bundle = (): Promise<string> => {
  script ??= build({
    stdin: {
      contents: `
        export { bind, createStore } from '@arbeit/dom';
        export { compileField } from '@arbeit/engine/document';
        export { evaluate } from '@arbeit/engine/field';
        export { kinds } from '@arbeit/engine/kinds';
        export const stores = {};
        export const release = {};`,
      resolveDir: fileURLToPath(new URL('..', import.meta.url)),
    },
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'arbeit',
  }).then(({ outputFiles }) => outputFiles[0]!.text);
  return script;
};

export type Field = Partial<Pick<FieldDocument, 'initial' | 'rules' | 'locale'>> & {
  readonly kind: string;
  readonly entry: object;
};

/** Puts up a form and binds each input, by its name, to a field of its own. */
export async function putUp(
  page: Page,
  html: string,
  fields: Readonly<Record<string, Field>>,
): Promise<void> {
  await page.setContent(`<!doctype html><meta charset="utf-8"><form>${html}<button>Send</button></form>`);
  await bindAll(page, fields);
}

/**
 * The same as a page of its own, for a browser that another driver drives: its HTML, with the binding in it.
 */
export async function boundPage(html: string, fields: Readonly<Record<string, Field>>): Promise<string> {
  const script = (await bundle()).replaceAll('</script', '<\\/script').replaceAll('<!--', '\\x3c!--');
  return `<!doctype html><meta charset="utf-8"><title>Bound</title><form>${html}<button>Send</button></form><script>${script}</script><script>(${String(bindOnPage)})(${JSON.stringify(fields)})</script>`;
}

/** Binds the inputs of the page as it stands. */
export async function bindAll(page: Page, fields: Readonly<Record<string, Field>>): Promise<void> {
  await page.addScriptTag({ content: await bundle() });
  await page.evaluate(bindOnPage, fields);
}

/** Runs on the page: nothing of this file is there. */
function bindOnPage(fields: Readonly<Record<string, Field>>): void {
  const { arbeit } = globalThis as unknown as { arbeit: OnPage };
  for (const input of document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input, textarea')) {
    const field = fields[input.name];
    if (!field) continue;
    const compiled = arbeit.compileField(
      { id: input.name, label: 'F', ...field } as never,
      {
        locale: field.locale ?? 'en-GB',
      },
      arbeit.kinds,
    );
    arbeit.stores[input.name] ??= arbeit.createStore(compiled, arbeit.evaluate);
    arbeit.release[input.name] = arbeit.bind(input, arbeit.stores[input.name]!);
  }
}

/** What the field holds, as its store tells. */
export const heldBy = (page: Page, name: string) =>
  page.evaluate((name) => {
    const { arbeit } = globalThis as unknown as { arbeit: OnPage };
    const { body, start, end, focused, touched, submitted, rejected } = arbeit.stores[name]!.state();
    const { raw, value, shown } = arbeit.stores[name]!.evaluation();
    return {
      display: body.display,
      start,
      end,
      focused,
      touched,
      submitted,
      rejected,
      raw,
      value,
      codes: shown.map((s) => s.code),
    };
  }, name);

export const submitted = (page: Page) =>
  page.evaluate(
    () => Object.fromEntries(new FormData(document.querySelector('form')!)) as Record<string, string>,
  );

export const pass: Field = { kind: 'pattern', entry: { pattern: '<2 letter>-<4 letter>' } };
export const digits: Field = { kind: 'pattern', entry: { pattern: '<2 digit>-<4 digit>' } };
export const day: Field = { kind: 'date', entry: {} };
export const line = (page: Page, name = 'a') => page.locator(`input[name="${name}"]`);
export const compose = (browser: CDPSession, text: string) =>
  browser.send('Input.imeSetComposition', { text, selectionStart: text.length, selectionEnd: text.length });
export const sessionOf = (page: Page) => page.context().newCDPSession(page);
export type WithArbeit = { arbeit: OnPage };
