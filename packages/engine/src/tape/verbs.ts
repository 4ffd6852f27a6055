import { type Said, say } from '../faults/say.ts';
import { playTexts, tapeTexts } from '../faults/texts.ts';
import { keysOf } from '../field/apply.ts';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { FormEvent } from '../form/apply.ts';
import { type FormState, fieldOf, type HydratedForm } from '../form/form.ts';
import { itemAt } from '../values/item-at.ts';
import type { Line } from './line.ts';
import { arrow, beside, endOfLine, startOfLine } from './moves.ts';
import type { Action } from './script.ts';

type ActionOf<D extends Action['do']> = Action & { readonly do: D };

/** Actions on the form rather than on the focused field. */
type FormDo = 'focus' | 'leave' | 'submit' | 'reset' | 'wait' | 'answer' | 'sent';
type FieldDo = Exclude<Action['do'], FormDo>;
/** An action on one field. */
export type FieldAction = ActionOf<FieldDo>;

/** The word or words a line begins with, and how the rest is read. */
interface Spelling<A extends Action> extends Described {
  read(line: Line): A | undefined;
}

/** How a line of a tape is written and what it means, for docs and completion. */
export interface Described {
  readonly word: string;
  /** The arguments after the word. Square brackets: optional. */
  readonly takes: string;
  readonly says: string;
}

/** Everything about an action of tapes: how it is read, how it is written, what it does. */
interface Verb<A extends Action> {
  readonly spellings: readonly [Spelling<A>, ...Spelling<A>[]];
  /** The whole line. */
  write(action: A): string;
}

interface FieldVerb<A extends Action> extends Verb<A> {
  events(action: A, state: FieldState, field: HydratedField): FieldEvent[];
  /**
   * Whether a browser or a program can do it to a field without focus. A person has to focus the field first.
   */
  readonly needsNoFocus?: true;
}

interface FormVerb<A extends Action> extends Verb<A> {
  /**
   * The events of the action. `about` is the field that had the focus last. `null` is a pause. A sentence if
   * the action makes no sense.
   */
  events(action: A, form: HydratedForm, state: FormState, about: string): (FormEvent | null)[] | Said;
}

/** A verb without arguments. */
const bare = <D extends Action['do']>(action: ActionOf<D>, says: string, word: string = action.do) =>
  ({
    spellings: [{ word, takes: '', says, read: () => action }],
    write: () => word,
  }) as const satisfies Verb<ActionOf<D>>;

type TextDo = 'type' | 'insert' | 'paste' | 'autofill' | 'set';
const withText = <D extends TextDo>(name: D, says: string) => ({
  spellings: [
    {
      word: name,
      takes: '"text"',
      says,
      read(line: Line) {
        const text = line.text();
        return text === undefined ? undefined : ({ do: name, text } as ActionOf<D>);
      },
    },
  ] as const,
  write: ({ text }: ActionOf<D>) => `${name} ${JSON.stringify(text)}`,
});

type TimesDo = 'backspace' | 'delete' | 'word-backspace' | 'left' | 'right' | 'up' | 'down';
const withTimes = <D extends TimesDo>(name: D, says: string) => ({
  spellings: [
    {
      word: name,
      takes: '[n]',
      says,
      read(line: Line) {
        const times = line.times();
        return times === undefined ? undefined : ({ do: name, times } as ActionOf<D>);
      },
    },
  ] as const,
  write: ({ times }: ActionOf<D>) => (times === 1 ? name : `${name} ${times}`),
});

const selecting = (start: number, end = start): FieldEvent[] => [{ type: 'select', start, end }];
const repeated = (times: number, event: FieldEvent): FieldEvent[] => Array<FieldEvent>(times).fill(event);

/** All actions on a field. The compiler demands an entry for each. */
const fieldVerbs: { readonly [D in FieldDo]: FieldVerb<ActionOf<D>> } = {
  type: { ...withText('type', 'Types the text, one key per character.'), events: ({ text }) => keysOf(text) },
  insert: {
    ...withText('insert', 'Inserts the text in one piece, as a keyboard with suggestions does.'),
    events: ({ text }) => [{ type: 'insert', text }],
  },
  paste: { ...withText('paste', 'Pastes the text.'), events: ({ text }) => [{ type: 'paste', text }] },
  autofill: {
    ...withText('autofill', 'The browser fills in the text in place of all that is there.'),
    events: ({ text }) => [{ type: 'autofill', text }],
    needsNoFocus: true,
  },
  set: {
    ...withText('set', 'A program sets the text in place of all that is there.'),
    events: ({ text }) => [{ type: 'set', text }],
    needsNoFocus: true,
  },
  backspace: {
    ...withTimes('backspace', 'Deletes the character before the caret, or the selection; n times.'),
    events: ({ times }) => repeated(times, { type: 'backspace' }),
  },
  delete: {
    ...withTimes('delete', 'Deletes the character after the caret, or the selection; n times.'),
    events: ({ times }) => repeated(times, { type: 'delete' }),
  },
  'word-backspace': {
    ...withTimes('word-backspace', 'Deletes the word before the caret, or the selection; n times.'),
    events: ({ times }) => repeated(times, { type: 'word-backspace' }),
  },
  cut: { ...bare({ do: 'cut' }, 'Cuts the selection.'), events: () => [{ type: 'cut' }] },
  select: {
    spellings: [
      { word: 'select', takes: 'from to', says: 'Selects from one offset to another.', read: readSelection },
      {
        word: 'caret',
        takes: 'offset',
        says: 'Moves the caret to an offset of the display (UTF-16 units).',
        read: readCaret,
      },
    ],
    write: ({ start, end }) => (start === end ? `caret ${start}` : `select ${start} ${end}`),
    events: ({ start, end }) => selecting(start, end),
  },
  'select-all': {
    ...bare({ do: 'select-all' }, 'Selects everything.', 'select all'),
    events: (_, { body }) => selecting(0, body.display.length),
  },
  left: {
    ...withTimes('left', 'Moves the caret left by n characters.'),
    events: ({ times }, state) => selecting(arrow(state, 'left', times)),
  },
  right: {
    ...withTimes('right', 'Moves the caret right by n characters.'),
    events: ({ times }, state) => selecting(arrow(state, 'right', times)),
  },
  home: {
    ...bare({ do: 'home' }, 'Moves the caret to the start of the line.'),
    events: (_, { body, start }) => selecting(startOfLine(body.display, start)),
  },
  end: {
    ...bare({ do: 'end' }, 'Moves the caret to the end of the line.'),
    events: (_, { body, end }) => selecting(endOfLine(body.display, end)),
  },
  up: {
    ...withTimes('up', 'Presses the up arrow key n times.'),
    events: ({ times }, state, field) => upOrDown(state, field, 'up', times),
  },
  down: {
    ...withTimes('down', 'Presses the down arrow key n times.'),
    events: ({ times }, state, field) => upOrDown(state, field, 'down', times),
  },
  undo: { ...bare({ do: 'undo' }, 'Undoes the last step.'), events: () => [{ type: 'undo' }] },
  redo: { ...bare({ do: 'redo' }, 'Redoes the step that was undone.'), events: () => [{ type: 'redo' }] },
};

/**
 * Where nothing is stepped, these keys go to the line above or below; from the first and last line, to the
 * ends of the text.
 */
const upOrDown = (state: FieldState, field: HydratedField, to: 'up' | 'down', times: number): FieldEvent[] =>
  field.kind.step ? repeated(times, { type: to }) : selecting(beside(state, to, times));

function readCaret(line: Line): ActionOf<'select'> | undefined {
  const offset = line.whole('an offset');
  return offset === undefined ? undefined : { do: 'select', start: offset, end: offset };
}

function readSelection(line: Line): ActionOf<'select'> | undefined {
  const start = line.whole('"all" or the offset where the selection starts');
  const end = start === undefined ? undefined : line.whole('the offset where it ends');
  return start === undefined || end === undefined ? undefined : { do: 'select', start, end };
}

/** All actions on a form. */
const formVerbs: { readonly [D in FormDo]: FormVerb<ActionOf<D>> } = {
  focus: {
    spellings: [
      {
        word: 'focus',
        takes: '[field]',
        says: 'Moves the focus to the field, or to the field with this id.',
        read(line) {
          const field = line.word();
          return field === undefined ? { do: 'focus' } : { do: 'focus', field };
        },
      },
    ],
    write: ({ field }) => (field === undefined ? 'focus' : `focus ${field}`),
    events: ({ field }, _, __, about) => [{ type: 'focus', field: field ?? about }],
  },
  leave: { ...bare({ do: 'leave' }, 'Moves the focus out of the field.'), events: () => [{ type: 'leave' }] },
  submit: { ...bare({ do: 'submit' }, 'Submits the form.'), events: () => [{ type: 'submit' }] },
  reset: {
    ...bare({ do: 'reset' }, 'Resets the form to its initial values.'),
    events: () => [{ type: 'reset' }],
  },
  wait: {
    spellings: [
      {
        word: 'wait',
        takes: '300ms',
        says: 'Waits, so that rules ask their questions.',
        read(line) {
          const time = /^(\d{1,6})(ms|s)$/.exec(line.name('a time such as 300ms') ?? '');
          if (!time) return line.complain(say(tapeTexts, 'expected-time'), 1);
          return { do: 'wait', milliseconds: +itemAt(time, 1) * (time[2] === 's' ? 1000 : 1) };
        },
      },
    ],
    write: ({ milliseconds }) => `wait ${milliseconds}ms`,
    events: () => [null],
  },
  answer: {
    spellings: [
      {
        word: 'answer',
        takes: 'rule pass|fail [code]',
        says: 'The server answers the question of the rule.',
        read: readAnswer,
      },
      {
        word: 'unreachable',
        takes: 'rule',
        says: 'No server answers the question of the rule.',
        read(line) {
          const rule = line.name('the id of a rule');
          return rule === undefined ? undefined : { do: 'answer', rule, verdict: 'unreachable' };
        },
      },
    ],
    write: ({ rule, verdict, code }) =>
      verdict === 'unreachable'
        ? `unreachable ${rule}`
        : `answer ${rule} ${verdict}${code ? ` ${code}` : ''}`,
    events({ rule, verdict, code }, form, state) {
      const asked = openQuestion(form, state, rule);
      if (!asked) return say(playTexts, 'no-pending-check', { rule });
      const answer = { verdict, ...(code === undefined ? {} : { code }) };
      return [
        { type: 'field', field: asked.field, event: { type: 'answer', id: asked.question.id, answer } },
      ];
    },
  },
  sent: {
    spellings: [
      {
        word: 'sent',
        takes: '[field code]',
        says: 'The server accepts the record, or rejects a field with a code.',
        read: readSent,
      },
    ],
    write: ({ field, code }) => (field === undefined ? 'sent' : `sent ${field} ${code}`),
    events({ field, code }, _, state) {
      if (state.sending.is !== 'sending') return say(playTexts, 'nothing-sent');
      const findings = field === undefined || code === undefined ? [] : [{ field, code }];
      return [{ type: 'sent', findings }];
    },
  },
};

function readAnswer(line: Line): ActionOf<'answer'> | undefined {
  const rule = line.name('the id of a rule');
  if (rule === undefined) return undefined;
  const verdict = line.name('pass or fail');
  if (verdict !== 'pass' && verdict !== 'fail') return line.complain(say(tapeTexts, 'expected-answer'), 2);
  const code = line.word();
  return { do: 'answer', rule, verdict, ...(code === undefined ? {} : { code }) };
}

function readSent(line: Line): ActionOf<'sent'> | undefined {
  const field = line.word();
  if (field === undefined) return { do: 'sent' };
  const code = line.name('the code of what is wrong with it');
  return code === undefined ? undefined : { do: 'sent', field, code };
}

/** The latest question of a rule that waits for an answer, with its field. */
export function openQuestion(form: HydratedForm, state: FormState, rule: string) {
  for (const field of form.asking) {
    const { questions } = fieldOf(form, state, field).state;
    const question = questions.open.findLast((one) => one.rule === rule);
    if (question) return { field, question };
  }
  return undefined;
}

// The compiler cannot infer that an entry looked up by a variable name belongs to the action.
const fieldVerbOf = (action: Action): FieldVerb<Action> | undefined =>
  Object.hasOwn(fieldVerbs, action.do) ? (fieldVerbs[action.do as FieldDo] as FieldVerb<Action>) : undefined;
const formVerbOf = (action: Action): FormVerb<Action> => formVerbs[action.do as FormDo] as FormVerb<Action>;

const spellings: ReadonlyMap<string, Spelling<Action>> = new Map(
  [...Object.values(fieldVerbs), ...Object.values(formVerbs)].flatMap((verb) =>
    verb.spellings.map((one): [string, Spelling<Action>] => [one.word, one]),
  ),
);

/**
 * Every way to write an action of a tape.
 *
 * @example
 * actionSpellings.map(({ word }) => word);
 */
export const actionSpellings: readonly Described[] = [...spellings.values()];

/** The words that actions of a tape begin with. */
export const actionWords: readonly string[] = Array.from(
  new Set([...spellings.keys()].map((word) => word.split(' ')[0]!)),
);

/** Whether a line that begins with this word is an action. */
export const isAction = (word: string): boolean => actionWords.includes(word);

/** The action of a line whose first word has been read. */
export function readAction(first: string, line: Line): Action | undefined {
  const second = line.peekWord();
  const pair = second === undefined ? undefined : spellings.get(`${first} ${second}`);
  if (pair) line.word();
  return (pair ?? spellings.get(first))?.read(line);
}

/**
 * An action as a line of a tape.
 *
 * @example
 * writeAction({ do: 'backspace', times: 2 }); // 'backspace 2'
 */
export const writeAction = (action: Action): string =>
  (fieldVerbOf(action) ?? formVerbOf(action)).write(action);

/**
 * The events of an action in a form, or an error if it is not possible there. `about` is the field that
 * had the focus last: an action on a field without focus focuses that field first.
 *
 * @example
 * const events = formEvents(booking, { do: 'submit' }, startForm(booking), 'arrival');
 */
export function formEvents(
  form: HydratedForm,
  action: Action,
  state: FormState,
  about: string,
): (FormEvent | null)[] | Said {
  const verb = fieldVerbOf(action);
  if (!verb) return formVerbOf(action).events(action, form, state, about);
  const { field, state: now } = fieldOf(form, state, about);
  const events = verb
    .events(action, now, field)
    .map((event): FormEvent => ({ type: 'field', event, field: about }));
  return state.focus !== null || verb.needsNoFocus ? events : [{ type: 'focus', field: about }, ...events];
}

/**
 * The events of an action on the focused field in `state`.
 *
 * @example
 * const events = fieldEvents({ do: 'type', text: '12' }, start(pass), pass);
 */
export const fieldEvents = (action: FieldAction, state: FieldState, field: HydratedField): FieldEvent[] =>
  (fieldVerbOf(action) as FieldVerb<Action>).events(action, state, field);

/**
 * Whether a person has to focus the field for an action. Programs and browsers do not, and neither do actions
 * on the form.
 *
 * @example
 * needsFocus('type'); // true
 */
export const needsFocus = (action: Action['do']): boolean =>
  action in fieldVerbs && !fieldVerbs[action as FieldDo].needsNoFocus;
