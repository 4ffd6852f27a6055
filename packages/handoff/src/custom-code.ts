import type { Plan } from '@arbeit/engine/field';
import type { Rule } from '@arbeit/engine/rules';

/** Developers' own code of a set, by the places that name it: checks, and shapes of text. */
export interface CustomCode {
  readonly checks: readonly string[];
  readonly shapes: readonly string[];
}

/**
 * Rules whose own code stands apart, as code and not as text: their checks name it by its place among
 * `codes`.
 */
export const withCodeApart = <R extends Rule>(rules: readonly R[], codes: string[]): readonly R[] =>
  rules.map((rule) => {
    const { check } = rule;
    if (check.type !== 'custom') return rule;
    codes.push(check.code);
    return { ...rule, check: { ...check, code: String(codes.length - 1) } };
  });

/**
 * The plan with the code that lays its text out apart, as code and not as text: it names it by its place
 * among `shapes`.
 */
export function shapeApart(plan: Plan, shapes: string[]): { readonly plan: Plan } {
  if (!('code' in plan) || typeof plan.code !== 'string') return { plan };
  shapes.push(plan.code);
  return { plan: { ...plan, code: String(shapes.length - 1) } as Plan };
}
