import { say } from '../faults/say.ts';
import { codeTexts } from '../faults/texts.ts';
import { type Validator, valuesOf } from './checks.ts';
import { type Finding, passed, unanswered } from './finding.ts';

/** The argument of the developer's code: everything it may know. */
export interface CodeInput {
  /** The typed value. */
  readonly value: string;
  readonly raw: string;
  /** Typed values of the other fields that the rule names; `null` if there is none. */
  readonly values: Readonly<Record<string, string | null>>;
  /** The clock (ISO 8601); empty without one. */
  readonly today: string;
}

/**
 * The result of a call: the answer; the reason and line (1-based) of a failure; or that it had to be stopped,
 * which says nothing about the code.
 */
export type CodeOutcome =
  | { readonly answer: unknown }
  | { readonly broken: string; readonly line?: number }
  | { readonly undecided: string };

/**
 * Runs the default function of a module, in a sandbox or, in a hand-off, directly. Returns `undefined` if it
 * cannot run yet.
 */
export type RunCode = (code: string, input: CodeInput) => CodeOutcome | undefined;

/**
 * The check `custom` with the function that runs its code. The code returns nothing (pass), `{ code, data }`
 * (fail), `{ open: true }`, and `{ facts }` beside any of these. Anything else fails with the code
 * `check-broken`; `reason` and `line` are for the developer.
 *
 * @example
 * const own: Checks = { ...checks, custom: customBy(runCheck) };
 */
export const customBy =
  (run: RunCode): Validator<'custom'> =>
  ({ kind, plan }, body, { code, with: names }, { others, today }) => {
    const value = kind.value(plan, body);
    if (value === null) return passed;
    const input = { value, raw: kind.raw(plan, body), values: valuesOf(others, names), today };
    const outcome = run(code, input);
    return outcome ? findingOf(outcome) : unanswered;
  };

/** The finding that follows from an outcome. */
function findingOf(outcome: CodeOutcome): Finding {
  if ('broken' in outcome) return broken(outcome.broken, outcome.line);
  // No verdict; but a value that was not checked does not pass either.
  if ('undecided' in outcome) return { ...broken(outcome.undecided), verdict: 'open' };
  const { answer } = outcome;
  if (answer === undefined || answer === null) return passed;
  if (!isRecord(answer)) return broken(say(codeTexts, 'answer-type', { type: typeof answer }).message);
  if ('then' in answer) return broken(say(codeTexts, 'answer-promise').message);
  const { code, data, open, facts, ...rest } = answer;
  const [unknown] = Object.keys(rest);
  if (unknown !== undefined) return broken(say(codeTexts, 'answer-property', { name: unknown }).message);
  if (code !== undefined && !(typeof code === 'string' && /^[a-z][\w-]*$/i.test(code)))
    return broken(say(codeTexts, 'answer-code').message);
  const [named, found] = [textsOf(data), textsOf(facts)];
  if (!named || !found)
    return broken(say(codeTexts, 'answer-data', { name: named ? 'facts' : 'data' }).message);
  const told: Finding =
    code !== undefined
      ? { verdict: 'fail', code, data: named }
      : open === true
        ? { verdict: 'open', code: 'incomplete', data: named }
        : passed;
  return facts === undefined ? told : { ...told, facts: found };
}

const broken = (reason: string, line?: number): Finding => ({
  verdict: 'fail',
  code: 'check-broken',
  data: { reason, line: line === undefined ? '' : String(line) },
});

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * An object of texts and numbers, as texts. `undefined` becomes an empty object; anything else is
 * `undefined`.
 */
function textsOf(value: unknown): Readonly<Record<string, string>> | undefined {
  if (value === undefined) return {};
  if (!isRecord(value)) return undefined;
  const entries = Object.entries(value);
  const isText = ([, one]: [string, unknown]): boolean =>
    typeof one === 'string' || (typeof one === 'number' && Number.isFinite(one));
  return entries.every(isText)
    ? Object.fromEntries(entries.map(([name, one]) => [name, String(one)]))
    : undefined;
}
