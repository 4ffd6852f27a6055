// @vitest-environment happy-dom
import { fieldsOf } from '@arbeit/engine/values';
import { afterEach, describe, expect, test } from 'vitest';
import { fieldOf } from './adapters.fixture.ts';
import { calendar } from './calendar.ts';
import { evaluateOn } from './clock.ts';
import { pickerOf } from './picker.ts';
import { regionList } from './region-list.ts';
import { createStore } from './store.ts';

const today = '2027-02-10';
const picker = pickerOf({ calendar, 'region-list': regionList });

/** A field on a page, as an adapter draws it: its control, and the place of its picker. */
function drawn(id: string) {
  const store = createStore(fieldOf(id), evaluateOn(today));
  document.body.innerHTML = '<p><input id="control"><span id="place"></span></p><button id="after"></button>';
  const place = document.getElementById('place')!;
  const remove = picker(store, { today })(place);
  const find = (name: string, more = '') => place.querySelector<HTMLElement>(`[data-arbeit=${name}]${more}`);
  const press = (key: string, shiftKey = false) =>
    document.activeElement!.dispatchEvent(
      new KeyboardEvent('keydown', { key, shiftKey, bubbles: true, cancelable: true }),
    );
  return { store, place, remove, find, press, opener: find('opener')! };
}

afterEach(() => document.body.replaceChildren());

describe('a calendar', () => {
  test('opens at a day that the rules accept, names itself, and gives the day to the field', () => {
    const { store, find, opener } = drawn('arrival');
    expect([opener.textContent, opener.ariaLabel, opener.ariaExpanded]).toEqual([
      'Calendar',
      'Calendar: Arrival',
      'false',
    ]);
    opener.click();
    expect([opener.ariaExpanded, find('panel')!.role, find('panel')!.ariaLabel]).toEqual([
      'true',
      'dialog',
      'Calendar: Arrival',
    ]);
    expect(document.activeElement?.ariaLabel).toBe('Wednesday, 10 February 2027');
    (document.activeElement as HTMLElement).click();
    expect([store.evaluation().value, find('panel'), opener.ariaExpanded]).toEqual([
      '2027-02-10',
      null,
      'false',
    ]);
    expect(document.activeElement?.id).toBe('control');
  });

  test.each([
    ['ArrowRight', false, '2027-02-11'],
    ['ArrowUp', false, '2027-02-03'],
    ['End', false, '2027-02-14'],
    ['PageDown', false, '2027-03-10'],
    ['PageUp', true, '2026-02-10'],
  ])('%s, with Shift: %s, goes to %s', (key, shiftKey, day) => {
    const { find, press, opener } = drawn('arrival');
    opener.click();
    press(key, shiftKey);
    expect(find('month')!.ariaLabel).toBe(day.slice(0, 7));
    expect(document.activeElement?.textContent).toBe(String(fieldsOf(day)[2]));
  });

  test('a day that the rules refuse says why, and is not picked', () => {
    const { store, find, press, opener } = drawn('arrival');
    opener.click();
    press('ArrowUp');
    const day = document.activeElement as HTMLElement;
    expect([day.ariaDisabled, day.title, day.hasAttribute('data-wrong')]).toEqual([
      'true',
      'The hut is closed.',
      true,
    ]);
    expect(find('problem')!.textContent).toBe('The hut is closed.');
    day.click();
    expect([store.evaluation().value, find('panel') !== null]).toEqual([null, true]);
  });

  test('months and years are chosen from lists that keep the focus; arrows turn, and say the month', () => {
    const { find, place, opener } = drawn('arrival');
    opener.click();
    const [months, years] = place.querySelectorAll('select');
    months!.focus();
    months!.value = '5';
    months!.dispatchEvent(new Event('change'));
    expect([find('month')!.ariaLabel, document.activeElement === months]).toEqual(['2027-05', true]);
    years!.value = '1990';
    years!.dispatchEvent(new Event('change'));
    expect(find('month')!.ariaLabel).toBe('1990-05');
    expect([years!.options.length, years!.options[0]!.value]).toEqual([131, '1917']);
    find('turn')!.click();
    expect([find('said')!.textContent, months!.value]).toEqual(['April 1990', '4']);
  });

  test('the time of a date with time stays', () => {
    const { store, opener } = drawn('called');
    store.dispatch({ type: 'set', text: '2027-02-12T14:30' });
    opener.click();
    expect(document.activeElement?.ariaPressed).toBe('true');
    const next = document.activeElement!.closest('td')!.nextElementSibling!.querySelector('button')!;
    next.click();
    expect(store.evaluation().value).toBe('2027-02-13T14:30');
  });
});

describe('a list of regions', () => {
  test('shows the region as it is found, and gives another to the number, which keeps its digits', () => {
    const { store, find, press, opener } = drawn('phone');
    expect([opener.textContent, opener.ariaLabel]).toEqual(['GB +44', 'GB +44: United Kingdom']);
    store.dispatch({ type: 'set', text: '+33123456789' });
    expect([opener.textContent, opener.ariaLabel]).toEqual(['FR +33', 'FR +33: France']);
    opener.click();
    const search = document.activeElement as HTMLInputElement;
    expect([search.role, search.ariaLabel !== '', find('regions')!.children.length]).toEqual([
      'combobox',
      true,
      3,
    ]);
    // It begins at the region of the number.
    expect([...find('regions')!.children].map((one) => one.ariaSelected)).toEqual(['true', 'false', 'false']);
    expect(find('regions')!.children[0]!.textContent).toBe('France+33');
    search.value = 'swi';
    search.dispatchEvent(new Event('input'));
    const [only] = find('regions')!.children;
    expect([find('regions')!.children.length, only!.textContent, only!.ariaSelected]).toEqual([
      1,
      'Switzerland+41',
      'true',
    ]);
    expect(search.getAttribute('aria-activedescendant')).toBe(only!.id);
    press('Enter');
    expect([store.evaluation().raw, document.activeElement?.id]).toEqual(['+41123456789', 'control']);
  });

  test('arrows move in the list, a press picks, and what is not there says so', () => {
    const { store, find, press, opener } = drawn('phone');
    opener.click();
    const selected = () => [...find('regions')!.children].map((one) => one.ariaSelected);
    // From the United Kingdom, the last of them.
    expect(selected()).toEqual(['false', 'false', 'true']);
    press('ArrowUp');
    press('ArrowUp');
    press('ArrowUp');
    press('ArrowDown');
    expect(selected()).toEqual(['false', 'true', 'false']);
    const search = document.activeElement as HTMLInputElement;
    search.value = 'zz';
    search.dispatchEvent(new Event('input'));
    expect([find('none')!.textContent !== '', search.hasAttribute('aria-activedescendant')]).toEqual([
      true,
      false,
    ]);
    press('Enter');
    search.value = '';
    search.dispatchEvent(new Event('input'));
    find('regions')!.querySelector<HTMLElement>('[data-arbeit=region] span')!.click();
    expect([store.evaluation().raw, find('panel')]).toEqual(['+33', null]);
  });
});

describe('what opens', () => {
  test('closes with Escape to its button, with a press elsewhere, and when the focus leaves', () => {
    const { find, press, opener } = drawn('arrival');
    opener.click();
    press('Escape');
    expect([find('panel'), document.activeElement === opener]).toEqual([null, true]);
    opener.click();
    document
      .getElementById('after')!
      .dispatchEvent(new Event('pointerdown', { bubbles: true, composed: true }));
    expect(find('panel')).toBeNull();
    opener.click();
    document.getElementById('after')!.focus();
    expect(find('panel')).toBeNull();
    opener.click();
    opener.click();
    expect([find('panel'), opener.ariaExpanded]).toEqual([null, 'false']);
  });

  test('does not open for a control that cannot be changed', () => {
    const { find, opener } = drawn('arrival');
    const control = document.getElementById('control') as HTMLInputElement;
    control.readOnly = true;
    opener.click();
    expect(find('panel')).toBeNull();
    control.readOnly = false;
    control.disabled = true;
    opener.click();
    expect(find('panel')).toBeNull();
  });

  test('is removed with its button; a field without one gets nothing', () => {
    const { place, remove, opener } = drawn('arrival');
    opener.click();
    remove?.();
    expect(place.childNodes.length).toBe(0);
    const plain = drawn('price');
    expect([plain.remove, plain.place.childNodes.length]).toEqual([undefined, 0]);
  });
});
