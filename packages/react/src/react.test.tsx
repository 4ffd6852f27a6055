// @vitest-environment happy-dom
import { compile } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { act, type ReactNode, StrictMode } from 'react';
import { createRoot, hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Boxes } from './boxes.tsx';
import { controlOf } from './control.tsx';
import { Counter } from './counter.tsx';
import { Frame } from './frame.tsx';
import { Hint } from './hint.tsx';
import { Label } from './label.tsx';
import { Line } from './line.tsx';
import { Message } from './message.tsx';
import { chooseDay, Month } from './month.tsx';
import { PartLabels } from './part-labels.tsx';
import { Picks } from './picks.tsx';
import { chooseRegion, RegionList, regionOf } from './region-list.tsx';
import { Resting } from './resting.tsx';
import { type Field, useField } from './use-field.ts';
import { useForm } from './use-form.ts';

const { fields, forms } = compile(
  {
    arbeit: 2,
    title: 'Ridge Huts',
    locale: 'en-GB',
    fields: [
      { id: 'pass', kind: 'pattern', label: 'Pass', hint: 'On its back.', entry: { pattern: 'RH-<4 digit>', ghost: true }, look: { width: 9, before: '№', icon: '<svg viewBox="0 0 2 2"><circle cx="1" cy="1" r="1"/></svg>' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
      { id: 'meals', kind: 'choice', label: 'Meals', entry: { draw: 'radio', options: [{ value: 'none', label: 'No meals' }, { value: 'half', label: 'Half board' }] } },
      { id: 'nights', kind: 'number', label: 'Nights', when: { field: 'meals', is: 'half' } },
      { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } },
      { id: 'word', kind: 'text', label: 'Word', entry: { conceal: true } },
      { id: 'remarks', kind: 'text', label: 'Remarks', entry: { lines: 3, max: 8 } },
      { id: 'arrival', kind: 'date', label: 'Arrival', rules: [{ id: 'soon', check: { type: 'range', min: '2027-02-08' }, say: 'The hut is closed.' }] },
      { id: 'called', kind: 'date-time', label: 'Called', rules: [{ id: 'soon', check: { type: 'range', min: '2027-02-08T12:00' }, say: 'The hut is closed.' }] },
      { id: 'phone', kind: 'phone', label: 'Phone', entry: { home: 'GB', regions: ['GB', 'FR', 'CH'] } },
      { id: 'price', kind: 'currency', label: 'Price', entry: { currency: 'GBP' }, rules: [{ id: 'most', check: { type: 'range', max: 500 } }] },
    ], // biome-ignore format: a field a line
    forms: [{ id: 'stay', title: 'Stay', fields: ['pass', 'meals', 'nights'] }],
  } as never,
  kinds,
);
const fieldOf = (id: string) => fields.find((one) => one.id === id)!;
const stay = forms[0]!;

let ends: (() => void)[] = [];
beforeEach(() => {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
});
afterEach(() => {
  for (const end of ends) end();
  ends = [];
});
/** Draws a component on the page. */
function draw(node: ReactNode): HTMLElement {
  const place = document.body.appendChild(document.createElement('div'));
  const root = createRoot(place);
  act(() => root.render(node));
  ends.push(() => {
    act(() => root.unmount());
    place.remove();
  });
  return place;
}
/** Draws one field with whatever is to be tested, and answers the field of the latest render. */
function drawField(
  id: string,
  drawn: (field: Field) => ReactNode,
): { place: HTMLElement; field: () => Field } {
  let latest: Field | undefined;
  function Drawn() {
    const field = useField(fieldOf(id), { today: '2027-02-10' });
    latest = field;
    return drawn(field);
  }
  return { place: draw(<Drawn />), field: () => latest! };
}
const find = <E extends HTMLElement = HTMLInputElement>(place: HTMLElement, selector: string): E =>
  place.querySelector<E>(selector)!;
const texts = (place: HTMLElement, selector: string): readonly string[] =>
  [...place.querySelectorAll(selector)].map(({ textContent }) => textContent ?? '');
/** Types as a browser reports it before it changes the input (Input Events Level 2). */
const type = (input: HTMLElement, text: string) =>
  act(() => {
    input.focus();
    for (const data of text)
      input.dispatchEvent(
        new InputEvent('beforeinput', { inputType: 'insertText', data, bubbles: true, cancelable: true }),
      );
  });
const click = (element: HTMLElement) => act(() => element.click());
const press = (element: HTMLElement, key: string, more: object = {}) =>
  act(() => {
    element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
  });

/** A field with everything around it. */
const whole = (field: Field) => (
  <div {...field.rootProps} className="root">
    <Label field={field} />
    <Frame field={field}>
      <Line field={field} />
    </Frame>
    <Hint field={field} />
    <Message field={field} />
    <output>{String(field.evaluation.value)}</output>
  </div>
);

describe('a field', () => {
  test('has its label, hint and message tied to its input', () => {
    const { place } = drawField('pass', whole);
    const input = find(place, 'input');
    expect(find<HTMLLabelElement>(place, 'label').htmlFor).toBe(input.id);
    const described = input.getAttribute('aria-describedby')!.split(' ');
    expect(described.map((id) => document.getElementById(id)!.textContent)).toEqual(['On its back.', '']);
    expect(find(place, '[data-arbeit=message]').getAttribute('aria-live')).toBe('polite');
    expect([
      ...texts(place, '[data-arbeit=sign]'),
      find(place, '[data-arbeit=icon] circle') !== null,
    ]).toEqual(['№', true]);
  });

  test('formats what is typed, draws its guide text, and says what is wrong', () => {
    const { place, field } = drawField('pass', whole);
    const input = find(place, 'input');
    type(input, '12');
    expect([input.value, texts(place, '[data-arbeit=ghost]')]).toEqual(['RH-12', ['RH-12__']]);
    type(input, '34');
    expect([input.value, texts(place, 'output')]).toEqual(['RH-1234', ['1234']]);
    act(() => {
      field().store.dispatch({ type: 'set', text: '' });
      field().store.dispatch({ type: 'submit' });
    });
    const message = find(place, '[data-arbeit=message]');
    expect([message.textContent, message.dataset.severity]).toEqual(['Please fill in this field.', 'error']);
    expect(find(place, '.root').hasAttribute('data-wrong')).toBe(true);
  });
});

describe('the binding of a field', () => {
  test('is drawn once per key, and its input is bound once', () => {
    let draws = 0;
    const { place } = drawField('pass', (field) => {
      draws++;
      return whole(field);
    });
    const input = find(place, 'input');
    act(() => input.focus());
    const listening = vi.spyOn(input, 'addEventListener');
    const before = draws;
    for (const key of '1234') type(input, key);
    expect([draws - before, listening.mock.calls]).toEqual([4, []]);
  });

  test('keeps what is typed in strict mode, where effects run twice', () => {
    function Strict() {
      return <Line field={useField(fieldOf('pass'))} />;
    }
    const place = draw(
      <StrictMode>
        <Strict />
      </StrictMode>,
    );
    type(find(place, 'input'), '1234');
    expect(find(place, 'input').value).toBe('RH-1234');
  });

  test('of another definition begins anew', () => {
    function Changing({ id }: { readonly id: string }) {
      return <Line field={useField(fieldOf(id))} />;
    }
    const place = document.body.appendChild(document.createElement('div'));
    const root = createRoot(place);
    ends.push(() => {
      act(() => root.unmount());
      place.remove();
    });
    act(() => root.render(<Changing id="pass" />));
    type(find(place, 'input'), '12');
    act(() => root.render(<Changing id="nights" key="other" />));
    type(find(place, 'input'), '7');
    expect([find(place, 'input').name, find(place, 'input').value]).toEqual(['nights', '7']);
  });

  test('takes over what was typed before it was hydrated', async () => {
    function Pass() {
      return <Line field={useField(fieldOf('pass'))} />;
    }
    const place = document.body.appendChild(document.createElement('div'));
    place.innerHTML = renderToString(<Pass />);
    find(place, 'input').value = '1234';
    const root = await act(() => hydrateRoot(place, <Pass />));
    ends.push(() => {
      act(() => root.unmount());
      place.remove();
    });
    type(find(place, 'input'), '');
    expect(find(place, 'input').value).toBe('RH-1234');
  });
});

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

describe('a form', () => {
  function Stay({ options }: { readonly options: Parameters<typeof useForm>[1] }) {
    const { store, formProps, isReady, sending } = useForm(stay, options);
    const pass = useField(store.field('pass').field, { store: store.field('pass') });
    const nights = useField(store.field('nights').field, { store: store.field('nights') });
    return (
      <form {...formProps}>
        <Line field={pass} />
        <Message field={pass} />
        <div {...nights.rootProps} className="nights">
          <Line field={nights} />
        </div>
        <button type="button" onClick={() => store.field('meals').dispatch({ type: 'set', text: 'half' })} />
        <output>{`${isReady} ${sending.is}`}</output>
      </form>
    );
  }
  const drawn = (options: Parameters<typeof useForm>[1] = {}) => draw(<Stay options={options} />);
  const submit = (place: HTMLElement) =>
    act(async () => find<HTMLFormElement>(place, 'form').requestSubmit());

  test('that is not ready is held back, and its first wrong field has the focus', async () => {
    const sent: unknown[] = [];
    const place = drawn({
      send: async ({ raw }) => {
        sent.push(raw);
        return [];
      },
    });
    await submit(place);
    expect([sent, document.activeElement]).toEqual([[], find(place, '[name=pass]')]);
  });

  test('sends what counts once, by the function of its latest render, and shows what the server found', async () => {
    const sent: unknown[] = [];
    const place = drawn({
      async send({ raw }) {
        sent.push(raw);
        return [{ field: 'pass', code: 'unknown', message: 'This pass is unknown.' }];
      },
    });
    type(find(place, '[name=pass]'), '1234');
    expect(texts(place, 'output')).toEqual(['true no']);
    await submit(place);
    expect(sent).toEqual([{ pass: '1234', meals: '' }]);
    expect(texts(place, '[data-arbeit=message]')).toEqual(['This pass is unknown.']);
  });

  test('hides a field while it does not count', () => {
    const place = drawn();
    const before = find(place, '.nights').hidden;
    click(find(place, 'button'));
    expect([before, find(place, '.nights').hidden]).toEqual([true, false]);
  });

  test('asks its questions while it is on the page', () => {
    const told: string[] = [];
    drawn({
      drive: (store) => {
        told.push(`on ${store.form.id}`);
        return () => told.push('off');
      },
    });
    for (const end of ends) end();
    ends = [];
    expect(told).toEqual(['on stay', 'off']);
  });
});
