// @vitest-environment happy-dom

import { calendar, pickerOf } from '@arbeit/dom';
import { translateForm } from '@arbeit/engine/form';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { createApp, h, nextTick, ref } from 'vue';
import { fieldOf, stay, type, walks } from '../../dom/src/adapters.fixture.ts';
import { useField } from './use-field.ts';
import { useForm } from './use-form.ts';
import { usePicker } from './use-picker.ts';

let mountings: (() => void)[] = [];
function letGo(): void {
  for (const one of mountings) one();
  mountings = [];
}
/** A page with one component; answers what its setup made. */
function mounted<T>(setup: () => T, draw: (made: T) => ReturnType<typeof h>): T {
  let made: T | undefined;
  const app = createApp({
    setup() {
      const own = setup();
      made = own;
      return () => draw(own);
    },
  });
  const root = document.body.appendChild(document.createElement('div'));
  app.mount(root);
  mountings.push(() => {
    app.unmount();
    root.remove();
  });
  return made!;
}
afterEach(letGo);

const find = <E extends HTMLElement = HTMLInputElement>(selector: string): E =>
  document.querySelector<E>(selector)!;

test('a calendar is drawn into the place of a component, and removed with it', async () => {
  const today = '2027-02-10';
  const { value } = mounted(
    () => {
      const own = useField(fieldOf('arrival'), { today });
      return { ...own, place: usePicker(own.store, pickerOf({ calendar }), { today }) };
    },
    ({ inputProps, place }) => h('div', [h('input', inputProps), h('span', { ref: place, id: 'place' })]),
  );
  await nextTick();
  find('[data-arbeit=opener]').click();
  find('[data-arbeit=day][tabindex="0"]').click();
  expect([value.value, document.activeElement === find('input')]).toEqual([today, true]);
  const place = find('#place');
  letGo();
  expect(place.childNodes.length).toBe(0);
});

describe('a field', () => {
  const shown = (draw = true) =>
    mounted(
      () => useField(fieldOf('pass')),
      ({ inputProps, rootProps, evaluation, value }) =>
        h('div', { ...rootProps.value, class: 'root' }, [
          draw ? h('input', inputProps) : null,
          h('output', `${evaluation.value.display} ${value.value}`),
        ]),
    );

  test('formats what is typed, and what it shows of it follows', async () => {
    const { evaluation, raw, value } = shown();
    const input = find('input');
    expect([input.name, input.getAttribute('aria-required')]).toEqual(['pass', 'true']);
    type(input, '12');
    await nextTick();
    expect([input.value, find('output').textContent]).toEqual(['RH-12', 'RH-12 null']);
    type(input, '34');
    await nextTick();
    expect([input.value, evaluation.value.display, raw.value, value.value]).toEqual([
      'RH-1234',
      'RH-1234',
      '1234',
      '1234',
    ]);
  });

  test('is written by a program, as v-model writes', async () => {
    const { raw } = shown();
    raw.value = '9876';
    await nextTick();
    expect(find('input').value).toBe('RH-9876');
    expect(find('output').textContent).toBe('RH-9876 9876');
  });

  test('tells its states on the element around it', async () => {
    const { store } = shown();
    const root = find('.root');
    expect([root.dataset.arbeit, root.style.getPropertyValue('--arbeit-width')]).not.toContain('');
    expect([root.hasAttribute('data-wrong'), root.hasAttribute('data-filled')]).toEqual([false, false]);
    store.dispatch({ type: 'submit' });
    await nextTick();
    expect(root.hasAttribute('data-wrong')).toBe(true);
    store.dispatch({ type: 'set', text: '1234' });
    await nextTick();
    expect([root.hasAttribute('data-wrong'), root.hasAttribute('data-filled')]).toEqual([false, true]);
  });

  test('connects its parts by ids, and says how it is drawn and what else is known of it', async () => {
    const { labelProps, inputProps, hintProps, messageProps, shape, guideText, raw } = shown();
    expect([labelProps.for, inputProps['aria-describedby'], shape.control]).toEqual([
      inputProps.id,
      `${hintProps.id} ${messageProps.id}`,
      'input',
    ]);
    raw.value = '12';
    expect(guideText.value).toBe('__');
    const other = mounted(
      () => [useField(fieldOf('extras')), useField(fieldOf('pass'))] as const,
      () => h('p'),
    );
    expect(other[0].shape).toMatchObject({
      control: 'checkbox',
      options: [{ value: 'tea' }, { value: 'hut map' }],
    });
    expect(other[0].isPicked('tea')).toBe(false);
    other[0].raw.value = 'tea';
    expect([other[0].isPicked('tea'), other[0].isPicked('hut map')]).toEqual([true, false]);
    expect(other[0].inputProps['aria-labelledby']).toBe(other[0].labelProps.id);
    expect(other[1].inputProps.id).not.toBe(inputProps.id);
  });

  test('of a store made elsewhere is that field', () => {
    const { store } = shown();
    const other = mounted(
      () => useField(fieldOf('pass'), { store }),
      ({ inputProps }) => h('input', { ...inputProps, class: 'other' }),
    );
    type(find('.other'), '7');
    expect(other.store).toBe(store);
    expect(store.evaluation().raw).toBe('7');
  });

  test('is bound once, however often its component is drawn', async () => {
    const { evaluation } = shown();
    const input = find('input');
    const listening = vi.spyOn(input, 'addEventListener');
    type(input, '1234');
    await nextTick();
    expect([evaluation.value.raw, listening.mock.calls]).toEqual(['1234', []]);
  });

  test('lets its input go when it is drawn no more', async () => {
    const isDrawn = ref(true);
    const { store } = mounted(
      () => useField(fieldOf('pass')),
      ({ inputProps }) => h('div', [isDrawn.value ? h('input', inputProps) : null]),
    );
    const input = find('input');
    isDrawn.value = false;
    await nextTick();
    document.body.append(input);
    type(input, '5');
    expect(store.evaluation().raw).toBe('');
    input.remove();
  });

  test('hears nothing any more once its component is gone', () => {
    const { store, evaluation } = shown();
    letGo();
    store.dispatch({ type: 'set', text: '1234' });
    expect([store.evaluation().raw, evaluation.value.raw]).toEqual(['1234', '']);
  });
});

test('radio buttons are picked', async () => {
  const { value } = mounted(
    () => useField(fieldOf('meals')),
    ({ inputProps }) =>
      h('div', inputProps, [
        h('input', { type: 'radio', name: 'meals', value: 'none' }),
        h('input', { type: 'radio', name: 'meals', value: 'half' }),
      ]),
  );
  // What only an input may have is not on the element around them.
  const names = find('div div').getAttributeNames();
  expect(names.filter((name) => !/^(?:id|data|aria)/.test(name))).toEqual(['role']);
  const half = find('[value=half]');
  half.checked = true;
  half.dispatchEvent(new Event('change', { bubbles: true }));
  await nextTick();
  expect(value.value).toBe('half');
});

describe('a form', () => {
  const drawn = (options: Parameters<typeof useForm>[1] = {}) => {
    const made = mounted(
      () => {
        const { field, ...form } = useForm(stay, options);
        return { ...form, pass: field('pass'), meals: field('meals'), nights: field('nights') };
      },
      ({ formProps, pass, nights, isReady, sending }) =>
        h('form', formProps, [
          h('div', [h('input', pass.inputProps)]),
          h('div', { ...nights.rootProps.value, class: 'nights' }, [h('input', nights.inputProps)]),
          h('output', `${isReady.value} ${sending.value.is}`),
        ]),
    );
    return { ...made, form: find<HTMLFormElement>('form'), output: find('output') };
  };
  const settle = async () => {
    for (let i = 0; i < 5; i++) await nextTick();
  };

  test('submits the raw value of a field before anything is drawn again', () => {
    const { form } = drawn();
    const input = find('[name=pass]');
    type(input, '1234');
    expect(input.value).toBe('RH-1234');
    const data = new FormData(form);
    form.dispatchEvent(Object.assign(new Event('formdata', { bubbles: true }), { formData: data }));
    expect(data.get('pass')).toBe('1234');
  });

  test('shows what is typed into one field in another that shares its value', async () => {
    mounted(
      () => {
        const { field } = useForm(walks);
        return [field('walk'), field('minutes')] as const;
      },
      ([walk, minutes]) => h('form', [h('input', walk.inputProps), h('input', minutes.inputProps)]),
    );
    type(find('[name=minutes]'), '65');
    await nextTick();
    expect([find('[name=walk]').value, find('[name=minutes]').value]).toEqual(['1 h 5 min', '65 min']);
  });

  test('drawn anew in another language has what was typed before, half of it too', async () => {
    const first = useForm(stay);
    first.field('pass').store.dispatch({ type: 'set', text: '12' });
    const texts = { language: 'de', fields: { pass: { label: ['Ausweis'] } }, forms: {}, server: { 'not-allowed': '' } } as const; // biome-ignore format: an object
    const next = useForm(translateForm(stay, texts), { from: first.store });
    expect([next.field('pass').raw.value, next.store.form.fields[0]!.label]).toEqual(['12', 'Ausweis']);
  });

  test('that is not ready is held back, and its first wrong field has the focus', async () => {
    const sent: unknown[] = [];
    const { form, output } = drawn({
      send: async ({ raw }) => {
        sent.push(raw);
        return [];
      },
    });
    expect([output.textContent, form.noValidate]).toEqual(['false no', true]);
    form.requestSubmit();
    await settle();
    expect(sent).toEqual([]);
    expect(document.activeElement).toBe(find('[name=pass]'));
  });

  test('sends what counts, and shows what the server found at its field', async () => {
    const sent: unknown[] = [];
    const { form, output, pass } = drawn({
      async send(record) {
        sent.push(record.raw);
        return [{ field: 'pass', code: 'unknown', message: 'This pass is unknown.' }];
      },
    });
    type(find('[name=pass]'), '1234');
    form.requestSubmit();
    await settle();
    expect(sent).toEqual([{ pass: '1234', meals: '' }]);
    expect(pass.evaluation.value.shown.map(({ message }) => message)).toEqual(['This pass is unknown.']);
    // What the server found wrong is wrong until it is edited.
    expect(output.textContent).toBe('false no');
  });

  test('hides a field while it does not count', async () => {
    const { meals } = drawn();
    expect(find('.nights').hidden).toBe(true);
    meals.raw.value = 'half';
    await nextTick();
    expect(find('.nights').hidden).toBe(false);
  });

  test('asks its questions while its component exists', () => {
    const told: string[] = [];
    drawn({
      drive: (store) => {
        told.push(`on ${store.form.id}`);
        return () => told.push('off');
      },
    });
    letGo();
    expect(told).toEqual(['on stay', 'off']);
  });
});
