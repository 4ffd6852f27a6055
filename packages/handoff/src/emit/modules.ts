import { languageOf, type SetDocument } from '@arbeit/engine/document';
import { languages, wordingFor } from '@arbeit/engine/rules';
import { inComment, inScript } from '../escape.ts';
import { allOf, listed } from '../imports.ts';
import { capital, namesIn } from '../names.ts';
import { type Needs, renderersOf } from './adapters.ts';

/** A module and its declarations, as text. */
export interface Module {
  readonly js: string;
  readonly dts: string;
}

/** What the names of elements begin with, unless a hand-off has a prefix of its own. */
export const usualPrefix = 'arbeit';

/** The exports of a form in the modules of a hand-off. */
export interface FormNames {
  readonly id: string;
  readonly title: string;
  /** Its name in `fields.js`. */
  readonly form: string;
  /** Its name with a capital, for derived names. */
  readonly stem: string;
}

export const formsOf = (set: SetDocument): readonly FormNames[] => {
  const nameOf = namesIn(set);
  return (set.forms ?? []).map(({ id, title = id }) => {
    const form = nameOf(`${id}-form`);
    return { id, title, form, stem: capital(form.replace(/Form$/, '')) };
  });
};

const lines = (...all: readonly string[]): string => `${all.join('\n')}\n`;
/** `server.js`: a check and a Standard Schema for each form. */
export function serverModule(set: SetDocument, { isAsking }: Needs): Module {
  const forms = formsOf(set);
  const [only] = forms;
  const isOne = forms.length === 1 && only !== undefined;
  const notAllowed = String(wordingFor(languages, languageOf({}, set))['not-allowed']);
  return {
    js: lines(
      listed('import', ['serverForm'], './run-time/server.js'),
      allOf('./fields.js'),
      '',
      '// What only a server says, in the language of the forms.',
      `const texts = { 'not-allowed': ${inScript(notAllowed)} };`,
      '',
      ...forms.flatMap(({ form, stem }) => [
        `export const { check: check${stem}, refill: refill${stem}, standard: standard${stem} } = /*#__PURE__*/ serverForm(all.${form}, texts);`,
      ]),
      ...(isOne ? [`export { check${only.stem} as check };`] : []),
      ...(isAsking ? [listed('export', ['askByFetch'], './run-time/server.js')] : []),
    ),
    dts: lines(
      listed('import type', ['ServerForm'], './types/engine/form/index.js'),
      listed(
        'import type',
        forms.map(({ stem }) => `${stem}Record`),
        './fields.js',
      ),
      '',
      ...forms.flatMap(({ title, stem }) => [
        `/** Checks a record of “${inComment(title)}” with the rules of the page: an object by name of the field, FormData or URLSearchParams. */`,
        `export declare const check${stem}: ServerForm<${stem}Record>['check'];`,
        '/** What was sent, to fill the form again: raw values by name of the field, without those of concealed fields. */',
        `export declare const refill${stem}: ServerForm<${stem}Record>['refill'];`,
        `/** The same as Standard Schema, version 1. */`,
        `export declare const standard${stem}: ServerForm<${stem}Record>['standard'];`,
      ]),
      ...(isOne ? [`export { check${only.stem} as check };`] : []),
      ...(isAsking ? [listed('export', ['askByFetch'], './types/dom/index.js')] : []),
      "export type { AtServer, CheckedRecord, FieldFinding, FormRecord, StandardForm } from './types/engine/form/index.js';",
    ),
  };
}

/**
 * `labels.js`: the labels alone, under the names of the fields and forms, for tables and mails that show
 * records and need nothing that formats or checks.
 */
export function labelsModule(set: SetDocument): Module {
  const nameOf = namesIn(set);
  const all = [
    ...set.fields.map(({ id, label }) => [nameOf(id), label] as const),
    ...formsOf(set).map(({ form, title }) => [form, title] as const),
  ];
  return {
    js: lines(...all.map(([name, label]) => `export const ${name} = ${inScript(label)};`)),
    dts: lines(
      ...all.flatMap(([name, label]) => [
        `/** ${inComment(label)} */`,
        `export declare const ${name}: string;`,
      ]),
    ),
  };
}

/**
 * The types of the elements for scripts (`querySelector`, events). The same in every hand-off, so that two in
 * one project declare the same.
 */
const elementTypes = (hasForms: boolean, prefix: string): string =>
  lines(
    listed('import type', ['FieldElement', ...(hasForms ? ['FormElement'] : [])], './element.js'),
    ...(hasForms ? [listed('import type', ['FormRecord'], './types/engine/form/index.js')] : []),
    '',
    'declare global {',
    '  interface HTMLElementTagNameMap {',
    `    '${prefix}-field': FieldElement;`,
    ...(hasForms ? [`    '${prefix}-form': FormElement;`] : []),
    '  }',
    ...(hasForms
      ? [
          '  interface GlobalEventHandlersEventMap {',
          '    /** A form was submitted and is ready. */',
          "    'arbeit-record': CustomEvent<FormRecord>;",
          '  }',
        ]
      : []),
    '}',
    'export {};',
  );

/**
 * `elements-react.d.ts`: the types of the elements in JSX of React. In a file of its own, because a project
 * without React does not have its types.
 */
export const elementsInReact = (hasForms: boolean, prefix = usualPrefix): string =>
  lines(
    listed('import type', ['FieldElement', ...(hasForms ? ['FormElement'] : [])], './element.js'),
    listed('import type', ['DetailedHTMLProps', 'HTMLAttributes'], 'react'),
    '',
    "declare module 'react' {",
    '  namespace JSX {',
    '    interface IntrinsicElements {',
    `      '${prefix}-field': DetailedHTMLProps<HTMLAttributes<FieldElement>, FieldElement> & { field: string; name?: string; label?: string; hint?: string; placeholder?: string; readonly?: boolean; required?: boolean };`,
    ...(hasForms
      ? [
          `      '${prefix}-form': DetailedHTMLProps<HTMLAttributes<FormElement>, FormElement> & { form: string };`,
        ]
      : []),
    '    }',
    '  }',
    '}',
    'export {};',
  );

/** `elements.js`: defines the elements for everything in the set when it is loaded. */
export function elementsModule(set: SetDocument, needs: Needs, prefix = usualPrefix): Module {
  const nameOf = namesIn(set);
  const fields = set.fields.map(({ id }) => `all.${nameOf(id)}`);
  const forms = formsOf(set).map(({ form }) => `all.${form}`);
  const { names, made } = renderersOf(needs);
  const drive = (form: string): string => `(store) => ${form}(store, askByFetch())`;
  const isOwn = prefix !== usualPrefix;
  const options = [
    ...(isOwn ? [`tag: ${inScript(`${prefix}-field`)}`] : []),
    ...(made.length ? [`drawings: [${made.join(', ')}]`] : []),
    ...(needs.isAsking ? [`drive: ${drive('driveAsks')}`] : []),
  ];
  const formOptions = [
    ...(isOwn ? [`tag: ${inScript(`${prefix}-form`)}`] : []),
    ...(needs.isAsking ? [`drive: ${drive('driveFormAsks')}`] : []),
  ];
  const given = options.length ? `, { ${options.join(', ')} }` : '';
  const asks = ['askByFetch', 'driveAsks', ...(forms.length ? ['driveFormAsks'] : [])];
  return {
    js: lines(
      listed('import', ['defineFields', ...(forms.length ? ['defineForms'] : []), ...names], './element.js'),
      ...(needs.isAsking ? [listed('import', asks, './dom.js')] : []),
      allOf('./fields.js'),
      '',
      // Fields ask the form around them for their store when they are connected.
      ...(forms.length
        ? [
            `defineForms([${forms.join(', ')}]${formOptions.length ? `, { ${formOptions.join(', ')} }` : ''});`,
          ]
        : []),
      `defineFields([${fields.join(', ')}]${given});`,
    ),
    dts: elementTypes(forms.length > 0, prefix),
  };
}

/** A test file that plays all tapes of its folder, for a test runner. */
export function trialsModule(
  set: SetDocument,
  runner: 'vitest' | 'node:test',
  tapes: readonly string[],
): string {
  const nameOf = namesIn(set);
  const fields = set.fields.map(({ id }) => `all.${nameOf(id)}`);
  const forms = formsOf(set).map(({ form }) => `all.${form}`);
  return lines(
    ...(runner === 'vitest'
      ? [listed('import', ['expect', 'test'], 'vitest')]
      : [listed('import', ['deepEqual'], 'node:assert/strict'), listed('import', ['test'], 'node:test')]),
    listed('import', ['readFileSync'], 'node:fs'),
    allOf('../fields.js'),
    listed('import', ['trial'], './player.js'),
    '',
    `const set = { fields: [${fields.join(', ')}], forms: [${forms.join(', ')}] };`,
    `const tapes = ${JSON.stringify(tapes)};`,
    '',
    'for (const tape of tapes)',
    '  test(tape, () => {',
    "    const misses = trial(set, readFileSync(new URL(tape, import.meta.url), 'utf8'));",
    runner === 'vitest' ? '    expect(misses).toEqual([]);' : '    deepEqual(misses, []);',
    '  });',
  );
}
