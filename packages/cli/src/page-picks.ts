// Parts of this run in a page.
/// <reference lib="dom" />
import type { Action } from '@arbeit/engine/tape';
import type { Locator } from 'playwright-core';
import { type Driven, formAround, press } from './page-hands.ts';

/** Picks options on a page as a person would: in a list, with radio buttons, with checkboxes. */

/** Elements to pick from. */
export const pickable = 'select, input[type=radio], input[type=checkbox]';

/** The element that takes the focus: the list, or the checked radio button, or the first one. */
const headOf = async (root: Locator): Promise<Locator> => {
  const isOne = await root.evaluate((element, what) => element.matches(what), pickable);
  if (isOne) return root;
  const chosen = root.locator('input:checked').first();
  return (await chosen.count()) > 0 ? chosen : root.locator(pickable).first();
};

/**
 * Picks by value or label, as a browser or program does; several are separated by line breaks, semicolons or
 * spaces.
 */
const choose = (root: Locator, text: string): Promise<void> =>
  root.evaluate(
    (element, [what, given]) => {
      const inside = element.matches(what) ? [element] : [...element.querySelectorAll(what)];
      const known = new Set(
        inside.flatMap((one) =>
          one instanceof HTMLSelectElement
            ? [...one.options].flatMap(({ value, text }) => [value, text.trim()])
            : [
                (one as HTMLInputElement).value,
                (one as HTMLInputElement).labels?.[0]?.textContent?.trim() ?? '',
              ],
        ),
      );
      // Values and labels may have spaces: the first way to read the text in which all of it is known.
      const ways = [[given], ...['\n', ';', ' '].map((sign) => given.split(sign).map((one) => one.trim()))];
      const wanted = new Set(ways.find((way) => way.every((one) => known.has(one))) ?? ways.flat());
      const tell = (one: Element): void => {
        one.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
        one.dispatchEvent(new Event('change', { bubbles: true }));
      };
      for (const one of inside) {
        if (one instanceof HTMLSelectElement) {
          for (const option of one.options)
            option.selected = given !== '' && (wanted.has(option.value) || wanted.has(option.text.trim()));
          tell(one);
          continue;
        }
        const box = one as HTMLInputElement;
        const words = box.labels?.[0]?.textContent?.trim() ?? '';
        // A single checkbox is ticked or not; its label does not matter.
        const isTicked =
          inside.length === 1 ? /^(?:yes|true|on)$/i.test(given) : wanted.has(box.value) || wanted.has(words);
        const isChosen = isTicked && given !== '';
        if (box.checked === isChosen) continue;
        const { set } = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'checked') ?? {};
        if (isChosen) box.click();
        else set?.call(box, false);
        tell(box);
      }
    },
    [pickable, text] as const,
  );

/** Carries out one action on something to pick from. */
export async function pick({ page }: Driven, root: Locator, action: Action): Promise<void> {
  const head = await headOf(root);
  switch (action.do) {
    case 'focus':
      return head.focus();
    case 'leave':
      return head.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    case 'set':
    case 'autofill':
    case 'paste':
    case 'insert':
      return choose(root, action.text);
    case 'submit':
      return formAround(head, 'requestSubmit');
    case 'reset':
      return formAround(head, 'reset');
    case 'wait':
      return page.waitForTimeout(action.milliseconds);
    case 'type':
      return page.keyboard.type(action.text);
    case 'select':
    case 'answer':
    case 'sent':
      return;
    default:
      return press(page, action.do, 'times' in action ? action.times : 1);
  }
}

/** What is picked: labels, several separated by semicolons; for a single checkbox whether it is checked. */
export interface Picked {
  readonly words: string;
  readonly ticked: boolean | undefined;
  readonly focused: boolean;
}

/** What a page shows of it once it has drawn the result of the last event. */
export const pickedIn = (root: Locator): Promise<Picked> =>
  root.evaluate(async (element, what) => {
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    const inside = element.matches(what) ? [element] : [...element.querySelectorAll(what)];
    const words = inside.flatMap((one) => {
      if (one instanceof HTMLSelectElement)
        return [...one.selectedOptions].filter(({ value }) => value !== '').map(({ text }) => text.trim());
      const box = one as HTMLInputElement;
      return box.checked ? [box.labels?.[0]?.textContent?.trim() ?? box.value] : [];
    });
    const [only] = inside;
    const isOne = inside.length === 1 && only instanceof HTMLInputElement;
    const { activeElement } = element.getRootNode() as Document | ShadowRoot;
    return {
      words: words.join('; '),
      ticked: isOne ? only.checked : undefined,
      focused: inside.some((one) => one === activeElement),
    };
  }, pickable);
