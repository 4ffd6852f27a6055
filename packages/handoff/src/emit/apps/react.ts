import { inQuotes, inScript } from '../../escape.ts';
import { pickersOf } from '../adapters.ts';
import type { AppFacts, Application, AppSection } from './application.ts';
import {
  driveFunction,
  hasButton,
  imported,
  indented,
  type Lines,
  lines,
  methodAlone,
  sendFunction,
} from './shared.ts';
import { viteApp } from './vite.ts';

/** A text between tags of JSX: unchanged if it has no special character, or as a string. */
export const inJsx = (text: string): string =>
  /^[\p{L}\p{N}](?:[\p{L}\p{N} .,:;!?’“”–()-]*[\p{L}\p{N}.,:;!?’”)-])?$/u.test(text)
    ? text
    : `{${inScript(text)}}`;

/** The component of one field, and the names it needs from `react.js`. */
export function fieldComponent({ needs, form }: AppFacts): {
  readonly names: readonly string[];
  readonly code: readonly string[];
} {
  const hasCounter = needs.adornments.has('counter');
  const hasPicker = pickersOf(needs).names.length > 0;
  const names = [
    ...(needs.isAsking ? ['askByFetch', form ? 'driveFormAsks' : 'driveAsks'] : []),
    'Control', ...(hasCounter ? ['Counter'] : []), 'Frame', 'Hint', 'Label', 'Message', ...(hasPicker ? ['Picker'] : []), 'useField',
  ]; // biome-ignore format: a list
  const head = form
    ? [
        'function Field({ store }: { store: FieldStore }) {',
        '  const field = useField(store.field, { store });',
      ]
    : [
        'function Field({ of }: { of: Parameters<typeof useField>[0] }) {',
        '  const field = useField(of);',
        ...(needs.isAsking
          ? ['  useEffect(() => driveAsks(field.store, askByFetch()), [field.store]);']
          : []),
      ];
  return {
    names: [...names, ...(form ? ['type FieldStore'] : [])],
    code: [
      ...head,
      '  return (',
      '    <div {...field.rootProps}>',
      '      <Label field={field} />',
      '      <Frame field={field}>',
      '        <Control field={field} />',
      ...(hasPicker ? ['        <Picker field={field} />'] : []),
      ...(hasCounter ? ['        <Counter field={field} />'] : []),
      '      </Frame>',
      '      <Hint field={field} />',
      '      <Message field={field} />',
      '    </div>',
      '  );',
      '}',
    ],
  };
}

/** The fields of a form in their sections, as JSX. */
export const sectionsInJsx = (sections: readonly AppSection[]): readonly string[] =>
  sections.flatMap(({ title, columns, fields }) => {
    const inside = fields.map((name) => `<Field store={store.field(${inQuotes(name)})} />`);
    const grid = `<div className="fields"${columns > 1 ? ` data-columns="${columns}"` : ''}>`;
    const rows = [grid, ...indented(inside, 2), '</div>'];
    return title === undefined
      ? rows
      : ['<fieldset>', `  <legend>${inJsx(title)}</legend>`, ...indented(rows, 2), '</fieldset>'];
  });

/** The component `name` with all fields of a set that has no form. `at`: where the folder `fields` is. */
export function fieldsAlone(facts: AppFacts, name: string, at: '.' | '..'): Lines {
  const { fields, needs, words } = facts;
  const { names, code } = fieldComponent(facts);
  return [
    needs.isAsking && "import { useEffect } from 'react';",
    `import * as fields from '${at}/fields/fields.js';`,
    imported(names, `${at}/fields/react.js`),
    '',
    `export function ${name}() {`,
    '  return (',
    `    <form className="fields"${methodAlone(facts)}>`,
    fields.map((field) => `      <Field of={fields.${field}} />`),
    hasButton(facts) && `      <button>${inJsx(words.submit)}</button>`,
    '    </form>',
    '  );',
    '}',
    '',
    code,
  ];
}

/** What is shown after a record was sent, and if the server could not be reached. */
const outcome = ({ words }: AppFacts): readonly string[] => [
  `{sending.is === 'no' && sending.failed && <p role="alert">${inJsx(words.unreachable)}</p>}`,
  `{sending.is === 'no' && sending.said && <p role="alert">{sending.said}</p>}`,
  `<output>{sending.is === 'sent' && JSON.stringify(sending.record.values, null, 2)}</output>`,
];

/** `src/App.tsx`. */
function appFile(facts: AppFacts): string {
  const { form, needs, words } = facts;
  const { names, code } = fieldComponent(facts);
  if (!form)
    return lines("import './app.css';", "import './fields/look.css';", fieldsAlone(facts, 'App', '.'));
  const more = ['useForm', 'type SendRecord', ...(needs.isAsking ? ['type FormStore'] : [])];
  return lines(
    "import './app.css';",
    "import './fields/look.css';",
    "import * as fields from './fields/fields.js';",
    imported([...names, ...more], './fields/react.js'),
    '',
    sendFunction(form.record),
    '',
    driveFunction(facts),
    'export function App() {',
    `  const { store, sending, formProps } = useForm(fields.${form.name}, { send${needs.isAsking ? ', drive' : ''} });`,
    '  return (',
    '    <form {...formProps}>',
    `      <h1>${inJsx(form.title)}</h1>`,
    indented(sectionsInJsx(form.sections), 6),
    `      <button disabled={sending.is === 'sending'}>${inJsx(words.submit)}</button>`,
    indented(outcome(facts), 6),
    '    </form>',
    '  );',
    '}',
    '',
    code,
  );
}

/** The application for React with Vite and TypeScript. */
export const reactApp = (facts: AppFacts): Application =>
  viteApp(facts, {
    name: 'react',
    title: 'React with Vite',
    own: ['src/App.tsx'],
    plugin: ["import react from '@vitejs/plugin-react';", 'react()'],
    check: 'tsc',
    packages: {
      used: ['react', 'react-dom'],
      built: ['@types/react', '@types/react-dom', '@vitejs/plugin-react'],
    },
    options: { jsx: 'react-jsx' },
    main: 'main.tsx',
    files: {
      'App.tsx': appFile(facts),
      'main.tsx': lines(
        "import { createRoot } from 'react-dom/client';",
        "import { App } from './App.tsx';",
        '',
        "createRoot(document.querySelector('#app')!).render(<App />);",
      ),
    },
  });
