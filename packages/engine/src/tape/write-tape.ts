import { marked } from './marked.ts';
import type { Row } from './play.ts';
import { type Action, flagNames, type Tape } from './script.ts';

/** An action as a line of a tape. */
export function writeAction(step: Action): string {
  switch (step.do) {
    case 'select':
      return step.start === step.end ? `caret ${step.start}` : `select ${step.start} ${step.end}`;
    case 'select-all':
      return 'select all';
    case 'wait':
      return `wait ${step.milliseconds}ms`;
    case 'answer': {
      const { rule, verdict, code } = step;
      return verdict === 'unreachable'
        ? `unreachable ${rule}`
        : `answer ${rule} ${verdict}${code ? ` ${code}` : ''}`;
    }
    case 'sent':
      return step.field === undefined ? 'sent' : `sent ${step.field} ${step.code}`;
    case 'focus':
      return step.field === undefined ? 'focus' : `focus ${step.field}`;
    default:
      if ('text' in step) return `${step.do} ${JSON.stringify(step.text)}`;
      return 'times' in step && step.times !== 1 ? `${step.do} ${step.times}` : step.do;
  }
}

/** Actions as the lines of a tape. */
export const writeTape = (list: readonly Action[]): string => list.map(writeAction).join('\n');

/** What of a row can be expected. */
const expectable = ['display', 'raw', 'value', 'codes', 'message', 'flags', 'rejected', 'left-out', 'focus', 'submitted'] as const; // biome-ignore format: a list
/** What of a row can be expected, as a tape says it. */
export type Expectable = (typeof expectable)[number];

const quoted = (text: string | null): string => (text === null ? 'null' : JSON.stringify(text));

/**
 * What a row shows, as a line of a tape that expects it; in a form's tape what is of a field names it. Of the flags only those are named in which it
 * differs from a row `against` it.
 */
export function expectationOf(
  row: Row,
  what: Expectable,
  { isForm = false, against }: { readonly isForm?: boolean; readonly against?: Row } = {},
): string {
  const of =
    isForm && what !== 'focus' && what !== 'submitted' && what !== 'rejected' && what !== 'left-out'
      ? `${row.field} `
      : '';
  return `expect ${of}${saying(row, what, against)}`;
}

function saying(row: Row, what: Expectable, against?: Row): string {
  switch (what) {
    case 'display':
      return `display ${JSON.stringify(marked(row.display, row.caret))}`;
    case 'raw':
      return `raw ${quoted(row.raw)}`;
    case 'value':
      return `value ${quoted(row.value)}`;
    case 'codes':
      return `codes ${row.codes.join(' ') || 'none'}`;
    case 'message':
      return `message ${quoted(row.message ?? '')}`;
    case 'flags':
      return `flags ${flagNames
        .filter((name) => !against || row.flags[name] !== against.flags[name])
        .map((name) => (row.flags[name] ? name : `!${name}`))
        .join(' ')}`;
    case 'rejected':
      return `rejected ${row.rejected ?? 'none'}`;
    case 'left-out':
      return `left-out ${quoted(row.leftOut)}`;
    case 'focus':
      return `focus ${row.focus ?? 'none'}`;
    case 'submitted':
      return row.submitted ? 'submitted' : 'submitted none';
  }
}

/** What differs between two rows. */
export const differing = (a: Row, b: Row): readonly Expectable[] =>
  expectable.filter((what) => a.field !== b.field || saying(a, what) !== saying(b, what));

/** The head of a tape: what it is played on, and the day. */
export const headOf = ({ target, today }: Pick<Tape, 'target' | 'today'>): string =>
  `${target.type} ${target.id}\n${today ? `today ${today}\n` : ''}`;
