import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';
import type { CodeEntry } from './define.ts';

const field = (entry: CodeEntry) =>
  compileField({ id: 'c', kind: 'one-time-code', label: 'C', entry }, { locale: 'en-GB' }, kinds);
const paste = (entry: CodeEntry, text: string) => {
  const code = field(entry);
  return apply(code, apply(code, start(code), { type: 'focus' }), { type: 'paste', text });
};

describe('what is pasted', () => {
  test.each<[string, CodeEntry, string, string, string]>([
    ['the code', {}, '481516', '481516', ''],
    ['with separators', {}, ' 481-516 ', '481516', ''],
    ['full-width digits', {}, '４８１５１６', '481516', ''],
    ['a part of it', {}, '48', '48', ''],
    ['a message with one code', {}, 'Code: 481516.', '481516', 'Code'],
    ['a message with a code in groups', {}, 'Use 481 516 today', '481516', 'Usetoday'],
    ['the same code twice', {}, '481516 is your code: 481516', '481516', 'isyourcode481516'],
    ['two codes: typed as it stands', {}, '481516 or 234208', '481516', 'or234208'],
    ['a longer number is none', { length: 4 }, 'call 4815162342, code 2048', '2048', 'call4815162342code'],
    [
      'an origin-bound code before all',
      {},
      '111111 is not it.\n\n@huts.example #481516',
      '481516',
      '111111isnotithutsexample',
    ],
    [
      'letters and digits before a word of that length',
      { accept: 'alnum' },
      'please use K7M2P9',
      'K7M2P9',
      'pleaseuse',
    ],
    ['letters where digits are wanted', {}, 'abc', '', 'abc'],
  ])('%s', (_, entry, text, content, leftOut) => {
    const { body, leftOut: told } = paste(entry, text);
    expect([body.content, told]).toEqual([content, leftOut]);
  });
  test('a message taken for a code says so', () => {
    expect(paste({}, 'Code: 481516.').body.assumed).toBe('code');
    expect(paste({}, '481516').body.assumed).toBeUndefined();
  });
});

describe('typing', () => {
  test('into the middle, with room and without', () => {
    const code = field({ length: 4 });
    let state = keysOf('481').reduce((s, key) => apply(code, s, key), start(code));
    state = apply(code, apply(code, state, { type: 'select', start: 1, end: 1 }), { type: 'key', text: '9' });
    expect([state.body.content, state.start]).toEqual(['4981', 2]);
    state = apply(code, state, { type: 'key', text: '0' });
    expect([state.body.content, state.rejected]).toEqual(['4981', 'full']);
    state = apply(code, apply(code, state, { type: 'select', start: 2, end: 3 }), { type: 'key', text: '0' });
    expect([state.body.content, state.start]).toEqual(['4901', 3]);
  });
});
