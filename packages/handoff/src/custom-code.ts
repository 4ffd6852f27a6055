import type { Plan } from '@arbeit/engine/field';
import type { Rule } from '@arbeit/engine/rules';

/** A set's custom code, by the places that refer to it: custom checks and custom formats. */
export interface CustomCode {
  readonly checks: readonly string[];
  readonly shapes: readonly string[];
}

/**
 * Rules whose custom code is moved out, as code rather than text: their checks refer to it by its index in
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
 * The plan with its custom format moved out, as code rather than text: the plan refers to it by its index in
 * `shapes`.
 */
export function shapeApart(plan: Plan, shapes: string[]): { readonly plan: Plan } {
  if (!('code' in plan) || typeof plan.code !== 'string') return { plan };
  shapes.push(plan.code);
  return { plan: { ...plan, code: String(shapes.length - 1) } as Plan };
}
