// @vitest-environment happy-dom
import { carryOver } from '@arbeit/dom';
import { translateForm } from '@arbeit/engine/form';
import { act, StrictMode, useState } from 'react';
import { createRoot, hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { describe, expect, test, vi } from 'vitest';
import { fieldOf, stay } from '../../dom/src/adapters.fixture.ts';
import { Frame } from './frame.tsx';
import { Hint } from './hint.tsx';
import { Label } from './label.tsx';
import { Line } from './line.tsx';
import { Message } from './message.tsx';
import { atEnd, click, draw, drawField, endAll, find, texts, type } from './page.fixture.ts';
import { type Field, useField } from './use-field.ts';
import { useForm } from './use-form.ts';

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
    atEnd(() => {
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
    atEnd(() => {
      act(() => root.unmount());
      place.remove();
    });
    type(find(place, 'input'), '');
    expect(find(place, 'input').value).toBe('RH-1234');
  });
});

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
const submit = (place: HTMLElement) => act(async () => find<HTMLFormElement>(place, 'form').requestSubmit());

describe('a form that is drawn again', () => {
  test('in another language keeps what is typed, half of a value and what was taken back too', () => {
    const texts = { language: 'de', fields: { pass: { label: ['Ausweis'] } }, forms: { stay: { title: ['Aufenthalt'] } }, server: { 'not-allowed': '' } } as const; // biome-ignore format: an object
    const german = translateForm(stay, texts);
    let change = () => {};
    function Spoken() {
      const [form, setForm] = useState(stay);
      change = () => setForm(german);
      const { store, formProps } = useForm(form, { carry: carryOver });
      const pass = useField(store.field('pass').field, { store: store.field('pass') });
      return (
        <form {...formProps}>
          <h1>{store.form.title}</h1>
          {whole(pass)}
        </form>
      );
    }
    const place = draw(<Spoken />);
    const input = find(place, 'input');
    type(input, '12');
    act(() => change());
    expect([find(place, 'h1').textContent, find(place, 'label').textContent]).toEqual([
      'Aufenthalt',
      'Ausweis',
    ]);
    expect([find(place, 'input'), input.value]).toEqual([input, 'RH-12']);
    type(input, '3');
    expect(input.value).toBe('RH-123');
  });

  test('is filled in again by what a server answered, drawn there and here', async () => {
    const answer = {
      raw: { pass: '12', meals: 'half' },
      findings: [{ field: 'pass', code: 'incomplete', message: 'Please complete this field.' }],
    };
    const there = renderToString(<Stay options={{ answer }} />);
    expect(there).toContain('value="RH-12"');
    expect(there).toContain('Please complete this field.');
    const place = drawn({ answer });
    expect([find(place, '[name=pass]').value, texts(place, '[data-arbeit=message]')]).toEqual([
      'RH-12',
      ['Please complete this field.'],
    ]);
    // Nobody was here yet.
    expect(document.activeElement).toBe(document.body);
  });

  test('shows what a server alone finds', () => {
    const place = drawn({
      answer: { raw: { pass: '1234' }, findings: [{ field: 'pass', code: 'taken', message: 'Taken.' }] },
    });
    expect(texts(place, '[data-arbeit=message]')).toEqual(['Taken.']);
  });
});

describe('a form', () => {
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
    endAll();
    expect(told).toEqual(['on stay', 'off']);
  });
});
