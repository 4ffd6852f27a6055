import { compile, type SetDocument } from '@arbeit/engine/document';
import { misuse, say } from '@arbeit/engine/faults';
import { type CompiledField, dehydrate, type HydratedField, type Plan } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import { type CarriedCheck, carriedBy, type Validator } from '@arbeit/engine/rules';
import { type CustomCode, shapeApart, withCodeApart } from './custom-code.ts';
import { byName, type Import, listed, written } from './imports.ts';
import { moduleTypes } from './module-types.ts';
import { camel, head, keyOf, namesIn } from './names.ts';
import { buildTexts } from './texts.ts';

/** A module and its declarations, as text. */
export interface CompiledModule {
  readonly js: string;
  readonly dts: string;
  /** Imports of the module, by package name. */
  readonly imports: readonly Import[];
  /** Custom code, which the module imports as `custom-code.js`; `undefined` if there is none. */
  readonly customCode: CustomCode | undefined;
  /** The fields and forms in it. */
  readonly of: { readonly fields: readonly HydratedField[]; readonly forms: readonly HydratedForm[] };
}

type Exported = typeof import('@arbeit/engine/checks');
/** The names of exports that validate a check of that type, so that the compiler refuses a wrong one. */
type NameOf<T extends CarriedCheck> = {
  [N in keyof Exported]: Exported[N] extends Validator<T> ? N : never;
}[keyof Exported];

/** The export of `@arbeit/engine/checks` for each check, and for what some rules need. */
const checkNames: { readonly [T in CarriedCheck & keyof Exported['checks']]: NameOf<T> } & {
  readonly [N in keyof Exported['checks']]: keyof Exported;
} = {
  length: 'length',
  matches: 'matches',
  in: 'among',
  'not-in': 'notAmong',
  checksum: 'checksum',
  'not-trivial': 'notTrivial',
  compare: 'compare',
  custom: 'custom',
  remote: 'remote',
  remoteCheck: 'remoteCheck',
  clearRejected: 'clearRejected',
};

/**
 * The fields and forms of a set as a module and its types. Each field is joined with its own kind, so a page
 * that imports one field carries that kind and no other. Names are ids in camel case; forms end in `Form`.
 * The same set gives the same text. Throws `RangeError` for two ids with one name.
 *
 * @example
 * const { js, dts } = compiledModule(set, kinds);
 */
export function compiledModule(
  set: SetDocument,
  kinds: KindTable,
  at: {
    readonly run: (from: string) => string;
    readonly types: (from: string) => string;
    /** Where custom code is imported from. */
    readonly own?: string;
  } = byName,
): CompiledModule {
  const compiled = compile(set, kinds);
  const { fields, forms } = compiled;
  const nameOf = namesIn(set);
  const runs = runsIn(kinds);
  const checks = new Set<string>();
  const codes: string[] = [];
  const shapes: string[] = [];
  const body: string[] = [];
  for (const field of fields) {
    const { kind } = field.plan;
    const run = runs.of(field.plan);
    const name = nameOf(field.id);
    const carried = checksOf(field, forms);
    for (const [type, check] of carried) checks.add(type === 'custom' ? 'customBy' : check);
    const given = [`{ ${keyOf(kind)}: ${run} }`];
    const validators = carried.map(
      ([type, check]) => `${keyOf(type)}: ${type === 'custom' ? 'customCode' : `${check}Check`}`,
    );
    if (validators.length) given.push(`{ ${validators.join(', ')} }`);
    const data = {
      ...dehydrate(field),
      ...shapeApart(field.plan, shapes),
      rules: withCodeApart(field.rules, codes),
    };
    body.push(`export const ${name} = /*#__PURE__*/ hydrate(${JSON.stringify(data)}, ${given.join(', ')});`);
  }
  for (const form of forms) {
    const name = nameOf(`${form.id}-form`);
    const given = `id: ${JSON.stringify(form.id)}, title: ${JSON.stringify(form.title)}`;
    const list = form.fields.map(({ id }) => nameOf(id)).join(', ');
    body.push(
      `export const ${name} = /*#__PURE__*/ hydrateForm({ ${given}, fields: [${list}]${mannerOf(form, codes)} });`,
    );
  }
  const from = (modules: string, name: string, as?: string): Import => ({
    from: modules,
    name,
    ...(as ? { as } : {}),
  });
  const formImport = (what: string): Import[] => (forms.length ? [from('@arbeit/engine/form', what)] : []);
  const imports = [
    ...[...checks]
      .sort()
      .map((check) =>
        from('@arbeit/engine/checks', check, check === 'customBy' ? undefined : `${check}Check`),
      ),
    from('@arbeit/engine/field', 'hydrate'),
    ...formImport('hydrateForm'),
    ...runs.imports(),
  ];
  const lines = (...all: readonly string[]): string => `${head(set.title)}${all.join('\n')}\n`;
  return {
    js: lines(
      ...written(imports, 'import', at.run),
      '',
      ...customCodeIn(codes, shapes, runs.made(), at.own),
      ...body,
    ),
    dts: moduleTypes(set, compiled, kinds, at.types),
    imports,
    customCode: codes.length || shapes.length ? { checks: codes, shapes } : undefined,
    of: compiled,
  };
}

/** The parts of the module that connect custom code: its import, and the check and kinds made with it. */
function customCodeIn(
  codes: readonly string[],
  shapes: readonly string[],
  made: readonly (readonly [name: string, by: string])[],
  place = './custom-code.js',
): readonly string[] {
  const names = [
    ...(codes.length ? ['check as customCheck'] : []),
    ...(shapes.length ? ['shape as customFormat'] : []),
  ];
  if (names.length === 0) return [];
  return [
    listed('import', names, place),
    ...(codes.length ? ['const customCode = /*#__PURE__*/ customBy(customCheck);'] : []),
    ...made.map(([kind, by]) => `const ${kind} = /*#__PURE__*/ ${by}(customFormat);`),
    '',
  ];
}

/**
 * What a field carries, each with its export: for its own rules and for form rules whose message is at it.
 */
function checksOf(
  field: CompiledField,
  forms: readonly HydratedForm[],
): readonly (readonly [type: string, exported: string])[] {
  const rules = [...field.rules, ...forms.flatMap((form) => form.rulesAt.get(field.id) ?? [])];
  return [...carriedBy(rules)].sort().map((name) => {
    const exported = checkNames[name as keyof typeof checkNames];
    if (!exported) throw misuse(say(buildTexts, 'foreign-check', { name }));
    return [name, exported] as const;
  });
}

/** Members of a form that differ from the defaults. */
function mannerOf({ submit, completes, unanswered, rules }: HydratedForm, codes: string[]): string {
  const said = {
    ...(submit === 'always' ? {} : { submit }),
    ...(completes === null ? {} : { completes }),
    ...(unanswered === 'hold' ? {} : { unanswered }),
    ...(rules.length ? { rules: withCodeApart(rules, codes) } : {}),
  };
  return Object.entries(said)
    .map(([name, value]) => `, ${name}: ${JSON.stringify(value)}`)
    .join('');
}

/** The kinds in the module: the name of each, and how it is made. */
function runsIn(kinds: KindTable) {
  /** Where code that kinds and checks name comes from, by the code itself. */
  const carried = new Map<
    string,
    { readonly ships: string; readonly as: string; readonly by: string | undefined }
  >();
  return {
    of(plan: Plan): string {
      const { ships, shipsBy: by } = kindIn(kinds, plan.kind);
      if (ships === undefined) throw misuse(say(buildTexts, 'foreign-kind', { name: plan.kind }));
      const as = camel(ships);
      const run = `${as}Kind`;
      carried.set(run, { ships, as, by });
      return run;
    },
    imports: (): readonly Import[] =>
      [...carried]
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([run, { ships, as, by }]) => {
          const from = `@arbeit/engine/runs/${ships}`;
          return by === undefined ? { from, name: as, as: run } : { from, name: by };
        }),
    made: (): readonly (readonly [name: string, by: string])[] =>
      [...carried].flatMap(([run, { by }]) => (by === undefined ? [] : [[run, by] as const])),
  };
}
