import type { RunCustomCode, SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Compared, compareSets } from '@arbeit/engine/proof';
import { today } from './clock.ts';
import { withSets } from './custom-code.ts';
import { loadDocument } from './files.ts';
import type { Output } from './report.ts';

const words: Readonly<Record<Compared['is'], string>> = {
  added: 'is added',
  removed: 'is removed',
  same: 'is the same',
  other: 'behaves differently',
  alike: 'has a different definition; no difference in behaviour was found',
};

/**
 * `arbeit compare`. Compares two documents by the behaviour of their fields and forms. Returns the exit code:
 * 0 nothing differs, 1 something does, 2 a document cannot be read.
 */
export function compareDocuments(
  before: string,
  after: string,
  { markdown, output }: { readonly markdown: boolean; readonly output: Output },
): number | Promise<number> {
  const [a, b] = [loadDocument(before, output), loadDocument(after, output)];
  return a && b ? withSets([a, b], (_, run) => compared([a, b], run, markdown, output)) : 2;
}

function compared(
  [before, after]: readonly [SetDocument, SetDocument],
  run: RunCustomCode | undefined,
  markdown: boolean,
  output: Output,
): number {
  let count = 0;
  let other = 0;
  for (const one of compareSets(before, after, kinds, today(), run)) {
    count++;
    if (one.is === 'same') continue;
    if (one.is !== 'alike') other++;
    for (const line of markdown ? asMarkdown(one) : asText(one)) output.out(line);
  }
  const summary =
    other === 0
      ? `No behaviour changes in ${count} fields and forms.`
      : `Behaviour changes in ${other} of ${count} fields and forms.`;
  output.out(summary);
  return other === 0 ? 0 : 1;
}

const title = ({ target, name, is }: Compared): string =>
  `${target.type} ${target.id} (${name}) ${words[is]}`;

/** The actions, and under them what each of the two shows. */
const rows = ({ target, tape }: Compared): readonly string[] =>
  tape
    ? [
        `${target.type} ${target.id}`,
        ...tape.actions,
        ...tape.before.map((line) => `# before: ${line}`),
        ...tape.after.map((line) => `# after:  ${line}`),
      ]
    : [];

const onlyIn = ({ values }: Compared): readonly string[] => [
  ...(values?.before === undefined ? [] : [`no longer accepted: ${JSON.stringify(values.before)}`]),
  ...(values?.after === undefined ? [] : [`now accepted: ${JSON.stringify(values.after)}`]),
];

const asText = (one: Compared): readonly string[] => [
  title(one),
  ...rows(one).map((line) => `    ${line}`),
  ...onlyIn(one).map((line) => `    ${line}`),
];

/** Text of a document for use in Markdown. Security relevant: no character of it has a meaning there. */
const escaped = (text: string): string => text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&').replace(/[\r\n]+/g, ' ');

const asMarkdown = (one: Compared): readonly string[] => {
  const tape = rows(one);
  const fence = '`'.repeat(Math.max(3, ...tape.map((line) => (/`+/.exec(line)?.[0].length ?? 0) + 1)));
  return [
    `### ${escaped(one.name)}: ${words[one.is]} (${one.target.type} ${escaped(one.target.id)})`,
    '',
    ...(tape.length ? [fence, ...tape, fence, ''] : []),
    ...onlyIn(one).map((line) => `- ${escaped(line)}`),
    ...(one.values ? [''] : []),
  ];
};
