import { apply, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import { fold } from '../values/graphemes.ts';
import { type Breach, type Law, noLaws } from './law.ts';
import { drawn, isFromRight, isSame, type LawSubject, sign, signsOf } from './law-subject.ts';

/** The laws of a single step: they look only at the states before and after one event. */

/** An event with the states before and after. */
export interface Transition {
  readonly before: FieldState;
  readonly event: FieldEvent;
  readonly after: FieldState;
  /** Whether the field has not been left or submitted since it was empty. Default: what the state says. */
  readonly isFirst?: boolean;
}

/** Law 1: the display of each content so far. */
export type Memory = Map<string, string>;

/** Law 1: the same content and flags have the same display, however they were reached. */
function sameWayShown(
  { exemptions }: LawSubject,
  { body, focused }: FieldState,
  memory: Memory,
): Breach | undefined {
  const flags = exemptions.flags
    ? exemptions.flags(body)
    : body.content === '' && body.display !== ''
      ? 'passed'
      : '';
  const key = `${body.content}\u0000${focused ? 'f' : ''}${flags}`;
  const known = memory.get(key);
  if (known === undefined) memory.set(key, body.display);
  else if (known !== body.display)
    return {
      law: 1,
      expected: `“${known}”, as before with the same content`,
      found: `“${body.display}”`,
    };
  return undefined;
}

/** Law 3: an accepted character is directly left of the caret. */
function standsLeft(subject: LawSubject, { before, event, after }: Transition): Breach | undefined {
  if (event.type !== 'key' || !before.focused || after.rejected) return undefined;
  if (after.body.content === before.body.content || isFromRight(subject)) return undefined;
  const c = fold(event.text.normalize('NFKC')).toLowerCase();
  if (!(subject.exemptions.typed ?? sign).test(c)) return undefined;
  const now = subject.atomsOf(after.body);
  const was = subject.atomsOf(before.body);
  const taken = was.filter(({ at }) => at >= before.start && at < before.end).length;
  // Typed fixed text adds no character, for example over a selection, or between two parts.
  const isOver = before.start === before.end && subject.exemptions.doesOverwrite?.(subject.field.plan);
  if (now.length <= was.length - taken && !isOver) return undefined;
  const left = now.filter(({ at }) => at < after.start);
  const typed = left[left.length - 1 - (subject.exemptions.brought?.(after.body) ?? 0)];
  const stands = typed && fold(typed.c.normalize('NFKC')).toLowerCase();
  if (stands === c) return undefined;
  return { law: 3, expected: `“${event.text}” directly left of the caret`, found: drawn(after) };
}

/**
 * Laws 4 and 5: Backspace and Delete remove exactly the next character of the content, and the caret moves as
 * little as possible.
 */
function takesOne(subject: LawSubject, { before, event, after }: Transition): Breach | undefined {
  const { field, exemptions, isPicked, atomsOf } = subject;
  if (event.type !== 'backspace' && event.type !== 'delete') return undefined;
  if (isPicked || before.start !== before.end || !before.focused) return undefined;
  if (event.type === 'backspace' && exemptions.hasPassed?.(before.body, before.start))
    return after.body.content === before.body.content
      ? undefined
      : { law: 4, expected: 'fixed text that was typed goes before content does', found: drawn(after) };
  const atoms = atomsOf(before.body);
  let left = 0;
  while (left < atoms.length && atoms[left]!.at < before.start) left++;
  const gone = event.type === 'backspace' ? left - 1 : left;
  const now = atomsOf(after.body);
  const rest = atoms.filter((_, i) => i !== gone);
  const written = rest.map(({ c }) => c).join('');
  // Leading zeros of a right fill do not count.
  if (isFromRight(subject) && /^-?0/.test(written)) return undefined;
  // A character that moves into another cell takes the case and the width of that cell.
  if (plainly(subject.textOf(after.body)) !== plainly(written))
    return {
      law: 4,
      expected: gone in atoms ? `“${atoms[gone]!.c}” gone, and “${written}” left` : 'nothing gone',
      found: `${drawn(after)} with content “${after.body.content}”`,
    };
  if (!(gone in atoms)) return undefined;
  // A minus at the beginning is passed together with what belongs to it.
  if (rest[0]?.c === '-' && gone === 1) return undefined;
  const aim = Math.min(before.start, atoms[gone]!.at);
  const previous = now[gone - 1];
  const stand = (offset: number): number => field.kind.clampCaret?.(field.plan, after.body, offset) ?? offset;
  const low = Math.max(previous ? previous.at + previous.c.length : 0, field.kind.clampCaret ? stand(0) : 0);
  const high = now[gone]?.at ?? after.body.display.length;
  const right = Math.max(low, Math.min(aim, high));
  const aimed = Math.min(right, stand(right));
  return after.start === aimed && after.end === aimed
    ? undefined
    : { law: 5, expected: drawn({ ...after, start: aimed, end: aimed }), found: drawn(after) };
}

/**
 * Law 6: a rejected character changes nothing, a key removes nothing else, and a paste reports what it leaves
 * out.
 */
function losesNothing(subject: LawSubject, { before, event, after }: Transition): Breach | undefined {
  const { field, exemptions } = subject;
  if (event.type === 'key') {
    if (after.rejected)
      return isSame(before, after)
        ? undefined
        : { law: 6, expected: `${drawn(before)}, for the key was refused`, found: drawn(after) };
    return takesSilently(subject, { before, event, after }) ?? losesByKey(subject, before, after);
  }
  if (event.type !== 'paste' || before.body.content || exemptions.doesConvert?.(event.text)) return undefined;
  if (isFromRight(subject) && /^\D*[0٠]/.test(event.text)) return undefined;
  const fixed = signsOf((exemptions.fixed?.(field.plan) ?? '') + after.body.display);
  const kept = [...signsOf(`${after.body.content}${after.leftOut}`)];
  for (const c of signsOf(event.text)) {
    const at = kept.indexOf(c);
    if (at >= 0) kept.splice(at, 1);
    else if (!fixed.includes(c))
      return {
        law: 6,
        expected: `“${c}” of the paste in the field, or told as left out`,
        found: `${drawn(after)}, left out ${after.leftOut ? `“${after.leftOut}”` : 'nothing'}`,
      };
  }
  return undefined;
}

/** A kind that cannot report a rejection must take everything. */
function takesSilently(
  { exemptions, textOf }: LawSubject,
  { before, event, after }: Transition,
): Breach | undefined {
  if (!exemptions.isSilent || event.type !== 'key' || before.start !== before.end || !before.focused)
    return undefined;
  if (!sign.test(event.text) || textOf(after.body).length > textOf(before.body).length) return undefined;
  return {
    law: 6,
    expected: `“${event.text}” in the field, or a word that it was not taken`,
    found: drawn(after),
  };
}

/** A key that was taken must not push anything out. */
function losesByKey(subject: LawSubject, before: FieldState, after: FieldState): Breach | undefined {
  const { field, exemptions, isPicked } = subject;
  if (before.body === after.body || before.start !== before.end || isPicked || !before.focused)
    return undefined;
  if (isFromRight(subject) || exemptions.doesOverwrite?.(field.plan)) return undefined;
  const was = subject.textOf(before.body);
  const is = subject.textOf(after.body);
  if (is.startsWith(was) || is.endsWith(was)) return undefined;
  const now = [...signsOf(is)];
  for (const c of signsOf(was)) {
    const at = now.indexOf(c);
    if (at < 0) return { law: 6, expected: `“${was}” still there, all of it`, found: drawn(after) };
    now.splice(at, 1);
  }
  return undefined;
}

const plainly = (text: string): string => [...text].map(fold).join('').toLowerCase();

const moves: ReadonlySet<FieldEvent['type']> = new Set(['undo', 'redo', 'reset', 'leave', 'focus', 'submit', 'select', 'up', 'down']); // biome-ignore format: a list

/** Law 7: undo restores display, caret and selection, and redo restores what was undone. */
function comesBack({ field }: LawSubject, { before, event, after }: Transition): Breach | undefined {
  if (moves.has(event.type) || after.body === before.body || !before.focused) return undefined;
  const undone = apply(field, after, { type: 'undo' });
  const isNew = before.run === 'none' || before.run !== after.run;
  if (isNew && !isSame(undone, before))
    return {
      law: 7,
      expected: `${drawn(before)} when it is undone`,
      found: drawn(undone),
      further: [{ do: 'undo' }],
    };
  const redone = apply(field, undone, { type: 'redo' });
  return isSame(redone, after)
    ? undefined
    : {
        law: 7,
        expected: `${drawn(after)} when it is done again`,
        found: drawn(redone),
        further: [{ do: 'undo' }, { do: 'redo' }],
      };
}

/**
 * Laws 9 and 10: verdicts follow from the value alone, and a message about something open is not shown at the
 * first visit.
 */
function isCalm({ field, today }: LawSubject, moment: Transition): Breach | undefined {
  const { event, after, before, isFirst = !after.touched && !after.submitted } = moment;
  if (after === before || event.type === 'select') return undefined;
  const evaluation = evaluate(field, after, today);
  const { findings, shown } = evaluation;
  if (after.past || after.touched || after.submitted) {
    const other = evaluate(field, { ...start(field), body: after.body }, today).findings;
    const at = findings.findIndex(
      ({ verdict, code }, i) => verdict !== other[i]?.verdict || code !== other[i]?.code,
    );
    if (at >= 0 && !after.refused)
      return {
        law: 9,
        expected: `the verdict “${other[at]?.verdict}” of rule ${field.rules[at]?.id}, as for the same value elsewhere`,
        found: `“${findings[at]?.verdict}”`,
      };
  }
  if (!isFirst) return undefined;
  const early = shown.find(
    ({ rule }) => findings[field.rules.findIndex(({ id }) => id === rule)]?.verdict === 'open',
  );
  return early && { law: 10, expected: 'no message yet', found: `“${early.message}”` };
}

/**
 * Law 11: offsets are inside the display, nothing is undefined, and a value has the form that its kind
 * defines.
 */
function isWellFormed(
  { field, grammar, today }: LawSubject,
  { before, after }: Transition,
): Breach | undefined {
  const { display } = after.body;
  if (!(after.start >= 0 && after.end >= after.start && after.end <= display.length))
    return {
      law: 11,
      expected: 'the caret inside the text',
      found: `${after.start} to ${after.end} of “${display}”`,
    };
  if (after.body === before.body) return undefined;
  const { kind, plan } = field;
  const value = kind.value(plan, after.body);
  if (value !== null && grammar && !grammar.test(value))
    return { law: 11, expected: 'no value, or a well-formed one', found: `“${value}” on ${today}` };
  const raw = kind.raw(plan, after.body);
  return /\p{Cs}/u.test(raw)
    ? { law: 11, expected: 'whole characters', found: JSON.stringify(raw) }
    : undefined;
}

/**
 * Laws 2 and 11: a developer's custom code keeps what was typed, and returns a result. What is displayed in
 * its place breaks no law.
 */
function isShaped({ exemptions }: LawSubject, { before, after }: Transition): Breach | undefined {
  const problem = after.body === before.body ? undefined : exemptions.problem?.(after.body);
  if (!problem) return undefined;
  const { law, reason } = problem;
  const expected =
    law === 2
      ? `every character of “${after.body.content}”, in its order, in the text its code makes of it`
      : `an answer of its code for “${after.body.content}”`;
  const why = `${reason.charAt(0).toLowerCase()}${reason.slice(1).replace(/\.$/, '')}`;
  return { law, expected, found: `${law === 2 ? 'no such text' : 'none'}: ${why}` };
}

const ofSteps = [losesNothing, standsLeft, takesOne, isWellFormed, isShaped] as const;
/** Laws that cost as much as several events. */
const dearOfSteps = [comesBack, isCalm] as const;
/** Which laws to check. */
export interface LawQuery {
  /** Whether to check expensive laws too. */
  readonly isAll: boolean;
  /** Laws to ignore. */
  readonly but?: ReadonlySet<Law>;
}

/** The first law that a step breaks. */
export function breachAt(
  subject: LawSubject,
  moment: Transition,
  memory: Memory,
  { isAll, but = noLaws }: LawQuery,
): Breach | undefined {
  for (const law of ofSteps) {
    const breach = law(subject, moment);
    if (breach && !but.has(breach.law)) return breach;
  }
  for (const law of isAll ? dearOfSteps : []) {
    const breach = law(subject, moment);
    if (breach && !but.has(breach.law)) return breach;
  }
  // The display changes only with the state, or with the focus.
  const { before, after } = moment;
  if (but.has(1) || (before.body === after.body && before.focused === after.focused)) return undefined;
  return sameWayShown(subject, after, memory);
}
