import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { entriesElsewhere, found, pages } from './entries.ts';

const index = [
  {
    key: 's_1',
    id: 'ridge-huts',
    title: demo.title,
    fields: demo.fields.map(({ id, label, kind }) => ({ id, label, kind })),
    forms: demo.forms.map(({ id, title }) => ({ id, title })),
  },
];
const done: string[] = [];
const entriesOn = (page: string, setKey: string | null = 's_1') =>
  entriesElsewhere({
    setKey: setKey ?? undefined,
    page,
    index,
    open: (path, then) => {
      done.push(path);
      then?.();
    },
    use: (control, section) => done.push(`${section ?? ''} ${control}`.trim()) > 0,
    choose: (menu, item) => done.push(`${menu}: ${item}`) > 0,
  });
const allPages = ['shelf', 'fields', 'forms', 'glossary', ...Object.keys(pages)];

// Ordinary words that somebody types who has never seen the studio.
const words = [
  'import', 'upload', 'export', 'download', 'zip', 'react', 'vue', 'code', 'snippet', 'history', 'version', 'revert',
  'translate', 'language', 'locale', 'currency', 'date', 'phone', 'pin', 'otp', 'dropdown', 'checkbox', 'mask',
  'format', 'regex', 'validation', 'required', 'error', 'message', 'placeholder', 'hint', 'default', 'style', 'icon',
  'autofill', 'test', 'run', 'coverage', 'fuzz', 'mutation', 'record', 'replay', 'new', 'create', 'delete', 'rename',
  'duplicate', 'copy', 'json', 'csv', 'schema', 'backup', 'preview', 'help', 'words', 'home', 'search', 'form', 'submit',
  'condition', 'layout', 'server', 'mock', 'compare', 'diff', 'conflict', 'restore', 'deploy', 'javascript', 'field',
  'set', 'project', 'reorder', 'clone', 'type', 'country', 'money', 'calendar', 'email', 'clear', 'help',
]; // biome-ignore format: a list

test.each(allPages)('on the page %s, every ordinary word finds something', (page) => {
  const entries = entriesOn(page);
  // Controls of the page itself are added to these, so a page has more.
  expect(words.filter((word) => found(entries, word).length === 0)).toEqual([]);
});

test('finds by all words, those with the label first, and those that cannot be run last', () => {
  const entries = entriesOn('trials');
  expect(found(entries, 'deposit')[0]).toMatchObject({ label: 'Deposit', group: 'Ridge Huts' });
  expect(found(entries, 'mutation run')[0]?.label).toBe('Run mutation tests');
  const rule = found(entries, 'add rule');
  expect(rule.at(-1)).toMatchObject({ label: 'Add rule', disabled: 'Open a field first' });
  expect(found(entries, 'export')[0]).toMatchObject({ label: 'Hand-off' });
  expect(found(entries, 'no such thing')).toEqual([]);
  // An empty text lists everything, up to a limit.
  expect(found(entries, '').length).toBe(60);
});

test('opens a page and uses the control there', () => {
  done.length = 0;
  for (const text of ['run law check', 'character classes', 'import…', 'booking', 'glossary'])
    found(entriesOn('fields'), text)[0]?.run();
  expect(done).toEqual([
    '/sets/s_1/trials',
    'Law check Run',
    '/?set=s_1',
    'Actions for Ridge Huts: classes',
    '/',
    'Import…',
    '/sets/s_1/forms/booking',
    '/glossary',
  ]);
});

test('on the shelf, what needs a set is disabled', () => {
  const entries = entriesOn('shelf', null);
  expect(found(entries, 'run mutation tests')[0]?.disabled).toBe('Open a set first');
  expect(entries.some(({ id }) => id.startsWith('set '))).toBe(false);
});

test('a set is found by its id in the address, too', () => {
  const own = entriesOn('trials', 'ridge-huts').find(({ id }) => id === 'set file');
  expect(own).toMatchObject({ group: 'Ridge Huts', label: 'Download document (.arbeit.json)' });
  expect(own?.disabled).toBeUndefined();
});
