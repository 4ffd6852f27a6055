import * as words from '../words/ui/page-controls.ts';
import type { Entry } from './entries.ts';
import { menus } from './menus.ts';

const controls = ['button', 'a[href]', 'select', 'input:not([type=hidden])', 'textarea', 'summary'];
const within = controls.flatMap((one) => [`header ${one}`, `main ${one}`]).join(', ');

/** The accessible name of a control, near enough: its label, or its text. */
function nameOf(control: HTMLElement): string {
  const own = control.getAttribute('aria-label');
  if (own) return own;
  const by = control.getAttribute('aria-labelledby');
  const labels = by
    ? by.split(/\s+/).map((id) => document.getElementById(id))
    : [...((control as HTMLInputElement).labels ?? [])];
  const label = labels.map((one) => one?.textContent ?? '').join(' ');
  return (label.trim() || control.textContent || control.title).replace(/\s+/g, ' ').trim();
}

/** The name of the section around a control; '' for one outside of sections. */
const sectionOf = (control: Element): string =>
  control.closest('section[aria-label], nav[aria-label]')?.getAttribute('aria-label') ?? '';

const isUsable = (control: HTMLElement): boolean =>
  control.checkVisibility() && !control.closest('[aria-hidden="true"], [hidden]');

/** The visible controls of the page. */
const visible = (): readonly HTMLElement[] =>
  [...document.querySelectorAll<HTMLElement>(within)].filter(isUsable);

/** Clicks a button or link; other controls get the focus. */
function activate(control: HTMLElement): void {
  control.scrollIntoView({ block: 'nearest' });
  control.focus();
  if (control.matches('button, a, summary')) control.click();
}

/** Sets a list to one of its options, as a person would. */
function choose(list: HTMLSelectElement, value: string): void {
  list.value = value;
  list.dispatchEvent(new Event('change', { bubbles: true }));
  activate(list);
}

/** The options of a list inside a sentence as entries: its words are what people look for. */
const optionEntries = (list: HTMLSelectElement, i: number): readonly Entry[] =>
  [...list.options].map((option) => ({
    id: `control ${i} ${option.value}`,
    label: option.text,
    group: nameOf(list),
    run: () => choose(list, option.value),
  }));

/** The controls of the page as entries; those that are disabled say so. */
export const controlEntries = (): readonly Entry[] =>
  visible().flatMap((control, i): readonly Entry[] => {
    if (control instanceof HTMLSelectElement && control.matches('[data-in-sentence]'))
      return optionEntries(control, i);
    const label = nameOf(control);
    // Symbols alone are handles and folds, which the list beside them describes.
    // Links of the header are listed with their set.
    const section = sectionOf(control);
    const isListed = section === words.setPages || section === words.breadcrumb;
    if (!/\p{L}{2}/u.test(label) || label.startsWith(words.commands) || isListed) return [];
    const isOff = (control as HTMLButtonElement).disabled === true;
    return [
      {
        id: `control ${i}`,
        label,
        group: section || words.onThisPage,
        ...(isOff ? { disabled: words.notAvailableNow } : {}),
        run: () => activate(control),
      },
    ];
  });

/** The items of all menus of the page as entries. */
export const menuEntries = (): readonly Entry[] =>
  [...menus].flatMap(({ label: menu, items }) =>
    items().map(
      ({ id, label, onSelect }): Entry => ({
        id: `menu ${menu} ${id}`,
        label,
        group: menu.replace(/^Actions for /, ''),
        run: onSelect,
      }),
    ),
  );

/** Runs an item of a menu of the page; `false` if the menu is not there. */
export function chooseItem(menu: string, item: string): boolean {
  const found = [...menus].find(({ label }) => label === menu);
  const chosen = found?.items().find(({ id }) => id === item);
  chosen?.onSelect();
  return chosen !== undefined;
}

/** Uses a control of the page by its name; without it, goes to its section. `false` if neither is there. */
export function operate(control: string, section: string | undefined): boolean {
  const all = visible().filter((one) => section === undefined || sectionOf(one) === section);
  const found =
    all.find((one) => nameOf(one) === control) ?? all.find((one) => nameOf(one).startsWith(control));
  if (found) activate(found);
  else if (section !== undefined) all[0]?.focus();
  return found !== undefined || (section !== undefined && all.length > 0);
}

/** Longest wait for a page, in milliseconds. */
const longest = 60_000;

/**
 * Uses a control of a page that is about to appear, once it is there: `use` returns whether it was. It gives
 * up when somebody does something else meanwhile.
 */
export function whenThere(use: () => boolean): void {
  const until = performance.now() + longest;
  const others = new AbortController();
  for (const type of ['keydown', 'pointerdown'])
    window.addEventListener(type, () => others.abort(), { signal: others.signal, capture: true });
  const look = () => {
    if (others.signal.aborted) return;
    // Before hydration a click would be lost.
    const isAlive = document.documentElement.dataset.alive !== undefined;
    if ((isAlive && use()) || performance.now() > until) others.abort();
    else setTimeout(look, 50);
  };
  look();
}
