import { describe, expect, test } from 'vitest';
import { importDocument } from './import-document.ts';
import { placeInWords } from './place-words.ts';

const pin = { id: 'pin', kind: 'pattern', label: 'Key-box PIN', entry: { pattern: '<4 digit>' } };
const day = { id: 'day', kind: 'date', label: 'Arrival', entry: { order: 'sideways' } };

describe('a document that comes in', () => {
  test('sound, it is whole', () => {
    const taken = importDocument(
      JSON.stringify({ arbeit: 2, title: 'Huts', locale: 'de-CH', fields: [pin] }),
    );
    expect(taken).toMatchObject({ faults: [], title: 'Huts', locale: 'de-CH', document: { fields: [pin] } });
  });

  test('broken, every fault has its place in words and in the text, and sound fields can be taken', () => {
    const text = JSON.stringify({ arbeit: 2, title: '', locale: 'en-GB', fields: [pin, day] }, null, 2);
    const taken = importDocument(text);
    expect(taken.document).toBeNull();
    expect(taken.faults.map(({ where }) => where)).toEqual(['the title of the set', 'the order of Arrival']);
    expect(text.split('\n')[taken.faults[1]!.line - 1]).toContain('sideways');
    expect(taken.fields).toEqual([pin]);
  });

  test('no JSON any more, what can be read of it is there', () => {
    const text = `{ "arbeit": 2, "title": "Huts", "locale": "en-GB", "fields": [${JSON.stringify(pin)}, `;
    const taken = importDocument(text);
    expect(taken.faults.length).toBeGreaterThan(0);
    expect(taken.fields).toEqual([pin]);
    expect(importDocument('nothing of the sort').fields).toEqual([]);
  });

  test('two fields of one name are one; classes of the set go along', () => {
    const hex = { id: 'hex', kind: 'pattern', label: 'Hex', entry: { pattern: '<2 hex>' } };
    const taken = importDocument(
      JSON.stringify({ arbeit: 2, locale: 'xx-', classes: { hex: '0-9A-F' }, fields: [hex, hex, pin] }),
    );
    expect(taken.fields).toEqual([hex, pin]);
    expect(taken).toMatchObject({ classes: { hex: '0-9A-F' }, locale: 'en-GB', title: 'Imported set' });
  });

  test.each([
    ['$', 'the document'],
    ['$.title', 'the title of the set'],
    ['$.fields[0].label', 'the label of Deposit'],
    ['$.fields[0].rules[0].say', 'the message of rule “most” of Deposit'],
    ['$.fields[0].initial', 'the initial value of Deposit'],
    ['$.fields[1]', 'field 2'],
    ['$.classes["hex"]', 'the hex of the set'],
  ])('%s is %s', (path, words) => {
    const root = { fields: [{ label: 'Deposit', rules: [{ id: 'most' }] }] };
    expect(placeInWords(path, root)).toBe(words);
  });
});
