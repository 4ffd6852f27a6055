import { unknownCheck } from '../faults/usage.ts';
import type { CheckContext } from './check-context.ts';
import type { ClearRejected } from './clear-rejected.ts';
import { type Finding, incomplete, passed } from './finding.ts';
import type { RemoteCheck } from './questions.ts';
import type { Check, Rule } from './rule.ts';

export type { Answer, CheckContext, Other } from './check-context.ts';

const none: Readonly<Record<string, string>> = {};
const missing: Finding = { verdict: 'open', code: 'required', data: none };

/** The text of a field as a check sees it, whatever the kind. */
export interface CheckedText {
  /** The characters that the user contributed, in order. */
  readonly content: string;
  readonly display: string;
  /** Whether nothing is missing: the value is complete, right or wrong. */
  readonly complete: boolean;
}

/** What a kind must provide so that its fields can be checked. */
export interface Checkable<P, B extends CheckedText> {
  /** The typed value; `null` until complete and well-formed. */
  value(plan: P, body: B): string | null;
  /** The raw value. */
  raw(plan: P, body: B): string;
  /** The raw value with another share of fixed text, for kinds that have one. */
  rawAs?(plan: P, body: B, as: 'content' | 'text' | 'compact'): string;
  /** Whether another character could be typed. */
  hasRoom(plan: P, body: B): boolean;
  /** The text state of a whole value from a program. */
  parse(plan: P, text: string): { readonly body: B };
  /**
   * Whether typing on can lead to a raw value. Default: whether it begins with the present one. For kinds
   * whose raw value is not what was typed.
   */
  canBecome?(plan: P, body: B, raw: string): boolean;
  /** The same content as it is shown without focus. */
  toResting?(plan: P, body: B): B;
  /** The kind's own finding for a check; `undefined` leaves it to the check. */
  validate?(plan: P, body: B, check: Check, given: CheckContext): Finding | undefined;
}

/** A field to check: its plan, kind and checks. */
export interface CheckedField<P, B extends CheckedText> {
  readonly plan: P;
  readonly kind: Checkable<P, B>;
  readonly checks: Checks;
}

/** Checks every field has. Kinds with more to say implement `validate`. */
type Everywhere = 'required' | 'complete' | 'range';
/** Checks a field carries only if its rules need them. */
export type CarriedCheck = Exclude<Check['type'], Everywhere>;

/** Returns the finding of a check about a text. Only called for fields that are not empty. */
export type Validator<T extends CarriedCheck> = <P, B extends CheckedText>(
  field: CheckedField<P, B>,
  body: B,
  what: Extract<Check, { type: T }>,
  given: CheckContext,
  /** Id of the rule. */
  rule: string,
) => Finding;

/**
 * Checks by type, with what some rules need beside them. Like kinds they are values: a page carries those it
 * names.
 */
export type Checks = { readonly [T in CarriedCheck]?: Validator<T> } & {
  /** Present in fields with rules that ask a server. */
  readonly remoteCheck?: RemoteCheck;
  /** Present in fields with rules that remove what they refuse. */
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
 * The finding of one check. An empty field passes every check but `required`; spaces alone do not satisfy
 * `required`. Throws `RangeError` for a missing check; `hydrate` makes sure that there is none.
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
      // Only kinds with an order have a range, and they compare values themselves.
      return (
        field.kind.validate?.(field.plan, body, what, given) ??
        (what.type === 'range' || body.complete ? passed : incomplete)
      );
    default: {
      // The validator of a type receives checks of that type, which the compiler cannot infer.
      const validator = field.checks[what.type] as Validator<CarriedCheck> | undefined;
      if (!validator) throw unknownCheck(what.type);
      return validator(field, body, what, given, rule);
    }
  }
}
