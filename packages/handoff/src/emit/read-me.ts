import { documentVersion, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { inMarkdown } from '../escape.ts';
import { fileName, namesIn } from '../names.ts';
import type { Use } from './adapters.ts';
import type { Application, AppName } from './apps/index.ts';
import { differencesIn, type HtmlPage } from './html-page.ts';
import { formsOf } from './modules.ts';
import type { RecordSchema } from './record-schema.ts';
import { type Snippet, snippets } from './snippets.ts';
import type { SqlDomains } from './sql.ts';

/** What a README describes. */
export interface ReadMeFacts {
  readonly set: SetDocument;
  readonly uses: readonly Use[];
  /** What the names of elements begin with. */
  readonly prefix: string;
  readonly apps: readonly Application[];
  readonly languages: readonly string[];
  readonly schemas: readonly RecordSchema[];
  /** The same of records as JSON spells them. */
  readonly inJson: readonly RecordSchema[];
  readonly pages: readonly HtmlPage[];
  readonly domains: SqlDomains | undefined;
  readonly hasTrials: boolean;
  /** Version of Arbeit. */
  readonly version: string;
}

/** Code between fences that it cannot close. */
const fenced = ({ title, language, code }: Snippet): readonly string[] => {
  const fence = '`'.repeat(Math.max(3, ...[...code.matchAll(/`+/g)].map(([run]) => run.length + 1)));
  return [`## ${title}`, '', `${fence}${language}`, code.trimEnd(), fence, ''];
};

/** How applications are started that are not started as most are. */
const starts: Readonly<Partial<Record<AppName, string>>> = {
  angular: '`npm install`, `npm run build`, `npm start`',
  page: '`npm start`',
};

/** The uses that a project of its own with an application needs. */
const usesOf = ({ use }: Application, hasForm: boolean): string =>
  [use, ...(hasForm ? ['server'] : [])].join(',');

/** The applications of a hand-off: what they are and how they are started. */
function aboutApps(apps: readonly Application[], hasForm: boolean, document: string): readonly string[] {
  if (apps.length === 0) return [];
  return [
    '## Applications',
    '',
    'Each folder of `apps` is a small application that works as it is. It needs Node.js 20.19 or later.',
    '',
    '| folder | what it is | how it is started |',
    '|---|---|---|',
    ...apps.map(({ name, title }) => {
      return `| \`apps/${name}\` | ${title} | ${starts[name] ?? '`npm install`, `npm run dev`'} |`;
    }),
    '',
    'Start a project from one of them: copy its folder, run `npm run build` once, so that `fields.mjs` copies the fields into it, and',
    'move it where you like. When the definition changes, write the fields again:',
    '',
    ...apps
      .filter(({ name }) => name !== 'page')
      .map((app) => {
        const folder = app.name === 'next' ? 'fields' : 'src/fields';
        return `    arbeit build ${document} --out ${folder} --for ${usesOf(app, hasForm)}   # ${app.name}`;
      }),
    '',
    ...(hasForm
      ? [
          '`records.ts` and `server.mjs` check each record with the rules of the page and answer with findings, which are shown at the fields.',
          'A form is also sent without JavaScript. What the rules ask is answered by a simulated service that accepts every value: replace it.',
          '',
        ]
      : []),
  ];
}

/** How a page changes its language. */
function aboutLanguages(
  set: SetDocument,
  uses: readonly Use[],
  languages: readonly string[],
): readonly string[] {
  const [first] = languages;
  const [form] = set.forms ?? [];
  if (first === undefined || !form) return [];
  const name = namesIn(set)(`${form.id}-form`);
  const load = [
    "import * as fields from './fields.js';",
    "import { languages, translateForm } from './languages.js';",
    '',
    `const { texts } = await languages[${JSON.stringify(first)}]();`,
    `const form = translateForm(fields.${name}, texts);`,
  ];
  return [
    '## Other languages',
    '',
    `Beside the language of the set there are ${languages.join(', ')}. A page loads the texts of a language when it needs them, and changes without losing what is typed:`,
    '',
    '```js',
    ...load,
    '```',
    '',
    ...(uses.includes('react')
      ? ['In React, `useForm(form, { carry: carryOver })` keeps what is typed when `form` changes.']
      : []),
    ...(uses.includes('native')
      ? ['In React Native, `useNativeForm(form, { send, carry: carryOver })` does.']
      : []),
    ...(uses.includes('vue') || uses.includes('svelte')
      ? [
          'In Vue and Svelte, draw the component anew with a `key` and pass the store that it had before: `useForm(form, { from: store })`, `form(definition, { from: store })`.',
        ]
      : []),
    ...(uses.includes('server')
      ? ['On the server, `check…(record, { today, texts })` answers in that language.']
      : []),
    '',
  ];
}

/** How to record a tape, for the adapters that can. */
function aboutRecording(uses: readonly Use[]): readonly string[] {
  const recorders = uses.filter((use) => !['server', 'html', 'sql', 'trials', 'apps'].includes(use));
  if (recorders.length === 0) return [];
  return [
    '## Recording a bug report',
    '',
    `Nothing is recorded unless you ask for it. \`record(store)\`, from ${recorders.map((use) => `\`${use}.js\``).join(', ')}, starts a tape of a field, and`,
    '`text()` returns it. The tape stays in the page. You decide whether to send it, and to whom. Characters of concealed fields',
    'are recorded as dots. Open a tape on the desk of its field to save it as a trial.',
    '',
  ];
}

/** How a page sends its record as JSON spells it. */
function aboutJson(
  schemas: readonly RecordSchema[],
  json: readonly RecordSchema[],
  set: SetDocument,
): readonly string[] {
  const [first] = formsOf(set);
  if (!first || schemas.length === 0) return [];
  const { stem } = first;
  const more = json.flatMap(({ unsaid }, i) => unsaid.filter((line) => !schemas[i]?.unsaid.includes(line)));
  return [
    '## Records in JSON',
    '',
    'The values of a record are texts. For an API that wants booleans, numbers and lists, spell them as JSON does. Yes and no are `true` and `false`,',
    'choices are lists, and a decimal is a number if it survives exactly; if not, it stays a text. `server.js` reads both spellings.',
    '',
    '```js',
    `import { json${stem} } from './json.js';`,
    '',
    'export const send = async ({ values }) => {',
    `  const answer = await fetch('/records', { method: 'POST', body: JSON.stringify(json${stem}(values)) });`,
    '  return (await answer.json()).findings;',
    '};',
    '```',
    '',
    `The types are in \`json.d.ts\`, and ${schemas.map(({ id }) => `\`records/json/${id}.schema.json\``).join(', ')} ${schemas.length === 1 ? 'is its schema' : 'are the schemas'}.${more.length ? ' What such a schema cannot check beside what is listed below:' : ''}`,
    '',
    ...more.map((line) => `- ${inMarkdown(line)}`),
    ...(more.length ? [''] : []),
  ];
}

/** What the domains of PostgreSQL are for, and what they cannot check. */
function aboutDomains(domains: SqlDomains | undefined): readonly string[] {
  if (!domains) return [];
  const { unsaid } = domains;
  return [
    '## In PostgreSQL',
    '',
    '`sql/domains.sql` has a domain per field, and a table per form as a comment. A domain accepts every value of `record.values`;',
    'an empty field is `NULL`, so add `NOT NULL` to columns of required fields. Rules across fields stay with `server.js`.',
    unsaid.length
      ? 'Checked by the fields and `server.js`, but not by the domains:'
      : 'The domains are as strict as the fields.',
    '',
    ...unsaid.map((line) => `- ${inMarkdown(line)}`),
    ...(unsaid.length ? [''] : []),
  ];
}

/** The README of a hand-off: its content, a snippet per adapter, and what a schema cannot express. */
export function readMe({
  set,
  uses,
  prefix,
  apps,
  languages,
  schemas,
  inJson,
  pages,
  domains,
  hasTrials,
  version,
}: ReadMeFacts): string {
  const nameOf = namesIn(set);
  const hasForm = (set.forms ?? []).some((form) => fieldIdsOf(form).length > 0);
  const rows = set.fields.map(
    ({ id, label, kind }) => `| \`${nameOf(id)}\` | ${inMarkdown(label)} | ${kind} |`,
  );
  const forms = (set.forms ?? []).map(
    ({ id, title = id }) => `| \`${nameOf(`${id}-form`)}\` | ${inMarkdown(title)} | form |`,
  );
  return `${[
    `# ${inMarkdown(set.title)} fields`,
    '',
    `Generated by Arbeit ${version} from the .arbeit.json file in this folder (document version ${documentVersion}). Do not edit these files: change the document and run \`arbeit build\` again.`,
    `The folder is self-contained: copy it into your project as \`fields\`${uses.includes('apps') ? ', without `apps`,' : ''} and import from it. It behaves exactly as it did in the studio.`,
    '',
    '| export of `fields.js` | | kind |',
    '|---|---|---|',
    ...rows,
    ...forms,
    '',
    ...(uses.includes('apps') ? aboutApps(apps, hasForm, fileName(set.title)) : []),
    ...snippets(set, uses, prefix).flatMap(fenced),
    ...aboutLanguages(set, uses, languages),
    ...aboutRecording(uses),
    ...(hasTrials
      ? [
          '## Trials',
          '',
          '    npx vitest run trials          # trials/trials.test.js',
          '    node --test trials/trials.node.js',
          '',
        ]
      : []),
    ...(pages.length
      ? [
          '## Without JavaScript',
          '',
          `${pages.map(({ path }) => `\`${path}\``).join(', ')}: native controls that validate without JavaScript. How exact each \`pattern\` is:`,
          '',
          ...differencesIn(pages).map((line) => `- ${inMarkdown(line)}`),
          '',
        ]
      : []),
    ...aboutJson(schemas, inJson, set),
    ...aboutDomains(domains),
    ...schemas.flatMap(({ id, title, unsaid }) => [
      `## What \`records/${id}.schema.json\` cannot check`,
      '',
      `It accepts every record “${inMarkdown(title)}” sends. \`server.js\` also accepts other spellings of a value (\`1234.5\` for \`1234.50\`).`,
      unsaid.length
        ? 'Checked by the form and `server.js`, but not by the schema:'
        : 'The schema is as strict as the form.',
      '',
      ...unsaid.map((line) => `- ${inMarkdown(line)}`),
      ...(unsaid.length ? [''] : []),
    ]),
  ]
    .join('\n')
    .trimEnd()}\n`;
}
