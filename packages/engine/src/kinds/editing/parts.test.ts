import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { parseTape } from '../../tape/parse-tape.ts';
import { play } from '../../tape/play.ts';
import { kinds } from '../registry.ts';

/** A tape on a field of its own: what is missed is what the test reports. */
const misses = (kind: string, entry: object, locale: string, lines: string) => {
  const field = compileField({ id: 'it', kind, label: 'It', entry } as FieldDocument, { locale }, kinds);
  const read = parseTape(`field it\ntoday 2027-02-10\nfocus\n${lines}`);
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  const played = play({ fields: [field], forms: [] }, read.tape);
  return 'message' in played ? played : played.misses;
};

describe('parts keep their own digits', () => {
  test.each<[string, string, object, string, string]>([
    ['mending the day leaves the rest', 'date', {}, 'en-GB', 'type "14022027"\ncaret 2\nbackspace\nexpect display "1|/02/2027"\ntype "5"\nexpect display "15/|02/2027"\nexpect value "2027-02-15"'],
    ['delete takes the next part’s first digit across the separator', 'date', {}, 'en-GB', 'type "14022027"\ncaret 2\ndelete\nexpect display "14|/2/2027"'],
    ['a selection across parts', 'date', {}, 'en-GB', 'type "14022027"\nselect 1 4\nbackspace\nexpect display "1|/2/2027"\nundo\nexpect display "1|4/0|2/2027"'],
    ['the last digit taken out from behind a separator', 'date', {}, 'en-GB', 'paste "470"\nselect 0 2\nbackspace\ncaret 1\ndelete 3\nexpect display "|"'],
    ['parts of an hour that lose their hour', 'duration', {}, 'en-GB', 'type "0."\nhome\ndelete\nexpect value null\nexpect flags !complete\nleave\nfocus\nexpect raw ""\ntype "0.5"\nhome\ndelete\nexpect value "30"\nleave\nexpect display "30 min"\nfocus\nexpect value "30"'],
    ['an hour’s point alone is left and comes back to', 'duration', { units: ['h'] }, 'en-GB', 'type "0."\nhome\ndelete\nleave\nexpect display ""\nfocus\ntype "2"\nexpect value "120"'],
    ['a part taken out whole', 'date', {}, 'en-GB', 'type "14022027"\ncaret 5\nword-backspace\nexpect display "14/|/2027"\ntype "3"\nexpect display "14/03/|2027"'],
    ['typing over a selected part', 'date', {}, 'en-GB', 'type "14022027"\nselect 0 2\ntype "28"\nexpect display "28/|02/2027"'],
    ['a full part takes no more', 'date', {}, 'en-GB', 'type "14022027"\ncaret 1\ntype "2"\nexpect rejected full'],
    ['bounds hold where digits come before others', 'date', {}, 'en-GB', 'type "4"\ncaret 0\nexpect display "|04/"\ndelete\ntype "7"\nexpect rejected out-of-bounds\ntype "2"\nexpect display "2|4/"'],
    ['the locale’s own order and signs', 'date', {}, 'hu-HU', 'type "20270214"\nexpect display "2027. 02. 14|."\nexpect value "2027-02-14"'],
    ['29 February stays possible until a year says otherwise', 'date', {}, 'en-GB', 'type "2802"\ncaret 1\nup\nexpect display "29|/02/"\nup\nexpect display "29|/02/"\ncaret 4\nup\nexpect display "29/03|/"\ndown\nexpect display "29/02|/"\nend\ntype "2027"\ncaret 4\nup\ndown\nexpect display "28/02|/2027"'],
    ['a lone zero is no number yet, and stays', 'date', {}, 'en-GB', 'type "0"\nleave\nexpect display "0"\nfocus\ntype "/"\nexpect rejected not-accepted\ntype "7"\nexpect display "07/|"'],
    ['nor an hour of twelve', 'time', { clock: 12 }, 'en-GB', 'type "0"\nleave\nexpect display "0"\nexpect value null'],
    ['another order', 'date', { order: 'ymd' }, 'en-GB', 'type "27-2-14"\nexpect display "2027-02-14|"'],
    ['digits of another script', 'date', {}, 'ar-EG', 'type "14022027"\nexpect raw "14022027"\nexpect value "2027-02-14"'],
    ['up and down stop at the bounds', 'date', {}, 'en-GB', 'type "31122027"\ncaret 4\nup\nexpect display "31/12|/2027"\ndown\nexpect display "30/11|/2027"'],
    ['up on nothing begins', 'date', {}, 'en-GB', 'up\nexpect display "01|/"'],
    ['a leap day until the year is there', 'date', {}, 'en-GB', 'type "29022"\nexpect verdict complete open\ntype "100"\nexpect verdict complete fail\nbackspace\ntype "4"\nexpect verdict complete pass'],
    ['half of the day by its first letter, the rest passed over', 'time', { clock: 12 }, 'en-GB', 'type "230pm"\nexpect display "02:30 pm|"\nexpect rejected none\nup\nexpect display "02:30 am|"'],
    ['half of the day first', 'time', { clock: 12 }, 'zh-CN', 'type "下230"\nexpect display "下午02:30|"\nexpect value "14:30"'],
    ['hours not there are passed by', 'duration', {}, 'en-GB', 'type ":45"\nexpect display "45| min"\nexpect value "45"'],
    ['minutes above the hour wait for leaving', 'duration', {}, 'en-GB', 'type "1h90"\nexpect display "1 h 90| min"\nexpect value "150"\nleave\nexpect display "2 h 30 min"'],
    ['a number alone is minutes', 'duration', {}, 'en-GB', 'type "90"\nexpect display "90| min"\nleave\nexpect display "1 h 30 min"\nexpect raw "1h30"'],
    ['a number alone is hours where that is asked for', 'duration', { bare: 'h' }, 'en-GB', 'type "2"\nexpect display "2| h"\nexpect value "120"\nselect all\npaste "3"\nexpect value "180"'],
    ['typed with units', 'duration', {}, 'en-GB', 'type "90 min"\nexpect value "90"\nexpect rejected none\nselect all\ntype "150m"\nexpect value "150"\nselect all\ntype "1h30"\nexpect display "1 h 30| min"\nselect all\ntype "1:30"\nexpect value "90"\nselect all\ntype "1.5"\nexpect display "1.5| h"\ntype "h"\nexpect display "1.5 h|"\nexpect value "90"\nexpect rejected none\nleave\nexpect display "1 h 30 min"'],
    ['pasted with units', 'duration', {}, 'en-GB', 'paste "90 min"\nexpect value "90"\nselect all\npaste "150m"\nexpect value "150"\nselect all\npaste "1.5h"\nexpect value "90"\nselect all\npaste "1,5 h"\nexpect value "90"\nselect all\npaste "2 hours 15 minutes"\nexpect value "135"\nselect all\npaste "PT1H30M"\nexpect value "90"\nselect all\npaste "90"\nexpect value "90"'],
    ['parts of an hour in German', 'duration', {}, 'de-DE', 'type "1,25"\nexpect display "1,25| h"\nexpect value "75"\nbackspace\ntype "3"\nexpect rejected out-of-bounds'],
    ['hours alone hold minutes as parts', 'duration', { units: ['h'] }, 'en-GB', 'paste "90 min"\nexpect display "1.5| h"\nset "45"\nexpect value "45"\nselect all\npaste "7 min"\nexpect rejected not-accepted'],
    ['minutes alone hold hours', 'duration', { units: ['min'] }, 'en-GB', 'paste "1.5h"\nexpect value "90"\nselect all\ntype "1.5"\nexpect rejected not-accepted'],
    ['only hours', 'duration', { units: ['h'] }, 'en-GB', 'type "3"\nexpect display "3| h"\nexpect value "180"\npaste "x"\nexpect rejected not-accepted'],
    ['ISO 8601 durations', 'duration', { units: ['min'] }, 'en-GB', 'paste "PT2H5M"\nexpect display "125| min"'],
  ])('%s', (_, kind, entry, locale, lines) => {
    expect(misses(kind, entry, locale, lines)).toEqual([]);
  }); // biome-ignore format: a tape a line
});

describe('text', () => {
  test.each<[string, object, string]>([
    ['a character is what people count', { max: 3 }, 'type "a👩‍👩‍👧‍👦é"\nexpect rejected none\ntype "b"\nexpect rejected full\nbackspace 2\nexpect display "a|"'],
    ['an accent typed after its letter joins it', { max: 1 }, 'type "e"\ninsert "\\u0301"\nexpect rejected none\nexpect raw "\\u00e9"'],
    ['case keeps one character one', { case: 'upper' }, 'type "straße"\nexpect display "STRAßE|"'],
    ['blanks go on leaving, raw never has them', { collapse: true }, 'type "  a   b "\nexpect raw "a b"\nexpect display "  a   b |"\nleave\nexpect display "a b"'],
    ['kept where asked', { trim: false }, 'type " a "\nleave\nexpect raw " a "'],
    ['one line', {}, 'paste "a\\nb\\tc"\nexpect display "a b c|"'],
    ['words', {}, 'type "two words "\nword-backspace\nexpect display "two |"'],
    ['over a selection there is room again', { max: 3 }, 'type "abc"\nselect 0 2\ntype "x"\nexpect display "x|c"'],
  ])('%s', (_, entry, lines) => {
    expect(misses('text', entry, 'en-GB', lines)).toEqual([]);
  }); // biome-ignore format: a tape a line
});

test('without a clock relative limits hold nothing back, and with one they do', () => {
  const field = compileField(
    {
      id: 'it',
      kind: 'date',
      label: 'It',
      entry: {},
      rules: [{ id: 'r', check: { type: 'range', min: 'today' } }],
    },
    { locale: 'en-GB' },
    kinds,
  );
  const verdict = (head: string) => {
    const read = parseTape(`field it\n${head}focus\ntype "09022027"\nexpect verdict r fail`);
    const played = read.ok && play({ fields: [field], forms: [] }, read.tape);
    return played && 'misses' in played && played.misses.length;
  };
  expect([verdict('today 2027-02-10\n'), verdict('')]).toEqual([0, 1]);
});
