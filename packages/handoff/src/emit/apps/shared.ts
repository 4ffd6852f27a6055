import { inAttribute, inScript } from '../../escape.ts';
import { listed } from '../../imports.ts';
import { nativeRows, sectionRows } from '../html-page.ts';
import type { AppFacts } from './application.ts';
import { type Package, pinned } from './versions.ts';

/** A line, several, or none. */
export type Lines = string | false | readonly Lines[];

/** Lines as the text of a file; `false` is left out. */
export const lines = (...all: readonly Lines[]): string => `${flat(all).join('\n').trimEnd()}\n`;

const flat = (all: Lines): readonly string[] =>
  all === false ? [] : typeof all === 'string' ? [all] : all.flatMap(flat);

/** An import, on several lines if it is long. Types come after values. */
export function imported(names: readonly string[], place: string): string {
  const sorted = [...names].sort((a, b) => bare(a).localeCompare(bare(b), 'en'));
  const one = listed('import', sorted, place);
  if (one.length <= 100) return one;
  return ['import {', ...sorted.map((name) => `  ${name},`), `} from '${place}';`].join('\n');
}
const bare = (name: string): string => name.replace(/^type /, '');

/** An object as a JSON file. */
export const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Lines moved to the right; empty ones stay empty. */
export const indented = (all: readonly string[], by: number): readonly string[] =>
  all.map((line) => (line ? ' '.repeat(by) + line : line));

/** The `package.json` of an application. `scripts` are its commands; each copies the fields first. */
export const packageFile = (
  { title, slug }: AppFacts,
  name: string,
  scripts: Readonly<Record<string, string>>,
  dependencies: readonly Package[],
  devDependencies: readonly Package[],
): string =>
  json({
    name: `${slug}-${name}`,
    private: true,
    description: `An application with the fields of “${title}”.`,
    type: 'module',
    scripts: Object.fromEntries(
      Object.entries(scripts).flatMap(([script, command]) => [
        ...(script === 'dev' || script === 'build' ? [[`pre${script}`, 'node fields.mjs']] : []),
        [script, command],
      ]),
    ),
    dependencies: pinned(...dependencies),
    devDependencies: pinned(...devDependencies),
  });

/** `fields.mjs`: copies the fields into an application. `to` is their folder in it. */
export const fieldsScript = (
  to: string,
): string => `// Copies the fields of the hand-off around this folder to ${to}. npm runs it before "dev" and "build".
// To move the application elsewhere, copy its folder with ${to}; fields.mjs then does nothing.
import { cpSync, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const from = fileURLToPath(new URL('../../', import.meta.url));
const to = fileURLToPath(new URL('./${to}/', import.meta.url));
const isIn = (name) =>
  ['package.json', 'look.css', 'run-time', 'types'].includes(name) || /\\.(?:js|d\\.ts)$/.test(name);

if (existsSync(\`\${from}fields.js\`) && existsSync(\`\${from}run-time\`)) {
  rmSync(to, { recursive: true, force: true });
  mkdirSync(to, { recursive: true });
  for (const name of readdirSync(from).filter(isIn))
    cpSync(from + name, to + name, { recursive: true });
}
`;

/**
 * The method of a form without a server, as an attribute. The browser shows what it submits in the address,
 * which must not contain a secret: with a concealed field it is POST, and there is no button. Security
 * relevant.
 */
export const methodAlone = ({ needs }: AppFacts): string => (needs.conceals ? ' method="post"' : '');

/** Whether a form without a server has a button. */
export const hasButton = ({ form, needs }: AppFacts): boolean => form !== undefined || !needs.conceals;

/** The form with native controls, as a browser without JavaScript shows it. */
export const withoutScripts = (facts: AppFacts): readonly string[] => {
  const { form, natives, words } = facts;
  return [
    form ? '<form method="post" action="/records">' : `<form${methodAlone(facts)}>`,
    ...indented(form ? sectionRows(natives, form.sections) : nativeRows(natives), 2),
    ...(hasButton(facts) ? [`  <button>${inAttribute(words.submit)}</button>`] : []),
    '</form>',
  ];
};

/** `app.css`: a plain page around the fields, light and dark. */
export const appSheet = `:root { color-scheme: light dark; font: 1rem/1.5 system-ui, sans-serif; }
body { max-inline-size: 48rem; margin: 2rem auto; padding-inline: 1rem; }
form { display: grid; gap: 1rem; }
h1 { margin: 0; font-size: 1.5rem; }
fieldset { min-inline-size: 0; margin: 0; padding: 0; border: 0; }
legend { margin-block-end: .5rem; padding: 0; font-weight: bold; }
fieldset > div, .fields { display: grid; gap: .5rem 1.5rem; align-items: start; }
@media (min-width: 40rem) { [data-columns="2"] { grid-template-columns: 1fr 1fr; } }
button { justify-self: start; padding: .5em 1.25em; font: inherit; }
[role=alert], [data-wrong] [data-arbeit=message] { color: light-dark(#a3162a, #ff9aa2); }
output { font: .875rem/1.5 ui-monospace, monospace; white-space: pre-wrap; overflow-wrap: anywhere; }
`;

/** The function that sends a record, in TypeScript. */
export const sendFunction = (record: string): readonly string[] => [
  '/** Sends a record to your server, which returns what is invalid. */',
  `const send: SendRecord<fields.${record}> = async (record) => {`,
  "  const response = await fetch('/records', {",
  "    method: 'POST',",
  "    headers: { 'Content-Type': 'application/json' },",
  '    body: JSON.stringify(record.raw),',
  '  });',
  "  if (!response.ok && response.status !== 422) throw new Error('Unexpected response.');",
  '  return (await response.json()).findings;',
  '};',
];

/** The function that starts server checks, in TypeScript; none if there are none. */
export const driveFunction = ({ form, needs }: AppFacts): Lines =>
  form && needs.isAsking
    ? [
        '/** Runs the server checks of the fields while the form is on the page. */',
        `const drive = (store: FormStore<fields.${form.record}>) => driveFormAsks(store, askByFetch());`,
        '',
      ]
    : false;

/** What every server of an application begins with: its day, and the paths of its simulated service. */
export const serverConstants = ({ form, asks }: AppFacts): Lines => [
  form
    ? [
        '// The calendar day of the people who fill in the form: set their time zone.',
        "const day = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' });",
      ]
    : false,
  asks.length > 0 && [
    '// A simulated service for what your rules ask: it accepts every value.',
    `const asked = [${asks.map(inScript).join(', ')}];`,
  ],
  '',
];

/** The function that reads a request. `isTyped`: in TypeScript. */
export const textFunction = (isTyped: boolean): Lines => [
  '/** The text of a request. A longer one is not a record. */',
  `async function textOf(request${isTyped ? ': IncomingMessage' : ''}) {`,
  "  let text = '';",
  "  for await (const part of request.setEncoding('utf8')) {",
  '    text += part;',
  "    if (text.length > 1_000_000) throw new RangeError('The record is too long.');",
  '  }',
  '  return text;',
  '}',
  '',
];

/** The function that checks a record with the rules of the page. `isTyped`: in TypeScript. */
export const checkFunction = ({ form, asks }: AppFacts, isTyped: boolean): Lines =>
  form
    ? [
        '/** Checks a record with the rules of the page: its values, or what is invalid by field. */',
        `async function checked(record${isTyped ? ': unknown' : ''}) {`,
        `  const result = await check${form.stem}(record, {`,
        '    today: day.format(new Date()),',
        asks.length > 0 && "    ask: async () => ({ verdict: 'pass' }),",
        '  });',
        '  if (!result.ok) return { status: 422, body: { findings: result.findings } };',
        '  // Store result.record.values here.',
        '  return { status: 200, body: { findings: [], values: result.record.values } };',
        '}',
        '',
      ]
    : false;
