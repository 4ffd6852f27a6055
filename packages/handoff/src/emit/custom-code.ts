import type { SetDocument } from '@arbeit/engine/document';
import { misuse, say } from '@arbeit/engine/faults';
import type { HydratedField, Shaped } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import type { CodeInput, CodeOutcome } from '@arbeit/engine/rules';
import { type BuildFailure, transform, transformSync } from 'esbuild';
import type { CustomCode } from '../custom-code.ts';
import { buildTexts } from '../texts.ts';

/** Why code cannot be parsed, and where in it (1-based). */
export interface CodeFault {
  readonly message: string;
  readonly line: number;
  readonly column: number;
}

/** Builds a module as the body of a function that returns its exports, with a scope of its own. */
const asBody = {
  format: 'iife',
  globalName: 'own',
  target: 'es2022',
  charset: 'utf8',
  legalComments: 'none',
  logLevel: 'silent',
} as const;

function faultOf(error: unknown): CodeFault {
  const [first] = (error as Partial<BuildFailure>).errors ?? [];
  if (!first) throw error;
  const { line = 1, column = 0 } = first.location ?? {};
  return { message: first.text, line, column: column + 1 };
}

/**
 * What keeps a developer's code from being a module, `undefined` where it is one.
 *
 * @example parseCode('export default ('); // { message: 'Unexpected end of file', line: 1, column: 17 }
 */
export function parseCode(code: string): CodeFault | undefined {
  try {
    transformSync(code, asBody);
    return undefined;
  } catch (error) {
    return faultOf(error);
  }
}

/** The text of a function that returns a module's exports, evaluated anew at each call. */
async function factoryOf(code: string): Promise<string> {
  const { code: body } = await transform(code, asBody);
  return `() => {\n${body}return own;\n}`;
}

/** Calls a custom check in a new module instance with a copy of its input, as the sandbox does. */
const callsCheck = `const callCheck = (make, input) => {
  try {
    const call = make().default;
    const answer = call(JSON.parse(JSON.stringify(input)));
    if (answer === undefined || answer === null) return { answer: undefined };
    if (answer instanceof Promise || typeof answer !== 'object') return { broken: 'It answered no object.' };
    return { answer: JSON.parse(JSON.stringify(answer)) };
  } catch (error) {
    return { broken: String(error) };
  }
};
`;

/** Calls a custom format in a module instance that is kept, as the sandbox does. */
const callsShape = `const callShape = (made, content) => {
  try {
    const { shape, value } = made();
    const plain = (answer) => (answer instanceof Promise ? {} : answer);
    const shown = plain(shape(content));
    return typeof value === 'function' ? { shown, value: plain(value(content)) ?? null } : { shown };
  } catch (error) {
    return { broken: String(error) };
  }
};
const once = (make) => {
  let made;
  return () => (made ??= make());
};
`;

/**
 * The module `custom-code.js` of a set: each check and shape in a scope of its own, as the developer wrote
 * it, and what calls them. It has no names of the set in it, so none of these can hide one that the code
 * uses. Throws `RangeError` for code that is no module.
 */
export async function customCodeModule({ checks, shapes }: CustomCode): Promise<string> {
  const bodies = async (codes: readonly string[], wrap: (text: string) => string): Promise<string> => {
    const all = await Promise.all(
      codes.map((code) =>
        factoryOf(code).catch((error: unknown) => {
          const { message, line, column } = faultOf(error);
          throw misuse(say(buildTexts, 'code-syntax', { line, column, message }));
        }),
      ),
    );
    return all.map((text) => `  ${wrap(text)},\n`).join('');
  };
  return [
    '// Your custom checks and formats, each in a scope of its own.\n',
    ...(checks.length
      ? [
          `const checks = [\n${await bodies(checks, (text) => text)}];\n`,
          callsCheck,
          'const check = (at, input) => callCheck(checks[at], input);\n',
        ]
      : []),
    ...(shapes.length
      ? [
          callsShape,
          `const shapes = [\n${await bodies(shapes, (text) => `/*#__PURE__*/ once(${text})`)}];\n`,
          'const shape = (at, content) => callShape(shapes[at], content);\n',
        ]
      : []),
    `export { ${[...(checks.length ? ['check'] : []), ...(shapes.length ? ['shape'] : [])].join(', ')} };\n`,
  ].join('');
}

/** Runs developers' code safely; passed in by a caller that has a sandbox. */
export interface RunsCode {
  check(code: string, input: CodeInput): CodeOutcome | Promise<CodeOutcome>;
  shape(code: string, content: string): Shaped | Promise<Shaped>;
}

/** A check to compare with its handed-off form: its code, and its inputs. */
interface Asked {
  /** Its name in a message: `Rule "vip" of the field "pass"`. */
  readonly name: string;
  readonly code: string;
  readonly inputs: readonly CodeInput[];
}

const today = '2027-02-10';

/** The checks of a set, each with the samples of its author and a finished text of its field. */
function checksIn(set: SetDocument, fields: readonly HydratedField[]): readonly Asked[] {
  return set.fields.flatMap((definition) =>
    (definition.rules ?? []).flatMap((rule): Asked[] => {
      if (rule.check.type !== 'custom') return [];
      const field = fields.find(({ id }) => id === definition.id)!;
      const { pass = [], fail = [] } = rule.samples ?? {};
      const texts = [...pass, ...fail, definition.placeholder ?? '', definition.initial ?? '', '1', '0'];
      const inputs = [...new Set(texts)].flatMap((text) => {
        const { body } = field.kind.parse(field.plan, text);
        const value = field.kind.value(field.plan, body);
        const values = Object.fromEntries(
          (rule.check.type === 'custom' ? (rule.check.with ?? []) : []).map((id) => [id, null]),
        );
        return value === null ? [] : [{ value, raw: field.kind.raw(field.plan, body), values, today }];
      });
      return [
        { name: `The check "${rule.id}" of the field "${definition.id}"`, code: rule.check.code, inputs },
      ];
    }),
  );
}

const outcomeText = (outcome: CodeOutcome | Shaped): string =>
  'broken' in outcome ? 'broken' : JSON.stringify(outcome);

/**
 * Compares each custom check and format with its handed-off form, both in the sandbox. Throws `RangeError`
 * for the first difference: handed-off code must do what was tested.
 */
export async function compareCustomCode(
  set: SetDocument,
  { fields }: { readonly fields: readonly HydratedField[]; readonly forms: readonly HydratedForm[] },
  run: RunsCode,
): Promise<void> {
  const differs = (name: string, about: string): RangeError =>
    misuse(say(buildTexts, 'code-differs', { name, about: JSON.stringify(about) }));
  for (const { name, code, inputs } of checksIn(set, fields)) {
    const bundled = `${callsCheck}const make = ${await factoryOf(code)};
export default (input) => {
  const { answer, broken } = callCheck(make, input);
  if (broken !== undefined) throw new Error(broken);
  return answer;
};`;
    for (const input of inputs) {
      const both = [await run.check(code, input), await run.check(bundled, input)] as const;
      if (outcomeText(both[0]) !== outcomeText(both[1])) throw differs(name, input.value);
    }
  }
  for (const { id, plan } of fields) {
    const { code, takes } = plan as { readonly code?: string; readonly takes?: unknown };
    if (typeof code !== 'string' || takes === undefined) continue;
    const bundled = `${callsShape}const made = once(${await factoryOf(code)});
const shape = (content) => callShape(made, content).shown;
const value = 'value' in made() ? (content) => callShape(made, content).value : undefined;
export { shape, value };`;
    for (const content of ['1', '12', '12345678', 'A', 'AB12']) {
      const both = [await run.shape(code, content), await run.shape(bundled, content)] as const;
      if (outcomeText(both[0]) !== outcomeText(both[1]))
        throw differs(`The shape of the field "${id}"`, content);
    }
  }
}
