import { beforeEach, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen, userEvent } from '@testing-library/react-native';
import { Pressable, StyleSheet, Text } from 'react-native';
import { App } from './made/huts-native/apps/native/src/App';
import * as fields from './made/huts-native/apps/native/src/fields/fields.js';
import { useNativeForm } from './made/huts-native/apps/native/src/fields/native.js';

/** The application of the hand-off with React Native's own components and the renderer for tests. */
const answers = { findings: [] as readonly object[] };
const posts: unknown[] = [];
beforeEach(() => {
  posts.length = 0;
  answers.findings = [];
  globalThis.fetch = jest.fn(async (path: unknown, init?: { readonly body?: unknown }) => {
    if (!String(path).endsWith('/records')) return { ok: true, json: async () => ({ verdict: 'pass' }) };
    posts.push(JSON.parse(String(init?.body)));
    return { ok: true, status: 200, json: async () => answers };
  }) as never;
});

const control = (label: string) => screen.getByLabelText(label);
const seen = (label: string) => [control(label).props.value, control(label).props.selection];
const select = (label: string, start: number, end = start) =>
  fireEvent(control(label), 'selectionChange', { nativeEvent: { selection: { start, end } } });
/** A device changes the text first, and reports the caret after it. */
function put(label: string, text: string): void {
  const { value, selection } = control(label).props;
  const caret = selection.start + text.length;
  fireEvent.changeText(control(label), value.slice(0, selection.start) + text + value.slice(selection.end));
  select(label, caret);
}
function erase(label: string): void {
  const { value, selection } = control(label).props;
  const from = selection.start === selection.end ? selection.start - 1 : selection.start;
  fireEvent.changeText(control(label), value.slice(0, from) + value.slice(selection.end));
  select(label, from);
}
const type = (label: string, text: string): void => {
  for (const c of text) put(label, c);
};
const settle = () => act(() => new Promise<void>((done) => setTimeout(done, 0)));

test('a field is edited in the middle, and the caret set again', () => {
  render(<App />);
  fireEvent(control('Pass'), 'focus');
  type('Pass', '1234');
  expect(seen('Pass')).toEqual(['RH-1234', { start: 7, end: 7 }]);
  select('Pass', 5);
  erase('Pass');
  expect(seen('Pass')).toEqual(['RH-134', { start: 4, end: 4 }]);
  type('Pass', '9');
  expect(seen('Pass')).toEqual(['RH-1934', { start: 5, end: 5 }]);
  type('Pass', 'x');
  expect(seen('Pass')).toEqual(['RH-1934', { start: 5, end: 5 }]);
});

test('a field takes what the testing library types and pastes', async () => {
  render(<App />);
  const user = userEvent.setup();
  await user.type(control('Pass'), '5678');
  expect(control('Pass').props.value).toBe('RH-5678');
  await user.paste(control('Price'), '£1,234.50');
  expect(control('Price').props.value).toBe('£1,234.50');
});

test('a code is filled in by the platform', () => {
  render(<App />);
  expect(control('PIN').props.inputMode).toBe('numeric');
  fireEvent(control('PIN'), 'focus');
  fireEvent.changeText(control('PIN'), '1357');
  expect(control('PIN').props.value).toBe('1357');
  expect(control('PIN').props.secureTextEntry).toBe(true);
});

test('leaving a field shows its message, and says it to assistive technology', async () => {
  render(<App />);
  fireEvent(control('Pass'), 'focus');
  type('Pass', '12');
  fireEvent(control('Pass'), 'blur');
  expect(screen.getByText('Please complete this field.')).toBeTruthy();
  expect(control('Pass').props.accessibilityHint).toMatch(/Please complete this field\.$/);
  expect(control('Pass').props.selection).toBeUndefined();
});

test('the button sends nothing until the form is ready, and then its record', async () => {
  render(<App />);
  const submit = () => fireEvent.press(screen.getByRole('button', { name: 'Submit' }));
  submit();
  await settle();
  expect([posts, screen.getAllByText('Please fill in this field.').length]).toEqual([[], 1]);
  fireEvent(control('Pass'), 'focus');
  type('Pass', '1234');
  fireEvent(control('Pass'), 'blur');
  await settle();
  fireEvent.press(screen.getByRole('radio', { name: 'Two Tarns' }));
  fireEvent.press(screen.getByRole('radio', { name: 'Half board' }));
  fireEvent.changeText(control('Nights'), '2');
  fireEvent.press(screen.getByRole('checkbox', { name: 'Tea' }));
  submit();
  await settle();
  expect(posts).toEqual([
    expect.objectContaining({
      pass: '1234',
      'stay[hut]': 'Two Tarns',
      meals: 'half board',
      nights: '2',
      '1-extras': 'tea',
    }),
  ]);
});

test('what the server finds is shown at its field', async () => {
  answers.findings = [{ field: 'pass', code: 'taken', message: 'This pass is taken.' }];
  render(<App />);
  fireEvent(control('Pass'), 'focus');
  type('Pass', '1234');
  fireEvent(control('Pass'), 'blur');
  fireEvent.press(screen.getByRole('radio', { name: 'Windgap' }));
  await settle();
  fireEvent.press(screen.getByRole('button', { name: 'Submit' }));
  await settle();
  expect(screen.getByText('This pass is taken.')).toBeTruthy();
  expect(control('Pass').props.value).toBe('RH-1234');
});

test('a button can wait until the form is ready', () => {
  function Form() {
    const { store, isReady, submit } = useNativeForm(fields.bookingForm, { send: async () => [] });
    const fill = () => {
      for (const [id, text] of [
        ['pass', '1234'],
        ['hut', 'windgap'],
      ] as const)
        store.dispatch({ type: 'field', field: id, event: { type: 'set', text } });
    };
    return (
      <>
        <Pressable role="button" aria-label="Fill" onPress={fill} />
        <Pressable role="button" disabled={!isReady} onPress={submit}>
          <Text>Send</Text>
        </Pressable>
      </>
    );
  }
  render(<Form />);
  const isDisabled = () => screen.getByRole('button', { name: 'Send' }).props.accessibilityState?.disabled;
  expect(isDisabled()).toBe(true);
  fireEvent.press(screen.getByRole('button', { name: 'Fill' }));
  expect(isDisabled()).toBe(false);
});

test('boxes are drawn over the input of a code, which keeps its size', () => {
  render(<App />);
  expect(StyleSheet.flatten(control('PIN').props.style)).toMatchObject({ opacity: 0, position: 'absolute' });
});

test('a calendar and a list of regions open below their fields, and close when something is picked', () => {
  render(<App />);
  fireEvent.press(control('Calendar: Arrival'));
  const today = new Date();
  const next = new Date(today.getFullYear(), today.getMonth() + 1, 14);
  fireEvent.press(control(next.toLocaleDateString('en-GB', { month: 'long', year: 'numeric' })));
  const day = next.toLocaleDateString('en-GB', { dateStyle: 'full' });
  fireEvent.press(control(day));
  expect(screen.queryByLabelText(day)).toBeNull();
  expect(control('Arrival').props.value).toBe(next.toLocaleDateString('en-GB'));
  fireEvent.press(screen.getByLabelText(/^GB \+44/));
  fireEvent.changeText(control('Search by name, code or number'), 'fr');
  fireEvent.press(control('France +33'));
  expect(screen.getByLabelText(/^FR \+33/)).toBeTruthy();
});
