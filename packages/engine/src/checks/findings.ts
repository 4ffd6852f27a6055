import type { CheckedField, CheckedText } from '../rules/checks.ts';
import { type Finding, passed, type Verdict } from '../rules/finding.ts';

const none: Finding['data'] = {};

/** A verdict with its code. */
export const finding = (verdict: Verdict, code: string, data = none): Finding =>
  verdict === 'pass' ? passed : { verdict, code, data };
export const rawOf = <P, B extends CheckedText>({ kind, plan }: CheckedField<P, B>, body: B): string =>
  kind.raw(plan, body);
/** A finding that fails if the text is complete, and is open if it could still change. */
export const failing = <P, B extends CheckedText>(
  { kind, plan }: CheckedField<P, B>,
  body: B,
  code: string,
  data = none,
): Finding => finding(kind.hasRoom(plan, body) ? 'open' : 'fail', code, data);

/** A raw value as the field would display it. */
export function shownAs<P, B extends CheckedText>({ kind, plan }: CheckedField<P, B>, raw: string): string {
  const { body } = kind.parse(plan, raw);
  return (kind.toResting?.(plan, body) ?? body).display || raw;
}
