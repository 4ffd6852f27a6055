// @vitest-environment happy-dom

import { calendar, regionList } from '@arbeit/dom';
import { act } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { fieldOf } from '../../dom/src/adapters.fixture.ts';
import { openDay } from '../../dom/src/days.ts';
import { Boxes } from './boxes.tsx';
import { controlOf } from './control.tsx';
import { Counter } from './counter.tsx';
import { Label } from './label.tsx';
import { Line } from './line.tsx';
import { chooseDay, Month } from './month.tsx';
import { click, drawField, endAll, find, press, texts, type } from './page.fixture.ts';
import { PartLabels } from './part-labels.tsx';
import { pickerWith } from './picker.tsx';
import { Picks } from './picks.tsx';
import { chooseRegion, RegionList, regionOf } from './region-list.tsx';
import { Resting } from './resting.tsx';

describe('controls', () => {
  const Control = controlOf({ boxes: Boxes, picks: Picks });

  test('boxes show characters, caret and selection, and conceal', () => {
    const { place } = drawField('pin', (field) => <Control field={field} label="PIN" />);
    const input = find(place, 'input');
    expect([input.type, input.getAttribute('aria-label')]).toEqual(['password', 'PIN']);
    type(input, '48');
    expect(texts(place, '[data-box]')).toEqual(['•', '•', '', '']);
    expect([...place.querySelectorAll('[data-box]')].map((box) => box.hasAttribute('data-active'))).toEqual([
      false, false, true, false,
    ]); // biome-ignore format: a row of boxes
    click(find(place, '[data-arbeit=reveal]'));
    expect([find(place, 'input').type, texts(place, '[data-box]')]).toEqual(['text', ['4', '8', '', '']]);
  });

  test('a secret is never an attribute', () => {
    const { place } = drawField('pin', (field) => <Control field={field} />);
    type(find(place, 'input'), '4815');
    expect(place.innerHTML).not.toContain('4815');
  });

  test('a concealed text is revealed and concealed by its control', () => {
    const { place } = drawField('word', (field) => <Control field={field} />);
    const typeOf = () => find(place, 'input').type;
    const before = typeOf();
    click(find(place, '[data-arbeit=reveal]'));
    const revealed = typeOf();
    click(find(place, '[data-arbeit=reveal]'));
    expect([before, revealed, typeOf()]).toEqual(['password', 'text', 'password']);
  });

  test('buttons are picked, and named by the label', () => {
    const { place, field } = drawField('meals', (field) => (
      <>
        <Label field={field} />
        <Control field={field} />
      </>
    ));
    const group = find(place, '[role=radiogroup]');
    expect(document.getElementById(group.getAttribute('aria-labelledby')!)!.textContent).toBe('Meals');
    act(() => {
      const half = find(place, '[value=half]');
      half.checked = true;
      half.dispatchEvent(new Event('change', { bubbles: true }));
    });
    expect(field().evaluation.value).toBe('half');
  });

  test('several lines are a text area with a count that is said', () => {
    const { place } = drawField('remarks', (field) => (
      <>
        <Control field={field} />
        <Counter field={field} classNames={{ said: 'said' }} />
      </>
    ));
    expect([find(place, 'textarea').getAttribute('rows'), texts(place, '.said')]).toEqual(['3', []]);
    type(find(place, 'textarea'), 'fogs');
    expect(texts(place, '.said')).toEqual(['Characters left: 4']);
  });

  test('names of parts put the caret into theirs', () => {
    const { place, field } = drawField('arrival', (field) => (
      <>
        <Control field={field} />
        <PartLabels field={field} />
      </>
    ));
    type(find(place, 'input'), '14022027');
    click(find(place, 'button:nth-of-type(2)'));
    const { start, end } = field().state;
    expect([texts(place, 'button'), start, end]).toEqual([['day', 'month', 'year'], 3, 5]);
  });
});

/** Chooses an option of a list as a person does. */
const choose = (list: HTMLSelectElement, value: string) =>
  act(() => {
    list.value = value;
    list.dispatchEvent(new Event('change', { bubbles: true }));
  });

test('a picker is drawn beside its field, and removed with it; other fields have none', () => {
  const Picker = pickerWith({ calendar, 'region-list': regionList });
  const { place, field } = drawField('phone', (field) => (
    <div>
      <Line field={field} />
      <Picker field={field} />
    </div>
  ));
  click(find(place, '[data-arbeit=opener]'));
  press(document.activeElement as HTMLElement, 'ArrowUp');
  press(document.activeElement as HTMLElement, 'Enter');
  expect([field().facts.region, texts(place, '[data-arbeit=opener]')]).toEqual(['CH', ['CH +41']]);
  expect(document.activeElement).toBe(find(place, 'input'));
  const own = find(place, '[data-arbeit=picker]');
  endAll();
  expect(own.childNodes.length).toBe(0);
  const plain = drawField('price', (field) => <Picker field={field} />);
  expect(find(plain.place, '[data-arbeit=picker]').childNodes.length).toBe(0);
});

describe('a calendar', () => {
  const picked: string[] = [];
  const drawn = () =>
    drawField('arrival', (field) => (
      <Month field={field} today="2027-02-10" onPick={(date) => picked.push(date)} />
    )).place;
  const focused = () => document.activeElement?.getAttribute('aria-label');

  test('begins at today, and the keys of a date grid move through it', () => {
    const table = find(drawn(), 'table');
    expect(focused()).toBe('Wednesday, 10 February 2027');
    press(table, 'ArrowDown');
    press(table, 'ArrowRight');
    expect(focused()).toBe('Thursday, 18 February 2027');
    press(table, 'PageDown', { shiftKey: true });
    expect(focused()).toBe('Friday, 18 February 2028');
  });

  test('month and year are chosen from lists, which keep the focus; a day stays if the month has it', () => {
    const place = drawn();
    const [month, year] = ['month', 'year'].map((name) => find(place, `select[aria-label="${name}"]`) as HTMLSelectElement);
    const shown = () => find(place, '[tabindex="0"]').getAttribute('aria-label');
    expect([month!.value, year!.value, year!.options.length]).toEqual(['2', '2027', 131]);
    month!.focus();
    for (const [list, value] of [[month!, '1'], [year!, '2010']] as const) choose(list, value);
    expect([shown(), document.activeElement]).toEqual(['Sunday, 10 January 2010. The hut is closed.', month]);
    press(find(place, 'table'), 'ArrowRight');
    expect(focused()).toBe('Monday, 11 January 2010. The hut is closed.');
    for (const _ of Array(20)) press(find(place, 'table'), 'ArrowRight');
    expect(shown()).toMatch(/^Sunday, 31 January 2010/);
    choose(month!, '2');
    expect(shown()).toMatch(/^Sunday, 28 February 2010/);
    // The arrows keep the focus as well, so that they can be pressed again.
    const [before] = place.querySelectorAll('button');
    before!.focus();
    click(before!);
    expect([document.activeElement, texts(place, '[aria-live]')[0]]).toEqual([before, 'January 2010']);
  }); // biome-ignore format: pairs

  test('begins at the nearest day that may be picked', () => {
    const arrival = fieldOf('arrival');
    expect(openDay(arrival, '2027-02-10', '2027-02-10')).toBe('2027-02-10');
    expect(openDay(arrival, '2027-02-03', '2027-02-03')).toBe('2027-02-08');
    expect(openDay(arrival, '1900-06-15', '1900-06-15')).toBe('2027-02-08');
    const never = {
      ...arrival,
      rules: arrival.rules.map((rule) => ({ ...rule, check: { type: 'in', values: [] } })),
    };
    expect(openDay(never as never, '2027-02-10', '2027-02-10')).toBe('2027-02-10');
  });

  test('a day is picked; one that a rule refuses says why', () => {
    const place = drawn();
    const day = (label: string) => find(place, `[aria-label^="${label}"]`);
    click(day('Wednesday, 3 February 2027'));
    expect([picked, texts(place, 'p')]).toEqual([[], ['The hut is closed.']]);
    expect(day('Wednesday, 3 February 2027').getAttribute('aria-disabled')).toBe('true');
    click(day('Thursday, 11 February 2027'));
    expect(picked).toEqual(['2027-02-11']);
  });
});

describe('a calendar beside a date with time', () => {
  const drawn = () =>
    drawField('called', (field) => (
      <>
        <Line field={field} />
        <Month field={field} today="2027-02-10" onPick={(date) => chooseDay(field, date)} />
      </>
    ));
  const day = (place: HTMLElement, label: string) => find(place, `[aria-label*="${label}"]`);

  test('sets the day, and the time that is typed stays', () => {
    const { place, field } = drawn();
    click(day(place, '14 February 2027'));
    expect([find(place, 'input').value, field().evaluation.value]).toEqual(['14/02/2027, ', null]);
    type(find(place, 'input'), '1630');
    expect(field().evaluation.value).toBe('2027-02-14T16:30');
    click(day(place, '15 February 2027'));
    expect(field().evaluation.value).toBe('2027-02-15T16:30');
    expect(day(place, '15 February 2027').getAttribute('aria-pressed')).toBe('true');
  });

  test('refuses days without a time that the rules accept', () => {
    const { place } = drawn();
    const isRefused = (label: string) => day(place, label).getAttribute('aria-disabled');
    expect([isRefused(' 7 February 2027'), isRefused(' 8 February 2027')]).toEqual(['true', 'false']);
  });
});

describe('a list of regions', () => {
  test('is searched, walked through and picked from; the digits stay', () => {
    const { place, field } = drawField('phone', (own) => (
      <>
        <Line field={own} />
        <RegionList
          field={own}
          onPick={(region) => chooseRegion(own, region)}
          classNames={{ none: 'none' }}
        />
      </>
    ));
    expect(texts(place, '[role=option]').length).toBe(3);
    type(find(place, 'input'), '770090012');
    const search = find(place, '[role=combobox]');
    const searchFor = (text: string) =>
      act(() => {
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(search, text);
        search.dispatchEvent(new Event('input', { bubbles: true }));
      });
    searchFor('xx');
    expect(texts(place, '.none')[0]).not.toBe('');
    searchFor('');
    press(search, 'ArrowDown');
    searchFor('4');
    // What is found is walked through from its beginning.
    expect(texts(place, '[aria-selected=true]')).toEqual(['Switzerland+41']);
    searchFor('33');
    expect(texts(place, '[role=option]')).toEqual(['France+33']);
    press(search, 'Enter');
    expect([regionOf(field()).region, field().evaluation.raw]).toEqual(['FR', '+33770090012']);
  });
});

describe('a text that becomes a field', () => {
  const drawn = () =>
    drawField('price', (field) => (
      <Resting field={field}>
        <Line field={field} />
      </Resting>
    ));
  beforeEach(() => {
    vi.stubGlobal('requestAnimationFrame', (step: () => void) => {
      step();
      return 0;
    });
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  test('opens, keeps a valid value on Enter, and restores the old one on Escape', () => {
    const { place, field } = drawn();
    const text = () => texts(place, 'button')[0];
    expect(text()).toBe('–');
    click(find(place, 'button'));
    type(find(place, 'input'), '25');
    press(find(place, 'input'), 'Enter');
    expect(text()).toBe('£25.00');
    click(find(place, 'button'));
    type(find(place, 'input'), '9');
    press(find(place, 'input'), 'Escape');
    expect([text(), field().evaluation.value]).toEqual(['£25.00', '25.00']);
  });

  test('stays open with its message while it is invalid', () => {
    const { place } = drawn();
    click(find(place, 'button'));
    type(find(place, 'input'), '900');
    press(find(place, 'input'), 'Enter');
    expect([find(place, 'input').value, texts(place, '[data-arbeit=message]')]).toEqual([
      '£900',
      ['Enter £500.00 or less.'],
    ]);
  });
});
