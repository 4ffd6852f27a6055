// @vitest-environment happy-dom

import type { FieldStore } from '@arbeit/dom/stores';
import { compileField } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { act, createElement, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { fieldOf, stay } from '../../dom/src/adapters.fixture.ts';
import { useCalendar } from './use-calendar.ts';
import { type NativeField, type NativeInputProps, useNativeField } from './use-native-field.ts';
import { type NativeForm, type NativeFormOptions, useNativeForm } from './use-native-form.ts';
import { useRegions } from './use-regions.ts';

let ends: (() => void)[] = [];
beforeEach(() => {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
});
afterEach(() => {
  for (const end of ends) end();
  ends = [];
});
function draw(node: ReactNode): void {
  const root = createRoot(document.body.appendChild(document.createElement('div')));
  act(() => root.render(node));
  ends.push(() => act(() => root.unmount()));
}

/**
 * A text control of a device: it changes its own text first and reports that afterwards, the caret before or
 * after the text. Then it shows the value and the selection of its props.
 */
class Device {
  text = '';
  start = 0;
  end = 0;
  isFocused = false;
  constructor(
    readonly props: () => NativeInputProps,
    readonly order: 'text first' | 'caret first' = 'text first',
  ) {
    this.show();
  }

  /** What the platform does with the props of the latest render. */
  show(): void {
    const { value, selection } = this.props();
    const { length } = value;
    if (this.text !== value) Object.assign(this, { text: value, start: length, end: length });
    if (selection) Object.assign(this, selection);
  }

  focus(): void {
    this.isFocused = true;
    act(() => this.props().onFocus());
    this.show();
  }

  blur(): void {
    if (!this.isFocused) return;
    this.isFocused = false;
    this.props().onBlur();
  }

  leave(): void {
    act(() => this.blur());
    this.show();
  }

  select(start: number, end = start): void {
    Object.assign(this, { start, end });
    this.notice();
    this.show();
  }

  private notice(): void {
    const { start, end } = this;
    act(() => this.props().onSelectionChange({ nativeEvent: { selection: { start, end } } }));
  }

  private replace(from: number, to: number, by: string): void {
    const text = this.text.slice(0, from) + by + this.text.slice(to);
    const caret = from + by.length;
    Object.assign(this, { text, start: caret, end: caret });
    const steps = [
      () => act(() => this.props().onChangeText(text)),
      // Between two notices it shows nothing: they were sent at once.
      () =>
        act(() =>
          this.props().onSelectionChange({ nativeEvent: { selection: { start: caret, end: caret } } }),
        ),
    ];
    for (const step of this.order === 'text first' ? steps : steps.reverse()) step();
    this.show();
  }

  type(text: string): this {
    for (const c of text) this.replace(this.start, this.end, c);
    return this;
  }

  paste(text: string): this {
    this.replace(this.start, this.end, text);
    return this;
  }

  backspace(): this {
    this.replace(this.start < this.end ? this.start : Math.max(0, this.start - 1), this.end, '');
    return this;
  }

  get seen(): readonly unknown[] {
    return [this.text, this.start, this.end];
  }
}

/** Draws one field; a device that shows it; and the field of the latest render. */
function drawField(id: string, order?: 'text first' | 'caret first') {
  let latest: NativeField | undefined;
  function Drawn() {
    latest = useNativeField(fieldOf(id), { today: '2027-02-10' });
    return null;
  }
  draw(createElement(Drawn));
  const device = new Device(() => latest!.inputProps, order);
  act(() => void latest!.inputProps.ref(device));
  return { device, field: () => latest! };
}

describe.each(['text first', 'caret first'] as const)('a field on a device that reports the %s', (order) => {
  test('is typed, edited in the middle and pasted into', () => {
    const { device, field } = drawField('pass', order);
    device.focus();
    expect(device.type('1234').seen).toEqual(['RH-1234', 7, 7]);
    device.select(5);
    expect(device.backspace().seen).toEqual(['RH-134', 4, 4]);
    expect(device.type('9').seen).toEqual(['RH-1934', 5, 5]);
    // It is full: the control shows what it showed before, the caret too.
    expect(device.type('5').seen).toEqual(['RH-1934', 5, 5]);
    device.select(0, 7);
    expect(device.paste('RH 5678').seen).toEqual(['RH-5678', 7, 7]);
    expect([field().raw, field().value]).toEqual(['5678', '5678']);
    device.select(3, 5);
    expect(device.type('0').seen).toEqual(['RH-078', 4, 4]);
  });

  test('keeps the caret where separators move the text', () => {
    const { device } = drawField('price', order);
    device.focus();
    expect(device.type('1234').seen).toEqual(['£1,234', 6, 6]);
    device.select(3);
    expect(device.type('9').seen).toEqual(['£19,234', 3, 3]);
    expect(device.backspace().backspace().seen).toEqual(['£234', 1, 1]);
  });

  test('is filled in as a whole', () => {
    const { device, field } = drawField('phone', order);
    device.focus();
    device.paste('+442079460958');
    expect(field().raw).toBe('+442079460958');
  });
});

describe('a field', () => {
  test('has the caret of the store only while it has the focus, and shows its messages when it is left', () => {
    const { device, field } = drawField('pass');
    expect(field().inputProps.selection).toBeUndefined();
    device.focus();
    expect(field().inputProps.selection).toEqual({ start: 0, end: 0 });
    device.type('12');
    device.leave();
    expect(field().inputProps.selection).toBeUndefined();
    expect([field().states.wrong, field().inputProps['aria-invalid']]).toEqual([true, true]);
    const message = field().evaluation.shown[0]!.message;
    expect(field().inputProps.accessibilityHint).toBe(`On its back. ${message}`);
  });

  test('a notice about the caret that comes late, or again, moves nothing', () => {
    const { device, field } = drawField('pass');
    device.focus();
    // The platform puts the caret after the typed character, the field after its fixed text as well.
    act(() => field().inputProps.onChangeText('1'));
    act(() => field().inputProps.onSelectionChange({ nativeEvent: { selection: { start: 1, end: 1 } } }));
    expect(field().inputProps.selection).toEqual({ start: 4, end: 4 });
    // A second one is a press on the text.
    act(() => field().inputProps.onSelectionChange({ nativeEvent: { selection: { start: 3, end: 3 } } }));
    expect(field().inputProps.selection).toEqual({ start: 3, end: 3 });
  });

  test('the selection is set again even if an edit changed nothing', () => {
    const { device, field } = drawField('pass');
    device.focus();
    const before = field().inputProps.selection;
    device.type('x');
    expect(field().inputProps.selection).toEqual(before);
    expect(field().inputProps.selection).not.toBe(before);
  });
});

describe('what a field is drawn with', () => {
  test('tells its keyboard and what fills it in', () => {
    const propsOf = (id: string) => {
      const { inputMode, autoComplete, autoCorrect, multiline, numberOfLines, secureTextEntry } =
        drawField(id).field().inputProps;
      return { inputMode, autoComplete, autoCorrect, multiline, numberOfLines, secureTextEntry };
    };
    const line = { autoCorrect: false, multiline: false, numberOfLines: undefined, secureTextEntry: false };
    expect(propsOf('phone')).toEqual({ ...line, inputMode: 'tel', autoComplete: 'tel' });
    expect(propsOf('word')).toMatchObject({ secureTextEntry: true, autoComplete: 'off' });
    expect(propsOf('remarks')).toMatchObject({ multiline: true, numberOfLines: 3, autoCorrect: true });
  });

  test('a press on a box of a code chooses it, at most the first empty one', () => {
    const { device, field } = drawField('pin');
    act(() => field().pressBox(3));
    expect([device.isFocused, field().inputProps.selection]).toEqual([true, { start: 0, end: 0 }]);
    device.show();
    device.type('135');
    act(() => field().pressBox(1));
    device.show();
    device.type('9');
    const texts = (isConcealed: boolean) =>
      field()
        .boxes(isConcealed)
        .flat()
        .map(({ text }) => text);
    expect(texts(false)).toEqual(['1', '9', '5', '']);
    expect(texts(true)).toEqual(['•', '•', '•', '']);
  });

  test('options are picked: one of several, or each for itself', () => {
    const meals = drawField('meals').field;
    act(() => meals().pickProps('half').onPress());
    expect([meals().value, meals().isPicked('half'), meals().groupProps.role]).toEqual([
      'half',
      true,
      'radiogroup',
    ]);
    const extras = drawField('extras').field;
    for (const value of ['tea', 'hut map']) act(() => extras().pickProps(value).onPress());
    expect(extras().raw).toBe('tea\nhut map');
    act(() => extras().pickProps('tea').onPress());
    expect([extras().raw, extras().pickProps('hut map')]).toMatchObject([
      'hut map',
      { role: 'checkbox', 'aria-checked': true, disabled: false },
    ]);
  });

  test('picking an option takes the focus from the text that had it', () => {
    const { device } = drawField('pass');
    device.focus();
    const { field } = drawField('meals');
    act(() => field().pickProps('none').onPress());
    expect(device.isFocused).toBe(false);
  });
});

describe('a form', () => {
  /** Draws the form with its three fields, each on a device. */
  function drawForm(options: Partial<NativeFormOptions> = {}) {
    let latest: NativeForm | undefined;
    const fields: Record<string, NativeField> = {};
    function One({ store }: { readonly store: FieldStore }) {
      fields[store.field.id] = useNativeField(store.field, { store });
      return null;
    }
    function Drawn() {
      const form = useNativeForm(stay, { send: async () => [], ...options });
      latest = form as NativeForm;
      return stay.fields.map(({ id }) => <One key={id} store={form.store.field(id as never)} />);
    }
    draw(createElement(Drawn));
    const device = new Device(() => fields.pass!.inputProps);
    act(() => void fields.pass!.inputProps.ref(device));
    return { form: () => latest!, fields, device };
  }
  const settle = () => act(() => new Promise((done) => setTimeout(done)));

  test('that is not ready sends nothing, and its first wrong field gets the focus', async () => {
    const send = vi.fn(async () => []);
    const { form, device, fields } = drawForm({ send });
    expect(form().isReady).toBe(false);
    act(() => form().submit());
    await settle();
    expect([send.mock.calls.length, device.isFocused, fields.pass!.states.wrong]).toEqual([0, true, true]);
    device.type('1234');
    expect(form().isReady).toBe(true);
  });

  test('sends its record once, closes the keyboard, and shows what the server found', async () => {
    const sent: unknown[] = [];
    const { form, device, fields } = drawForm({
      send: async ({ raw }) => {
        sent.push(raw);
        return [{ field: 'pass', code: 'unknown', message: 'This pass is unknown.' }];
      },
    });
    device.focus();
    device.type('1234');
    act(() => form().submit());
    expect(device.isFocused).toBe(false);
    await settle();
    expect(sent).toEqual([{ pass: '1234', meals: '' }]);
    expect(fields.pass!.evaluation.shown.map(({ message }) => message)).toEqual(['This pass is unknown.']);
    expect(device.isFocused).toBe(true);
  });

  test('is filled in with what was sent before, and asks while it is drawn', () => {
    const told: string[] = [];
    const { fields } = drawForm({
      answer: { findings: [], raw: { pass: '1234' } },
      drive: (store) => {
        told.push(`on ${store.form.id}`);
        return () => told.push('off');
      },
    });
    expect(fields.pass!.raw).toBe('1234');
    for (const end of ends.splice(0)) end();
    expect(told).toEqual(['on stay', 'off']);
  });
});

/** Draws a field with what is opened beside it; what it has after the latest render. */
function drawBeside<T>(field: HydratedField, use: (field: NativeField) => T) {
  let latest: { readonly field: NativeField; readonly beside: T } | undefined;
  function Drawn() {
    const own = useNativeField(field, { today: '2027-02-10' });
    latest = { field: own, beside: use(own) };
    return null;
  }
  draw(createElement(Drawn));
  return () => latest!;
}
const compiled = (definition: object) =>
  compileField(
    { label: 'It', entry: {}, ...definition } as never,
    { locale: 'en-GB' },
    kinds,
  ) as HydratedField;
const press = ({ onPress }: { onPress(): void }): void => act(() => onPress());

describe('a calendar', () => {
  const rules = [{ id: 'soon', check: { type: 'range', min: 'today' }, say: 'This day is over.' }];
  const drawn = (definition: object) =>
    drawBeside(compiled({ id: 'arrival', rules, ...definition }), (field) =>
      useCalendar(field, '2027-02-10'),
    );
  const dayIn = (now: ReturnType<typeof drawn>, date: string) =>
    now()
      .beside.month!.weeks.flat()
      .find((one) => one.date === date && !one.isOutside)!;

  test('opens at a day that the rules take, and closes by its button and by picking', () => {
    const now = drawn({ kind: 'date' });
    expect([now().field.adornments, now().beside.month]).toEqual([
      expect.arrayContaining(['calendar']),
      undefined,
    ]);
    const focus = vi.fn();
    now().beside.openerProps.ref({ focus, blur: () => undefined });
    press(now().beside.openerProps);
    expect(now().beside.openerProps).toMatchObject({ 'aria-label': 'Calendar: It', 'aria-expanded': true });
    expect(now().beside.month).toMatchObject({ title: 'February 2027', weekdays: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] }); // biome-ignore format: short
    expect(dayIn(now, '2027-02-10')).toMatchObject({
      text: '10',
      isToday: true,
      isPicked: false,
      problem: '',
    });
    press(now().beside.openerProps);
    expect([now().beside.month, focus.mock.calls.length]).toEqual([undefined, 1]);
    press(now().beside.openerProps);
    press(dayIn(now, '2027-02-14').pressProps);
    expect([now().beside.month, now().field.value, focus.mock.calls.length]).toEqual([undefined, '2027-02-14', 2]); // biome-ignore format: short
    press(now().beside.openerProps);
    expect(dayIn(now, '2027-02-14').pressProps).toMatchObject({ 'aria-label': 'Sunday, 14 February 2027', 'aria-checked': true }); // biome-ignore format: short
  });

  test('says why a day cannot be picked, and turns by months and years', () => {
    const now = drawn({ kind: 'date' });
    press(now().beside.openerProps);
    const refused = dayIn(now, '2027-02-09').pressProps;
    expect(refused).toMatchObject({ 'aria-label': 'Tuesday, 9 February 2027. This day is over.', 'aria-disabled': true }); // biome-ignore format: short
    press(refused);
    expect([now().beside.month?.problem, now().field.value]).toEqual(['This day is over.', null]);
    const titles = (['monthAfter', 'yearBefore', 'monthBefore', 'yearAfter'] as const).map((turn) => {
      const to = now().beside.month!.turns[turn]['aria-label'];
      press(now().beside.month!.turns[turn]);
      return [to, now().beside.month!.title, now().beside.month!.problem];
    });
    expect(titles).toEqual(['March 2027', 'March 2026', 'February 2026', 'February 2027'].map((title) => [title, title, ''])); // biome-ignore format: short
  });

  test('leaves the time of a date with time alone', () => {
    const now = drawn({ kind: 'date-time', rules: [], initial: '2027-02-11T16:30' });
    press(now().beside.openerProps);
    press(dayIn(now, '2027-02-28').pressProps);
    expect(now().field.value).toBe('2027-02-28T16:30');
  });
});

describe('a list of regions', () => {
  const phone = compiled({ id: 'phone', kind: 'phone', entry: { home: 'GB', regions: ['GB', 'FR', 'CH'] } });
  const namesIn = (now: () => { readonly beside: ReturnType<typeof useRegions> }) =>
    now().beside.list!.regions.map(({ name }) => name);

  test('is searched, and gives the number another region; its digits stay', () => {
    const now = drawBeside(phone, useRegions);
    expect([now().field.adornments, now().beside.text]).toEqual([['region-list'], 'GB +44']);
    press(now().beside.openerProps);
    expect(namesIn(now)).toEqual(['France', 'Switzerland', 'United Kingdom']);
    expect(now().beside.list!.regions.map(({ pressProps }) => pressProps['aria-checked'])).toEqual([false, false, true]); // biome-ignore format: short
    act(() => now().beside.list!.searchProps.onChangeText('+4'));
    expect(namesIn(now)).toEqual(['Switzerland', 'United Kingdom']);
    act(() => now().beside.list!.searchProps.onChangeText('xyz'));
    expect([namesIn(now), now().beside.list!.none]).toEqual([[], expect.stringMatching(/\w/)]);
    act(() => now().field.store.dispatch({ type: 'set', text: '207946095' }));
    act(() => now().beside.list!.searchProps.onChangeText('fr'));
    press(now().beside.list!.regions[0]!.pressProps);
    expect([now().beside.list, now().beside.text, now().field.raw]).toEqual([undefined, 'FR +33', '+33207946095']); // biome-ignore format: short
  });

  test('names regions by their letters where the platform has no names', () => {
    const own = compiled({ id: 'phone', kind: 'phone', entry: { home: 'GB', regions: ['GB', 'CH'] } });
    const { DisplayNames } = Intl;
    try {
      Reflect.deleteProperty(Intl, 'DisplayNames');
      const now = drawBeside(own, useRegions);
      press(now().beside.openerProps);
      expect([now().beside.openerProps['aria-label'], namesIn(now)]).toEqual(['GB +44: GB', ['CH', 'GB']]);
    } finally {
      Object.assign(Intl, { DisplayNames });
    }
  });

  test('does not open beside a field that cannot be changed', () => {
    const now = drawBeside({ ...phone, html: { ...phone.html, readonly: true } }, useRegions);
    expect(now().beside.openerProps.disabled).toBe(true);
  });
});
