// @vitest-environment happy-dom
import { compile } from '@arbeit/engine/document';
import { translateForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { afterEach, describe, expect, test } from 'vitest';
import { fieldOf, stay, type } from '../../dom/src/adapters.fixture.ts';
import { field } from './field.ts';
import { form } from './form.ts';

afterEach(() => document.body.replaceChildren());
const put = <K extends keyof HTMLElementTagNameMap>(
  tag: K,
  attributes: object = {},
  into: Element = document.body,
): HTMLElementTagNameMap[K] => {
  const element = into.appendChild(document.createElement(tag));
  for (const [name, value] of Object.entries(attributes)) element.setAttribute(name, String(value));
  return element;
};
/** Attaches an element as Svelte does for props that are spread, until the function it returns is called. */
const attach = <E extends HTMLElement>(
  element: E,
  props: { readonly [key: symbol]: (element: E) => unknown },
): (() => void) => {
  const ends = Object.getOwnPropertySymbols(props).map((key) => props[key]!(element) as () => void);
  return () => {
    for (const end of ends) end();
  };
};

describe('a field', () => {
  test('is a store: its evaluation at once and after each change, and none after the end', () => {
    const live = field(fieldOf('pass'));
    const seen: string[] = [];
    const end = live.subscribe(({ display, value }) => seen.push(`${display} ${value}`));
    live.set('12');
    live.set('1234');
    end();
    live.set('99');
    expect(seen).toEqual([' null', 'RH-12 null', 'RH-1234 1234']);
  });

  test('formats what is typed into its control until that is destroyed', () => {
    const live = field(fieldOf('pass'));
    const input = put('input', live.inputProps);
    expect([input.name, input.getAttribute('aria-required')]).toEqual(['pass', 'true']);
    const destroy = attach(input, live.inputProps);
    type(input, '1234');
    expect([input.value, live.store.evaluation().value]).toEqual(['RH-1234', '1234']);
    live.set('56');
    expect(input.value).toBe('RH-56');
    destroy();
    type(input, '7');
    expect(live.store.evaluation().raw).toBe('56');
  });

  test('tells its states, its appearance and its values as they are now', () => {
    const live = field(fieldOf('pass'));
    const told = () => [live.rootProps['data-wrong'], live.rootProps['data-filled'], live.rootProps.hidden];
    expect([live.rootProps['data-arbeit'], live.rootProps.style, ...told()]).toEqual([
      'field',
      '--arbeit-width: calc(9ch + 1.5em)',
      undefined,
      undefined,
      undefined,
    ]);
    live.store.dispatch({ type: 'submit' });
    expect(told()).toEqual(['', undefined, undefined]);
    live.raw = '12';
    expect([live.raw, live.value, live.evaluation.display, live.guideText]).toEqual([
      '12',
      null,
      'RH-12',
      '__',
    ]);
    live.raw = '1234';
    expect([...told(), live.value]).toEqual([undefined, '', undefined, '1234']);
  });

  test('connects its parts by ids', () => {
    const { labelProps, inputProps, hintProps, messageProps } = field(fieldOf('pass'), { id: 'x' });
    expect([labelProps.for, inputProps['aria-describedby']]).toEqual([
      inputProps.id,
      `${hintProps.id} ${messageProps.id}`,
    ]);
    const group = field(fieldOf('meals'));
    expect(group.inputProps['aria-labelledby']).toBe(group.labelProps.id);
    expect(group.shape).toMatchObject({ control: 'radio', options: [{ value: 'none' }, { value: 'half' }] });
  });

  test('of a store made elsewhere is that field', () => {
    const one = field(fieldOf('pass'));
    const other = field(fieldOf('pass'), { store: one.store });
    one.set('7');
    expect(other.store.evaluation().raw).toBe('7');
  });

  test('is evaluated on the day it is given', () => {
    const bookable = compile(
      {
        arbeit: 2,
        title: 'Day',
        locale: 'en-GB',
        fields: [
          {
            id: 'day', kind: 'date', label: 'Day', initial: '2027-02-14',
            rules: [{ id: 'past', check: { type: 'range', min: 'today' } }],
          }, // biome-ignore format: a field on a few lines
        ],
      } as never,
      kinds,
    ).fields[0]!;
    const isValidOn = (today: string) => field(bookable, { today }).store.evaluation().flags.valid;
    expect([isValidOn('2027-02-14'), isValidOn('2027-02-15')]).toEqual([true, false]);
  });
});

test('radio buttons are picked', () => {
  const live = field(fieldOf('meals'));
  const group = put('div', live.inputProps);
  // What only an input may have is not on the element around them.
  expect(group.getAttributeNames().filter((name) => !/^(?:id|data|aria)/.test(name))).toEqual(['role']);
  const [, half] = ['none', 'half'].map((value) =>
    put('input', { type: 'radio', name: 'meals', value }, group),
  );
  const destroy = attach(group, live.inputProps);
  half!.checked = true;
  half!.dispatchEvent(new Event('change', { bubbles: true }));
  expect(live.store.evaluation().value).toBe('half');
  live.set('none');
  expect(half!.checked).toBe(false);
  destroy();
});

describe('a form', () => {
  const drawn = (options: Parameters<typeof form>[1] = {}) => {
    const live = form(stay, options);
    const element = put('form');
    const input = put('input', live.field('pass').inputProps, element);
    attach(input, live.field('pass').inputProps);
    return { live, element, input, end: attach(element, live.formProps) };
  };
  const settle = () => new Promise((done) => setTimeout(done));

  test('says whether it is ready and how sending stands', () => {
    const { live } = drawn();
    const seen: string[] = [];
    const look = () => seen.push(`${live.isReady} ${live.sending.is}`);
    look();
    live.field('pass').set('1234');
    look();
    expect(seen).toEqual(['false no', 'true no']);
  });

  test('drawn anew in another language has what was typed before, half of it too', () => {
    const first = form(stay);
    first.field('pass').raw = '12';
    const texts = { language: 'de', fields: { pass: { label: ['Ausweis'] } }, forms: {}, server: { 'not-allowed': '' } } as const; // biome-ignore format: an object
    const next = form(translateForm(stay, texts), { from: first.store });
    expect([next.field('pass').raw, next.store.form.fields[0]!.label]).toEqual(['12', 'Ausweis']);
  });

  test('that is not ready is held back, and its first wrong field has the focus', async () => {
    const sent: unknown[] = [];
    const { element, input } = drawn({
      send: async ({ raw }) => {
        sent.push(raw);
        return [];
      },
    });
    element.requestSubmit();
    await settle();
    expect([sent, document.activeElement, element.noValidate]).toEqual([[], input, true]);
  });

  test('sends what counts once, and shows what the server found at its field', async () => {
    const sent: unknown[] = [];
    const { live, element, input } = drawn({
      async send({ raw }) {
        sent.push(raw);
        return [{ field: 'pass', code: 'unknown', message: 'This pass is unknown.' }];
      },
    });
    type(input, '1234');
    element.requestSubmit();
    await settle();
    expect(sent).toEqual([{ pass: '1234', meals: '' }]);
    const { shown } = live.field('pass').store.evaluation();
    expect(shown.map(({ message }) => message)).toEqual(['This pass is unknown.']);
  });

  test('hides a field while it does not count', () => {
    const { live } = drawn();
    const nights = live.field('nights');
    expect(nights.rootProps.hidden).toBe(true);
    live.field('meals').set('half');
    expect(nights.rootProps.hidden).toBe(undefined);
  });

  test('asks its questions and submits until its element is destroyed', async () => {
    const told: string[] = [];
    const { element, input, end } = drawn({
      async send() {
        told.push('sent');
        return [];
      },
      drive: (store) => {
        told.push(`on ${store.form.id}`);
        return () => told.push('off');
      },
    });
    type(input, '1234');
    end();
    element.addEventListener('submit', (event) => event.preventDefault());
    element.requestSubmit();
    await settle();
    expect(told).toEqual(['on stay', 'off']);
  });
});
