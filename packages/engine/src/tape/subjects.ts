import { nearest } from '../faults/fault.ts';
import { type Said, say } from '../faults/say.ts';
import { playTexts, tapeTexts } from '../faults/texts.ts';
import { type Evaluation, type Flags, toMessage } from '../field/evaluation.ts';
import type { FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { FormState, HydratedForm } from '../form/form.ts';
import type { Values } from '../form/sending.ts';
import type { Rule } from '../rules/rule.ts';
import { itemAt } from '../values/item-at.ts';
import type { Line } from './line.ts';
import { marked } from './marked.ts';
import { type Expectation, type Expected, flagNames, type Row, reasons } from './script.ts';
import { type Described, openQuestion } from './verbs.ts';

type ExpectedOf<W extends Expected['what']> = Expected & { readonly what: W };

/** What an expectation is compared with: a form, and a field of it. */
export interface Found {
  readonly form: HydratedForm;
  readonly state: FormState;
  readonly id: string;
  readonly field: HydratedField;
  readonly at: FieldState;
  readonly evaluation: Evaluation;
  /** What the last action reported. */
  readonly report: { readonly rejected: string | null; readonly leftOut: string };
}

/** Everything about one thing a tape can expect: how it is read, and how it is compared. */
interface ExpectationSubject<E extends Expected> extends Omit<Described, 'word'> {
  read(line: Line): E | undefined;
  /** The expected and the actual text; an error if the expectation makes no sense. */
  compare(expected: E, found: Found): readonly [expected: string, found: string] | Said;
  /** Whether the text after it may be a word that is also the name of a subject. */
  readonly takesWords?: true;
}

/** Members of a row that can be expected. */
const expectable = ['display', 'raw', 'value', 'codes', 'message', 'flags', 'rejected', 'left-out', 'focus', 'submitted'] as const; // biome-ignore format: a list
/** A member of a row that can be expected, as a tape writes it. */
export type Expectable = (typeof expectable)[number];

/** How a member of a row is written in a tape. */
interface Written {
  /**
   * What a row shows, as a tape writes it after the subject. Flags that are the same in the row `against` are
   * left out.
   */
  say(row: Row, against?: Row): string;
}

const quoted = (text: string | null): string => (text === null ? 'null' : JSON.stringify(text));

/** A text, or a keyword for none. */
function textOr(none: string, line: Line): { readonly text: string | null } | undefined {
  if (line.takes(none)) return { text: null };
  const text = line.text();
  return text === undefined ? undefined : { text };
}

/** A subject that is one text. */
const ofText = <W extends 'raw' | 'message' | 'left-out'>(
  what: W,
  says: string,
  find: (found: Found) => string,
  say: (row: Row) => string,
) => ({
  takes: '"text"',
  says,
  read(line: Line) {
    const text = line.text();
    return text === undefined ? undefined : ({ what, text } as ExpectedOf<W>);
  },
  compare: ({ text }: ExpectedOf<W>, found: Found) => [quoted(text), quoted(find(found))] as const,
  say: (row: Row) => quoted(say(row)),
});

/** Everything a tape can expect. The compiler requires an entry for each. */
const subjects: {
  readonly [W in Expected['what']]: ExpectationSubject<ExpectedOf<W>> &
    (W extends Expectable ? Written : unknown);
} = {
  display: {
    takes: '"text"',
    says: 'The display. One bar marks the caret, two mark a selection, \\\\| is a bar.',
    read: readDisplay,
    compare: ({ text, caret }, { evaluation, at }) => [
      quoted(marked(text, caret)),
      quoted(marked(evaluation.display, caret && [at.start, at.end])),
    ],
    say: ({ display, caret }) => JSON.stringify(marked(display, caret)),
  },
  raw: ofText(
    'raw',
    'The raw value.',
    ({ evaluation }) => evaluation.raw,
    ({ raw }) => raw,
  ),
  value: {
    takes: '"text"|null',
    says: 'The typed value.',
    read(line) {
      const read = textOr('null', line);
      return read && { what: 'value', ...read };
    },
    compare: ({ text }, { evaluation }) => [quoted(text), quoted(evaluation.value)],
    say: ({ value }) => quoted(value),
  },
  codes: {
    takes: 'code…|none',
    says: 'The codes of the messages shown.',
    read(line) {
      const codes = line.rest();
      if (codes.length === 0) return line.complain(say(tapeTexts, 'expected-codes'));
      return { what: 'codes', codes: codes[0] === 'none' ? [] : codes };
    },
    compare: ({ codes }, { evaluation }) => [
      codes.join(' ') || 'none',
      evaluation.shown.map(({ code }) => code).join(' ') || 'none',
    ],
    say: ({ codes }) => codes.join(' ') || 'none',
    takesWords: true,
  },
  message: ofText(
    'message',
    'The message shown first, or an empty text.',
    ({ evaluation }) => evaluation.shown[0]?.message ?? '',
    ({ message }) => message ?? '',
  ),
  verdict: {
    takes: 'rule pass|open|fail',
    says: 'The verdict of a rule, by its id or code.',
    read(line) {
      const rule = line.name('the id or the code of a rule');
      const verdict = line.name('pass, open or fail');
      if (!rule || !verdict) return undefined;
      if (verdict !== 'pass' && verdict !== 'open' && verdict !== 'fail')
        return line.complain(say(tapeTexts, 'expected-verdict'), 3);
      return { what: 'verdict', rule, verdict };
    },
    compare({ rule, verdict }, { form, field, id, evaluation }) {
      const all = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
      const found = verdictOf({ ...field, rules: all }, evaluation.findings, rule);
      return found === undefined ? say(playTexts, 'no-rule-here', { id, rule }) : [verdict, found];
    },
    takesWords: true,
  },
  flags: {
    takes: '[!]flag…',
    says: 'The flags listed; "!" means not set.',
    read: readFlags,
    compare: ({ flags }, { evaluation }) => [
      flags.map(([name, on]) => flag(name, on)).join(' '),
      flags.map(([name]) => flag(name, evaluation.flags[name])).join(' '),
    ],
    say: ({ flags }, against) =>
      flagNames
        .filter((name) => !against || flags[name] !== against.flags[name])
        .map((name) => flag(name, flags[name]))
        .join(' '),
  },
  rejected: {
    takes: 'reason|none',
    says: 'Why the last action was rejected.',
    read(line) {
      const reason = line.name(`none, ${reasons.join(', ')}`);
      if (!reason) return undefined;
      if (reason !== 'none' && !reasons.some((known) => known === reason))
        return line.complain(say(tapeTexts, 'expected', { what: `none, ${reasons.join(', ')}` }), 2);
      return { what: 'rejected', reason: reason === 'none' ? null : reason };
    },
    compare: ({ reason }, { report }) => [reason ?? 'none', report.rejected ?? 'none'],
    say: ({ rejected }) => rejected ?? 'none',
  },
  'left-out': ofText(
    'left-out',
    'The characters that the last action left out.',
    ({ report }) => report.leftOut,
    ({ leftOut }) => leftOut,
  ),
  asks: {
    takes: 'rule "text"|none',
    says: 'The raw value that a rule asks about and has no answer for.',
    read(line) {
      const rule = line.name('the id of a rule');
      const read = rule === undefined ? undefined : textOr('none', line);
      return rule === undefined || !read ? undefined : { what: 'asks', rule, ...read };
    },
    compare: ({ rule, text }, { form, state }) => [
      quoted(text),
      quoted(openQuestion(form, state, rule)?.question.value ?? null),
    ],
    takesWords: true,
  },
  record: {
    takes: '{ "field": "value", … }',
    says: 'The values of the record that was sent.',
    read: readRecord,
    compare: ({ values }, { state }) => [sorted(values), sorted(recordIn(state)?.values ?? null)],
  },
  submitted: {
    takes: '[none]',
    says: 'Whether a record is being sent or was accepted.',
    read(line) {
      const next = line.word();
      if (next !== undefined && next !== 'none')
        return line.complain(say(tapeTexts, 'expected-end-or-none'), 2);
      return { what: 'submitted', isSo: next === undefined };
    },
    compare: ({ isSo }, { state }) => [
      isSo ? 'submitted' : 'not submitted',
      recordIn(state) ? 'submitted' : 'not submitted',
    ],
    say: ({ submitted }) => (submitted ? '' : 'none'),
  },
  focus: {
    takes: 'field|none',
    says: 'The field that has the focus.',
    read(line) {
      const id = line.name('the id of a field, or none');
      return id === undefined ? undefined : { what: 'focus', id: id === 'none' ? null : id };
    },
    compare: ({ id }, { state }) => [id ?? 'none', state.focus ?? 'none'],
    say: ({ focus }) => focus ?? 'none',
    takesWords: true,
  },
};

const flag = (name: keyof Flags, isOn: boolean): string => (isOn ? name : `!${name}`);

/** The record that is being submitted or was accepted. */
export const recordIn = ({ sending }: FormState) => ('record' in sending ? sending.record : undefined);

/** A record as text, its fields sorted by name. */
const sorted = (values: Values | null): string =>
  values === null ? 'none' : JSON.stringify(Object.fromEntries(Object.entries(values).sort()));

/** The codes a rule can fail with; a tape may name the rule by them. */
const codesOf = ({ code, words }: Rule): readonly (string | undefined)[] => [
  code,
  ...Object.keys(words ?? {}),
];

function verdictOf(field: HydratedField, findings: Evaluation['findings'], name: string) {
  const byId = field.rules.findIndex((rule) => rule.id === name);
  if (byId >= 0) return itemAt(findings, byId).verdict;
  const coded = field.rules.flatMap((rule, i) => {
    const finding = itemAt(findings, i);
    if (finding.verdict !== 'pass')
      return toMessage(field, rule, finding).code === name ? [finding.verdict] : [];
    return codesOf(rule).includes(name) ? [finding.verdict] : [];
  });
  const known = field.rules.some((rule) => codesOf(rule).includes(name));
  return coded.find((verdict) => verdict !== 'pass') ?? coded[0] ?? (known ? 'pass' : undefined);
}

/** The rest of a line as JSON: values by field. */
function readRecord(line: Line): ExpectedOf<'record'> | undefined {
  const { at, text } = line.remainder();
  try {
    const values: unknown = JSON.parse(text);
    if (typeof values === 'object' && values !== null && !Array.isArray(values))
      if (Object.values(values).every((one) => one === null || typeof one === 'string'))
        return { what: 'record', values: values as Record<string, string | null> };
  } catch {
    // Reported below, like JSON of another shape.
  }
  return line.complainAt(at, say(tapeTexts, 'expected-record'));
}

/** A display with its caret: one bar marks it, two mark a selection, `\|` is a bar of the text. */
function readDisplay(line: Line): ExpectedOf<'display'> | undefined {
  const written = line.text();
  if (written === undefined) return undefined;
  let text = '';
  const bars: number[] = [];
  for (const piece of written.split(/(\\\||\|)/)) {
    if (piece === '|') bars.push(text.length);
    else text += piece === '\\|' ? '|' : piece;
  }
  if (bars.length > 2) return line.complain(say(tapeTexts, 'too-many-carets'), 2);
  const [start, end = start] = bars;
  return start === undefined ? { what: 'display', text } : { what: 'display', text, caret: [start, end!] };
}

function readFlags(line: Line): ExpectedOf<'flags'> | undefined {
  const flags: [keyof Flags, boolean][] = [];
  for (const word of line.rest()) {
    const name = flagNames.find((one) => one === word.replace(/^!/, ''));
    if (!name) return line.complain(say(tapeTexts, 'unknown-flag', { word, known: flagNames.join(', ') }));
    flags.push([name, !word.startsWith('!')]);
  }
  if (flags.length === 0)
    return line.complain(say(tapeTexts, 'expected-flags', { known: flagNames.join(', ') }));
  return { what: 'flags', flags };
}

/**
 * Everything a tape can expect, with how it is written.
 *
 * @example
 * subjectSpellings.map(({ word }) => word);
 */
export const subjectSpellings: readonly Described[] = Object.entries(subjects).map(
  ([word, { takes, says }]) => ({ word, takes, says }),
);

/** The keywords for what a tape can expect. */
const subjectWords: readonly string[] = Object.keys(subjects);

// The compiler cannot infer that an entry looked up by a variable name belongs to the expectation.
const subjectOf = (what: string): ExpectationSubject<Expected> | undefined =>
  Object.hasOwn(subjects, what)
    ? (subjects[what as Expected['what']] as ExpectationSubject<Expected>)
    : undefined;

/** The expectation of a line, after its word `expect`. */
export function readExpectation(line: Line): Expectation | undefined {
  let what = line.name(`what: ${subjectWords.join(', ')}`);
  let field: string | undefined;
  const next = line.peekWord();
  // A first word that is not a subject is a field's id, and so is one that is followed by another subject.
  if (what !== undefined && next !== undefined && subjectOf(next) && !subjectOf(what)?.takesWords) {
    field = what;
    what = line.word();
  }
  if (!what) return undefined;
  const subject = subjectOf(what);
  if (!subject) {
    const meant = nearest(what, subjectWords);
    return line.complain(
      meant
        ? say(tapeTexts, 'unknown-expectation/meant', { word: what, meant })
        : say(tapeTexts, 'unknown-expectation', { word: what, known: subjectWords.join(', ') }),
      1,
    );
  }
  const expected = subject.read(line);
  return expected && { do: 'expect', ...(field === undefined ? {} : { field }), ...expected };
}

/** The expected and the actual text if they differ; an error if the expectation makes no sense. */
export function examine(
  expected: Expected,
  found: Found,
): { readonly expected: string; readonly found: string } | Said | undefined {
  const compared = subjectOf(expected.what)!.compare(expected, found);
  if ('message' in compared) return compared;
  const [wanted, there] = compared;
  return wanted === there ? undefined : { expected: wanted, found: there };
}

const saying = (row: Row, what: Expectable, against?: Row): string =>
  `${what} ${subjects[what].say(row, against)}`.trimEnd();

/**
 * What a row shows as a line of a tape that expects it. In a form's tape the line names the field. Of the
 * flags only those are written that differ from the row `against`.
 *
 * @example
 * const line = (row: Row) => expectationOf(row, 'display');
 */
export function expectationOf(
  row: Row,
  what: Expectable,
  { isForm = false, against }: { readonly isForm?: boolean; readonly against?: Row } = {},
): string {
  const isOfField = !['focus', 'submitted', 'rejected', 'left-out'].includes(what);
  return `expect ${isForm && isOfField ? `${row.field} ` : ''}${saying(row, what, against)}`;
}

/** What differs between two rows. */
export const differing = (a: Row, b: Row): readonly Expectable[] =>
  expectable.filter((what) => a.field !== b.field || saying(a, what) !== saying(b, what));
