import type { Plan } from '@arbeit/engine/field';
import type { Rule } from '@arbeit/engine/rules';

/** Developers' own code in a module that is handed off: it stands there as code and runs as the page's own, with nothing around it. */

/** Rules whose own code stands apart, as code and not as text: their checks name it by its place among `codes`. */
export const withCodeApart = <R extends Rule>(rules: readonly R[], codes: string[]): readonly R[] =>
  rules.map((rule) => {
    const { check } = rule;
    if (check.type !== 'custom') return rule;
    codes.push(check.code);
    return { ...rule, check: { ...check, code: String(codes.length - 1) } };
  });

/** The developer's own code as it is, and what calls it. It runs as the page's own: nothing stands around it any more. */
export function ownCode(codes: readonly string[]): readonly string[] {
  if (codes.length === 0) return [];
  const functions = codes.map((code) => {
    const inside = code.replace(/^(\s*)export\s+default\s/m, '$1return ');
    return `  (() => {\n${inside.replace(/^/gm, '    ')}\n  })(),`;
  });
  return [
    'const codes = [',
    ...functions,
    '];',
    'const ownCode = /*#__PURE__*/ customBy((at, input) => {',
    '  try {',
    '    return { answer: codes[at](input) };',
    '  } catch (error) {',
    '    return { broken: String(error) };',
    '  }',
    '});',
    '',
  ];
}

/** The plan with the code that lays its text out apart, as code and not as text: it names it by its place among `shapes`. */
export function shapeApart(plan: Plan, shapes: string[]): { readonly plan: Plan } {
  if (!('code' in plan) || typeof plan.code !== 'string') return { plan };
  shapes.push(plan.code);
  return { plan: { ...plan, code: String(shapes.length - 1) } as Plan };
}

/** The developer's own shapes as they are, what calls them, and the kinds made of that. */
export function ownShapes(
  shapes: readonly string[],
  made: readonly (readonly [name: string, by: string])[],
): readonly string[] {
  if (shapes.length === 0) return [];
  const modules = shapes.map((code) => {
    const inside = code.replace(
      /(^|[\n;}])([^\S\n]*)export\s+(?=(?:async\s+)?(?:function|const|let|var|class)\b)/g,
      '$1$2',
    );
    const value = /\bexport\s+(?:function|const|let|var)\s+value\b/.test(code) ? ', value' : '';
    return `  (() => {\n${inside.replace(/^/gm, '    ')}\n    return { shape${value} };\n  })(),`;
  });
  return [
    'const shapes = [',
    ...modules,
    '];',
    'const ownShape = (at, content) => {',
    '  try {',
    '    const { shape, value } = shapes[at];',
    '    return value ? { shown: shape(content), value: value(content) ?? null } : { shown: shape(content) };',
    '  } catch (error) {',
    '    return { broken: String(error) };',
    '  }',
    '};',
    ...made.map(([kind, by]) => `const ${kind} = /*#__PURE__*/ ${by}(ownShape);`),
    '',
  ];
}
