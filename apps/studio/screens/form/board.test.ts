import { compile, type SetDocument } from '@arbeit/engine/document';
import { applyToForm, type FormEvent, startForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import demo from '../../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { boardOf } from './board.ts';

const today = '2027-02-10';
const form = compile(demo as unknown as SetDocument, kinds).forms[0]!;
const put = (field: string, text: string): FormEvent => ({
  type: 'field',
  field,
  event: { type: 'set', text },
});
const boardWith = (...events: FormEvent[]) =>
  new Map(
    boardOf(
      form,
      events.reduce((state, event) => applyToForm(form, state, event, today), startForm(form)),
      today,
    ).map(({ field, seen }) => [field, seen] as const),
  );

test('says what would be seen of the present values at each moment', () => {
  const board = boardWith(
    put('deposit', '600'),
    put('arrival', '2027-02-14'),
    put('departure', '2027-02-12'),
  );
  const codesOf = (field: string) =>
    Object.values(board.get(field)!).map(({ shown }) => shown.map(({ code }) => code).join());
  // While typing only what is said at once.
  expect(codesOf('deposit')).toEqual(['above-max', 'above-max', 'above-max']);
  expect(codesOf('departure')).toEqual(['', 'order', 'order']);
  expect(codesOf('mobile')).toEqual(['', 'required', 'required']);
  expect(codesOf('party')).toEqual(['', '', '']);
});

test('says why the others are quiet', () => {
  const board = boardWith(
    put('arrival', '2027-02-14'),
    put('departure', '2027-02-12'),
    put('hut-pass', 'AB-1234/FF'),
  );
  expect(board.get('departure')!.typing.quiet).toEqual([{ rule: 'order', why: 'shown on blur' }]);
  expect(board.get('hut-pass')!.leaving.quiet).toEqual([
    { rule: 'registered', why: 'waiting for the server' },
  ]);
  expect(board.get('mobile')!.leaving.quiet).toEqual([]);
});

test('leaves out what does not count', () => {
  expect(boardWith(put('dog', 'no')).has('dog-name')).toBe(false);
  expect(boardWith(put('dog', 'yes')).has('dog-name')).toBe(true);
});
