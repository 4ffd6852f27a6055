import type { Miss } from '@arbeit/engine/tape';

/** A trial that was run, for a report. */
export interface Case {
  readonly name: string;
  readonly seconds: number;
  readonly misses: readonly Miss[];
  /** Why it could not be played. */
  readonly problems: readonly string[];
}

/** A text for use in XML; characters that XML cannot contain are left out (XML 1.0, 2.2). */
const escaped = (text: string): string =>
  text
    .replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, '')
    .replace(/[&<>"\n\r\t]/g, (c) => `&#${c.charCodeAt(0)};`);

const told = ({ line, source, expected, found }: Miss): string =>
  `line ${line}: ${source}\n  expected ${expected}\n  found    ${found}`;

/** A report as JUnit XML: one suite for a document, one case per trial. */
export function junit(suite: string, cases: readonly Case[]): string {
  const failed = cases.filter(({ misses, problems }) => misses.length > 0 && problems.length === 0).length;
  const broken = cases.filter(({ problems }) => problems.length > 0).length;
  const time = cases.reduce((sum, { seconds }) => sum + seconds, 0).toFixed(4);
  const counts = `tests="${cases.length}" failures="${failed}" errors="${broken}" time="${time}"`;
  const lines = cases.flatMap(({ name, seconds, misses, problems }) => {
    const about = `name="${escaped(name)}" classname="${escaped(suite)}" time="${seconds.toFixed(4)}"`;
    if (problems.length)
      return [`    <testcase ${about}><error message="${escaped(problems.join('\n'))}"/></testcase>`];
    if (misses.length === 0) return [`    <testcase ${about}/>`];
    const message = `${misses.length} of its expectations did not hold`;
    return [
      `    <testcase ${about}><failure message="${message}">${escaped(misses.map(told).join('\n'))}</failure></testcase>`,
    ];
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<testsuites ${counts}>`,
    `  <testsuite name="${escaped(suite)}" ${counts}>`,
    ...lines,
    '  </testsuite>',
    '</testsuites>',
    '',
  ].join('\n');
}
