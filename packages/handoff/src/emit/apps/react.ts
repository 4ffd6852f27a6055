import { inScript } from '../../escape.ts';
import type { AppFacts, Application, AppSection } from './application.ts';
import {
  appSheet,
  fieldsScript,
  imported,
  indented,
  indexFile,
  lines,
  packageFile,
  recordsFile,
  tsconfig,
  viteConfig,
} from './shared.ts';

/** A text between tags of JSX: as it is if nothing in it has a meaning there, otherwise as a string. */
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
  const names = [
    ...(needs.isAsking ? ['askByFetch', form ? 'driveFormAsks' : 'driveAsks'] : []),
    'Control', ...(hasCounter ? ['Counter'] : []), 'Frame', 'Hint', 'Label', 'Message', 'useField',
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
    const inside = fields.map((id) => `<Field store={store.field(${inScript(id).replaceAll('"', "'")})} />`);
    const grid = `<div className="fields"${columns > 1 ? ` data-columns="${columns}"` : ''}>`;
    const rows = [grid, ...indented(inside, 2), '</div>'];
    return title === undefined
      ? rows
      : ['<fieldset>', `  <legend>${inJsx(title)}</legend>`, ...indented(rows, 2), '</fieldset>'];
  });

/** What is shown once a record was sent, and if nobody could be reached. */
const outcome = ({ words }: AppFacts): readonly string[] => [
  `{sending.is === 'no' && sending.failed && <p role="alert">${inJsx(words.unreachable)}</p>}`,
  `{sending.is === 'no' && sending.said && <p role="alert">{sending.said}</p>}`,
  `<output>{sending.is === 'sent' && JSON.stringify(sending.record.values, null, 2)}</output>`,
];

/** `src/App.tsx`. */
function appFile(facts: AppFacts): string {
  const { form, fields, needs, words } = facts;
  const { names, code } = fieldComponent(facts);
  if (!form)
    return lines(
      needs.isAsking ? "import { useEffect } from 'react';" : false,
      "import './app.css';",
      "import './fields/look.css';",
      "import * as fields from './fields/fields.js';",
      imported(names, './fields/react.js'),
      '',
      'export function App() {',
      '  return (',
      '    <form className="fields">',
      fields.map((name) => `      <Field of={fields.${name}} />`),
      `      <button>${inJsx(words.submit)}</button>`,
      '    </form>',
      '  );',
      '}',
      '',
      code,
    );
  const more = ['useForm', 'type SendRecord', ...(needs.isAsking ? ['type FormStore'] : [])];
  return lines(
    "import './app.css';",
    "import './fields/look.css';",
    "import * as fields from './fields/fields.js';",
    imported([...names, ...more], './fields/react.js'),
    '',
    sendFunction(form.record),
    '',
    needs.isAsking
      ? [
          '/** Asks your server what the rules of the fields ask, while the form is on the page. */',
          `const drive = (store: FormStore<fields.${form.record}>) => driveFormAsks(store, askByFetch());`,
          '',
        ]
      : false,
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

/** The function that sends a record, in TypeScript. */
export const sendFunction = (record: string): readonly string[] => [
  '/** Sends a record to your server, which answers with what it finds wrong. */',
  `const send: SendRecord<fields.${record}> = async (record) => {`,
  "  const response = await fetch('/records', {",
  "    method: 'POST',",
  "    headers: { 'Content-Type': 'application/json' },",
  '    body: JSON.stringify(record.raw),',
  '  });',
  "  if (!response.ok && response.status !== 422) throw new Error('The server could not answer.');",
  '  return (await response.json()).findings;',
  '};',
];

/** The application for React with Vite and TypeScript. */
export function reactApp(facts: AppFacts): Application {
  const records = recordsFile(facts);
  return {
    name: 'react',
    use: 'react',
    title: 'React with Vite',
    own: ['src/App.tsx', ...(records ? ['records.ts'] : [])],
    files: new Map([
      ['.gitignore', 'dist\nnode_modules\n'],
      ['fields.mjs', fieldsScript('src/fields')],
      ['index.html', indexFile(facts, 'main.tsx')],
      [
        'package.json',
        packageFile(
          facts,
          'react',
          { dev: 'vite', build: 'tsc && vite build', preview: 'vite preview' },
          ['react', 'react-dom'],
          ['@types/node', '@types/react', '@types/react-dom', '@vitejs/plugin-react', 'typescript', 'vite'],
        ),
      ],
      ...(records ? [['records.ts', records] as const] : []),
      ['src/App.tsx', appFile(facts)],
      ['src/app.css', appSheet],
      [
        'src/main.tsx',
        lines(
          "import { createRoot } from 'react-dom/client';",
          "import { App } from './App.tsx';",
          '',
          "createRoot(document.querySelector('#app')!).render(<App />);",
        ),
      ],
      ['tsconfig.json', tsconfig({ jsx: 'react-jsx' })],
      ['vite.config.ts', viteConfig(facts, "import react from '@vitejs/plugin-react';", 'react()')],
    ]),
  };
}
