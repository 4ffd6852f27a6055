import { disclosure, made, type Picker } from './picker.ts';
import { findRegions, type RegionChoice, regionChoices, regionEvent, regionIn } from './regions.ts';
import type { FieldStore } from './store.ts';

/** How far the keys for pages move. */
const page = 8;

let lists = 0;

/** An option of the list. */
function optionOf({ region, name, code }: RegionChoice, id: string): HTMLElement {
  const option = made('div', 'region');
  option.id = `${id}-${region}`;
  option.role = 'option';
  const number = made('span', 'region-code', `+${code}`);
  const called = document.createElement('span');
  called.textContent = name;
  option.append(called, number);
  return option;
}

/** Draws the searchable list into a panel (WAI-ARIA, combobox with a listbox). */
function drawList(panel: HTMLElement, store: FieldStore, pick: (region: string) => void): void {
  const { words = {}, language, locale } = store.field;
  const id = `arbeit-regions-${++lists}`;
  const search = made('input', 'search');
  search.role = 'combobox';
  search.ariaExpanded = 'true';
  search.setAttribute('aria-controls', id);
  search.ariaLabel = words['region-search'] ?? '';
  search.placeholder = words['region-hint'] ?? '';
  const list = made('div', 'regions');
  list.id = id;
  list.role = 'listbox';
  list.ariaLabel = words.regions ?? '';
  list.tabIndex = -1;
  const { plans, region: present } = regionIn(store);
  const choices = regionChoices(plans, language ?? locale);
  let found: readonly RegionChoice[] = [];
  let at = 0;
  const mark = (to: number): void => {
    at = Math.max(0, Math.min(found.length - 1, to));
    for (const [i, option] of [...list.children].entries())
      if (found.length > 0) {
        option.ariaSelected = String(i === at);
        option.setAttribute('part', i === at ? 'region selected-region' : 'region');
      }
    const chosen = found.length > 0 ? list.children[at] : undefined;
    if (chosen) search.setAttribute('aria-activedescendant', chosen.id);
    else search.removeAttribute('aria-activedescendant');
    chosen?.scrollIntoView({ block: 'nearest' });
  };
  const look = (): void => {
    found = findRegions(choices, search.value);
    const nothing = made('p', 'none', words['no-region'] ?? '');
    list.replaceChildren(...(found.length ? found.map((one) => optionOf(one, id)) : [nothing]));
    // The whole list begins at the region that the number has.
    mark(search.value.trim() === '' ? found.findIndex(({ region }) => region === present) : 0);
  };
  search.addEventListener('input', look);
  search.addEventListener('keydown', (event) => {
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, PageDown: at + page, PageUp: at - page }[event.key];
    const chosen = found[at];
    if (to === undefined && (event.key !== 'Enter' || !chosen)) return;
    event.preventDefault();
    if (to !== undefined) mark(to);
    else if (chosen) pick(chosen.region);
  });
  list.addEventListener('click', ({ target }) => {
    const option = (target as Element).closest('[role=option]');
    const chosen = option && found[[...list.children].indexOf(option)];
    if (chosen) pick(chosen.region);
  });
  panel.append(search, list);
  look();
  search.focus();
}

/**
 * A button that shows the region of a telephone number, found while it is typed, and opens a list to choose
 * another: by name, letters or calling code. The digits stay.
 *
 * @example
 * const remove = regionList(createStore(pass, evaluateOn()))(document.body);
 */
export const regionList: Picker = (store) => (place) => {
  const { words = {} } = store.field;
  const text = (): string => {
    const { region, code } = regionIn(store);
    return `${region} +${code}`;
  };
  return disclosure(place, store, {
    text,
    name: () => `${text()}: ${regionIn(store).name}`,
    panel: words.regions ?? '',
    draw(panel, close) {
      drawList(panel, store, (region) => {
        const event = regionEvent(store, region);
        if (event) store.dispatch(event);
        close();
      });
    },
  });
};
