import { documentVersion, type SetDocument } from '@arbeit/engine/document';
import { inMarkdown } from '../escape.ts';
import { namesIn } from '../names.ts';
import type { Use } from './adapters.ts';
import { differencesIn, type HtmlPage } from './html-page.ts';
import type { RecordSchema } from './record-schema.ts';
import { type Snippet, snippets } from './snippets.ts';

/** What a README describes. */
export interface ReadMeFacts {
  readonly set: SetDocument;
  readonly uses: readonly Use[];
  readonly schemas: readonly RecordSchema[];
  readonly pages: readonly HtmlPage[];
  readonly hasTrials: boolean;
  /** Version of Arbeit. */
  readonly version: string;
}

/** Code between fences that it cannot close. */
const fenced = ({ title, language, code }: Snippet): readonly string[] => {
  const fence = '`'.repeat(Math.max(3, ...[...code.matchAll(/`+/g)].map(([run]) => run.length + 1)));
  return [`## ${title}`, '', `${fence}${language}`, code.trimEnd(), fence, ''];
};

/** How to record a tape, for the adapters that can. */
function aboutRecording(uses: readonly Use[]): readonly string[] {
  const recorders = uses.filter((use) => !['server', 'html', 'trials'].includes(use));
  if (recorders.length === 0) return [];
  return [
    '## When somebody is in trouble',
    '',
    `Nothing is recorded unless you ask for it: \`record(store)\`, from ${recorders.map((use) => `\`${use}.js\``).join(', ')}, keeps a tape of what is done to a field`,
    'from then on, and `text()` hands it out. It stays in the page: what is sent, and to whom, is yours to decide. Of concealed fields dots stand where',
    'characters were. A tape opens on the desk of its field and becomes a trial there.',
    '',
  ];
}

/** The README of a hand-off: its content, a snippet per adapter, and what a schema cannot express. */
export function readMe({ set, uses, schemas, pages, hasTrials, version }: ReadMeFacts): string {
  const nameOf = namesIn(set);
  const rows = set.fields.map(
    ({ id, label, kind }) => `| \`${nameOf(id)}\` | ${inMarkdown(label)} | ${kind} |`,
  );
  const forms = (set.forms ?? []).map(
    ({ id, title = id }) => `| \`${nameOf(`${id}-form`)}\` | ${inMarkdown(title)} | form |`,
  );
  return `${[
    `# ${inMarkdown(set.title)}: fields to take home`,
    '',
    `Made with Arbeit ${version} from the document beside this file (document version ${documentVersion}). The folder needs nothing but itself: put it into a project and import from it. What is`,
    'typed, formatted and checked here is what was tried on the desk, key by key.',
    '',
    '| export of `fields.js` | | kind |',
    '|---|---|---|',
    ...rows,
    ...forms,
    '',
    ...snippets(set, uses).flatMap(fenced),
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
          '## Without scripts',
          '',
          `${pages.map(({ path }) => `\`${path}\``).join(', ')}: native controls that refuse what can never be right, before and without scripts. What their \`pattern\` lets through:`,
          '',
          ...differencesIn(pages).map((line) => `- ${inMarkdown(line)}`),
          '',
        ]
      : []),
    ...schemas.flatMap(({ id, title, unsaid }) => [
      `## What \`records/${id}.schema.json\` cannot say`,
      '',
      `It accepts every record “${inMarkdown(title)}” sends. What is written another way than the form sends it (\`1234.5\` for \`1234.50\`) \`server.js\` reads as well.`,
      unsaid.length
        ? 'These the form and `server.js` refuse, and a schema does not:'
        : 'There is nothing the form refuses that the schema does not.',
      '',
      ...unsaid.map((line) => `- ${inMarkdown(line)}`),
      ...(unsaid.length ? [''] : []),
    ]),
  ]
    .join('\n')
    .trimEnd()}\n`;
}
