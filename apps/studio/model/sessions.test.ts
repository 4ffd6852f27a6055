import { describe, expect, test } from 'vitest';
import { sessionsOf } from './sessions.ts';

const at = (...times: string[]) => times.map((savedAt) => ({ savedAt }));

describe('revisions by session', () => {
  test('a pause of more than an hour, or midnight, begins another one', () => {
    const sessions = sessionsOf(
      at(
        '2027-02-11T00:10:00Z',
        '2027-02-10T23:50:00Z',
        '2027-02-10T23:00:00Z',
        '2027-02-10T21:59:00Z',
        '2027-02-10T20:59:00Z',
      ),
    );
    expect(sessions.map(({ from, to, revisions }) => [from, to, revisions.length])).toEqual([
      ['2027-02-11T00:10:00Z', '2027-02-11T00:10:00Z', 1],
      ['2027-02-10T23:00:00Z', '2027-02-10T23:50:00Z', 2],
      ['2027-02-10T20:59:00Z', '2027-02-10T21:59:00Z', 2],
    ]);
  });
  test('no revision is lost, and the order stays', () => {
    const all = at('2027-02-10T10:00:00Z', '2027-02-10T09:30:00Z', '2027-02-01T09:30:00Z');
    expect(sessionsOf(all).flatMap(({ revisions }) => revisions)).toEqual(all);
    expect(sessionsOf([])).toEqual([]);
  });
});
