import type { CheckContext } from './check-context.ts';
import type { ClearRejected } from './clear-rejected.ts';
import { type Finding, incomplete, passed } from './finding.ts';
import type { RemoteCheck } from './questions.ts';
import type { Check, Rule } from './rule.ts';

export type { Answer, CheckContext, Other } from './check-context.ts';

const none: Readonly<Record<string, string>> = {};
const missing: Finding = { verdict: 'open', code: 'required', data: none };

/** What a check asks about: something held, whatever its kind. */
export interface CheckedText {
  /** The characters the user contributed, in order. */
  readonly content: string;
  readonly display: string;
  /** Nothing is missing: what stands there is a whole value, right or wrong. */
  readonly complete: boolean;
}

/** What a kind must be able to tell of what it holds, so that it can be checked. */
export interface Checkable<P, B extends CheckedText> {
  /** The typed value, `null` until complete and well-formed. */
  value(plan: P, body: B): string | null;
  /** The raw value. */
  raw(plan: P, body: B): string;
  /** Whether typing on could still add a character. */
  hasRoom(plan: P, body: B): boolean;
  /** What a whole value from the program comes to. */
  parse(plan: P, text: string): { readonly body: B };
  /** The same content as it shows away from the focus. */
  toResting?(plan: P, body: B): B;
  /** The kind's own answer to a check; `undefined` leaves it to `check`. */
  validate?(plan: P, body: B, check: Check, given: CheckContext): Finding | undefined;
}

/** A field to be checked: its plan, its kind, and the checks it carries. */
export interface CheckedField<P, B extends CheckedText> {
  readonly plan: P;
  readonly kind: Checkable<P, B>;
  readonly checks: Checks;
}

/** Checks that every field knows. What a kind does not say of itself is not much. */
type Everywhere = 'required' | 'complete' | 'range';
/** Checks that a field carries where a rule of its asks for them. */
export type CarriedCheck = Exclude<Check['type'], Everywhere>;

/** What a check says of what a field holds. Asked only while it holds anything. */
export type Validator<T extends CarriedCheck> = <P, B extends CheckedText>(
  field: CheckedField<P, B>,
  body: B,
  what: Extract<Check, { type: T }>,
  given: CheckContext,
  /** Id of the rule that asks. */
  rule: string,
) => Finding;

/** Checks at hand, by their type, and what goes with some rules beside them: as kinds, they are values, and a page carries those it names. */
export type Checks = { readonly [T in CarriedCheck]?: Validator<T> } & {
  /** What fields carry whose rules ask elsewhere. */
  readonly remoteCheck?: RemoteCheck;
  /** What fields carry of which a rule takes out what it refuses. */
  readonly clearRejected?: ClearRejected;
};

const everywhere: readonly Check['type'][] = ['required', 'complete', 'range'] satisfies Everywhere[];

/**
 * The names of the checks a field needs for its rules, each once.
 *
 * @example
 * const names = carriedBy(pass.rules);
 */
export function carriedBy(rules: readonly Rule[]): ReadonlySet<keyof Checks> {
  const names = new Set<keyof Checks>();
  for (const { check, clears } of rules) {
    if (!everywhere.includes(check.type)) names.add(check.type as CarriedCheck);
    if (check.type === 'remote') names.add('remoteCheck');
    if (clears) names.add('clearRejected');
  }
  return names;
}

/** Typed values of other fields, by id. */
export const valuesOf = (
  others: CheckContext['others'],
  names: readonly string[],
): Readonly<Record<string, string | null>> =>
  Object.fromEntries(names.map((name) => [name, others[name]?.value ?? null]));

/**
 * What one check says of what the field holds. An empty field passes every check but `required`, which blanks alone do not meet
 * either. Throws `RangeError` for a check that is not at hand, which `hydrate` has seen to.
 */
export function check<P, B extends CheckedText>(
  field: CheckedField<P, B>,
  body: B,
  what: Check,
  given: CheckContext,
  rule: string,
): Finding {
  if (!body.content) return what.type === 'required' ? missing : passed;
  switch (what.type) {
    case 'required':
      return body.content.trim() ? passed : missing;
    case 'complete':
    case 'range':
      // Only kinds with an order have a range, and they answer themselves.
      return (
        field.kind.validate?.(field.plan, body, what, given) ??
        (what.type === 'range' || body.complete ? passed : incomplete)
      );
    default: {
      // The validator of that type takes checks of that type, which the compiler does not follow from one to the other.
      const validator = field.checks[what.type] as Validator<CarriedCheck> | undefined;
      if (!validator) throw new RangeError(`The check "${what.type}" is not at hand.`);
      return validator(field, body, what, given, rule);
    }
  }
}
