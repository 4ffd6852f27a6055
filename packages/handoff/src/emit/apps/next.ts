import { inScript } from '../../escape.ts';
import type { AppFacts, Application } from './application.ts';
import { fieldComponent, fieldsAlone, inJsx, sectionsInJsx } from './react.ts';
import {
  appSheet,
  driveFunction,
  fieldsScript,
  imported,
  indented,
  json,
  lines,
  packageFile,
} from './shared.ts';

/** `app/actions.ts`: the server action. */
const actionsFile = (form: NonNullable<AppFacts['form']>, isAsking: boolean): string =>
  lines(
    "'use server';",
    '',
    `import type { ${form.record} } from '../fields/fields.js';`,
    `import type { ServerAnswer } from '../fields/react.js';`,
    `import { check${form.stem}, refill${form.stem} } from '../fields/server.js';`,
    '',
    '// The calendar day where the people are who fill in the form: set their time zone.',
    "const day = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' });",
    '',
    '/** What the page gets to know: the record, or what is wrong with it. */',
    'export interface Answer {',
    `  readonly values?: ${form.record};`,
    '  readonly wrong?: ServerAnswer;',
    '}',
    '',
    '/** Checks a record with the rules of the page. */',
    'export async function send(_: Answer, data: FormData): Promise<Answer> {',
    `  const checked = await check${form.stem}(data, {`,
    '    today: day.format(new Date()),',
    isAsking
      ? [
          '    // Ask your own services here, as the routes of the page do.',
          "    ask: async () => ({ verdict: 'pass' }),",
        ]
      : false,
    '  });',
    `  if (!checked.ok) return { wrong: { findings: checked.findings, raw: refill${form.stem}(data) } };`,
    '  // Store checked.record.values here.',
    '  return { values: checked.record.values };',
    '}',
  );

/** `app/form.tsx`: the form, rendered on the server and hydrated in the page. */
function formFile(facts: AppFacts, form: NonNullable<AppFacts['form']>): string {
  const { needs, words } = facts;
  const { names, code } = fieldComponent(facts);
  return lines(
    "'use client';",
    '',
    "import { useActionState } from 'react';",
    "import * as fields from '../fields/fields.js';",
    imported([...names, 'useForm', ...(needs.isAsking ? ['type FormStore'] : [])], '../fields/react.js'),
    "import { send } from './actions';",
    '',
    driveFunction(facts),
    'export function Form() {',
    '  const [{ values, wrong }, action, isPending] = useActionState(send, {});',
    '  // What the server found is shown at its fields, with what was typed; also without JavaScript.',
    `  const { store, formProps } = useForm(fields.${form.name}, { answer: wrong${needs.isAsking ? ', drive' : ''} });`,
    '  return (',
    '    <form {...formProps} action={action}>',
    `      <h1>${inJsx(form.title)}</h1>`,
    indented(sectionsInJsx(form.sections), 6),
    `      <button disabled={isPending}>${inJsx(words.submit)}</button>`,
    '      <output>{values && JSON.stringify(values, null, 2)}</output>',
    '    </form>',
    '  );',
    '}',
    '',
    code,
  );
}

/** `app/form.tsx` of a set without forms. */
const fieldsFile = (facts: AppFacts): string => lines("'use client';", '', fieldsAlone(facts, 'Form', '..'));

const layoutFile = ({ language, isRightToLeft, form, title }: AppFacts): string =>
  lines(
    "import './app.css';",
    "import '../fields/look.css';",
    "import type { ReactNode } from 'react';",
    '',
    `export const metadata = { title: ${inScript(form?.title ?? title)} };`,
    '',
    'export default function Layout({ children }: { children: ReactNode }) {',
    '  return (',
    `    <html lang=${inScript(language)}${isRightToLeft ? ' dir="rtl"' : ''}>`,
    '      <body>{children}</body>',
    '    </html>',
    '  );',
    '}',
  );

/** A route that answers what the rules ask. */
const routeFile = lines(
  '/** A simulated service for what your rules ask: it accepts every value. */',
  'export async function POST() {',
  "  return Response.json({ verdict: 'pass' });",
  '}',
);

/** `tsconfig.json`, as Next.js wants it. */
const compilerOptions = json({
  compilerOptions: {
    target: 'ES2022',
    // Next.js's own types want the library of 2024.
    lib: ['ES2024', 'DOM', 'DOM.Iterable'],
    module: 'ESNext',
    moduleResolution: 'bundler',
    jsx: 'react-jsx',
    allowJs: true,
    resolveJsonModule: true,
    isolatedModules: true,
    incremental: true,
    esModuleInterop: true,
    strict: true,
    skipLibCheck: false,
    noEmit: true,
    plugins: [{ name: 'next' }],
  },
  include: ['next-env.d.ts', 'app', '.next/types/**/*.ts', '.next/dev/types/**/*.ts'],
  exclude: ['fields', 'node_modules'],
});

/** The application for Next.js with a server action, in TypeScript. */
export function nextApp(facts: AppFacts): Application {
  const { form, asks, needs } = facts;
  const routes = asks
    .filter((path) => /^\/[\w/-]+$/.test(path))
    .map((path) => [`app${path}/route.ts`, routeFile] as const);
  return {
    name: 'next',
    use: 'react',
    title: form ? 'Next.js with a server action' : 'Next.js',
    own: ['app/form.tsx', ...(form ? ['app/actions.ts'] : [])],
    files: new Map([
      ['.gitignore', '.next\nnode_modules\nnext-env.d.ts\n'],
      ...(form ? [['app/actions.ts', actionsFile(form, needs.isAsking)] as const] : []),
      ['app/app.css', appSheet],
      ['app/form.tsx', form ? formFile(facts, form) : fieldsFile(facts)],
      ['app/layout.tsx', layoutFile(facts)],
      [
        'app/page.tsx',
        lines(
          "import { Form } from './form';",
          '',
          'export default function Page() {',
          '  return (',
          '    <main>',
          '      <Form />',
          '    </main>',
          '  );',
          '}',
        ),
      ],
      ...routes,
      ['fields.mjs', fieldsScript('fields')],
      [
        'package.json',
        packageFile(
          facts,
          'next',
          { dev: 'next dev', build: 'next build', start: 'next start' },
          ['next', 'react', 'react-dom'],
          ['@types/node', '@types/react', '@types/react-dom', 'typescript'],
        ),
      ],
      ['tsconfig.json', compilerOptions],
    ]),
  };
}
