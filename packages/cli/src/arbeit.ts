import { type ParseArgsConfig, parseArgs } from 'node:util';
import { hands } from '@arbeit/engine/tape';
import { uses } from '@arbeit/handoff/emit';
import { auditDocument } from './audit.ts';
import { buildHandOff } from './build.ts';
import { compareDocuments } from './compare.ts';
import { compileDocument } from './compile.ts';
import { drivePage } from './drive.ts';
import type { Output } from './files.ts';
import { migrateDocuments } from './migrate.ts';
import { playTapes } from './play.ts';
import { backupStore, restoreStore } from './store.ts';
import { testDocument, watching } from './test.ts';

type Flags = NonNullable<ParseArgsConfig['options']>;

interface Command {
  /** Its arguments, for the usage line. */
  readonly takes: string;
  readonly about: string;
  readonly least: number;
  readonly flags: Flags;
  /** What each option does. */
  readonly words: Readonly<Record<string, string>>;
  run(
    given: readonly string[],
    flags: Readonly<Record<string, unknown>>,
    output: Output,
  ): number | Promise<number>;
}

const help = { help: { type: 'boolean', short: 'h' } } as const satisfies Flags;

/** A whole number of at least 1 from an option. Throws `TypeError`, as parsing does. */
function countIn(flag: string, text: unknown): number | undefined {
  if (text === undefined) return undefined;
  const count = Number(text);
  if (Number.isSafeInteger(count) && count > 0) return count;
  throw Object.assign(new TypeError(`--${flag}: ${String(text)} is no whole number above 0`), {
    code: 'COUNT',
  });
}

const commands: Readonly<Record<string, Command>> = {
  audit: {
    takes: '<document.arbeit.json>',
    about: `Holds the fields of a document against the laws of a field, with random tapes made for each of them, on
all cores. Of each law that is broken the shortest tape is told that was found to show it.
Exit code 0: no law is broken; 1: one is; 2: the document cannot be read, or has no such
field, or none at all.`,
    least: 1,
    flags: {
      field: { type: 'string', multiple: true },
      events: { type: 'string' },
      seconds: { type: 'string' },
      seed: { type: 'string' },
      threads: { type: 'string' },
    },
    words: {
      field: 'a field by its id, and no other; several may be named',
      events: 'so many events a field; 100000, where neither they nor a time is named',
      seconds: 'so many seconds at most, all fields together',
      seed: 'the tapes of that seed, to see again what was found; 1, where it is left out',
      threads: 'so many at once; as many as there are cores, where it is left out',
    },
    run: ([document = ''], { field = [], events, seconds, seed, threads }, output) =>
      auditDocument(document, {
        fields: field as readonly string[],
        events: countIn('events', events) ?? (seconds === undefined ? 100_000 : Number.POSITIVE_INFINITY),
        seconds: countIn('seconds', seconds),
        seed: countIn('seed', seed) ?? 1,
        threads: countIn('threads', threads),
        output,
      }),
  },
  backup: {
    takes: '<file>',
    about: `Writes the whole store to one file: all sets with their revisions and refused versions. The store is the
one Arbeit uses: that of DATABASE_URL, or the data folder. In a folder Arbeit must not be running.
Exit code 0: it is written; 2: the store does not open, or the file cannot be written.`,
    least: 1,
    flags: { data: { type: 'string' } },
    words: { data: 'the data folder; ARBEIT_DATA, or .data in the project, where it is left out' },
    run: ([file = ''], { data }, output) => backupStore(file, data as string | undefined, output),
  },
  build: {
    takes: '<document.arbeit.json> [tape]…',
    about: `Makes the folder a developer takes home: fields.js with its types and just the run-time they need, a face
for each use, schemas of the records, the tapes as tests, a README. The same document and version make
the same bytes.
Exit code 0: it is written; 2: the document or a tape cannot be read, or the folder not written.`,
    least: 1,
    flags: { out: { type: 'string' }, for: { type: 'string', multiple: true } },
    words: {
      out: 'the folder it is written to; one named "hand-off" here, where none is named',
      for: `what goes along: ${uses.join(', ')}; all of it, where none is named`,
    },
    run: ([document = '', ...tapes], { out = 'hand-off', for: wanted }, output) =>
      buildHandOff(document, tapes, {
        folder: String(out),
        wanted: wanted as readonly string[] | undefined,
        output,
      }),
  },
  compare: {
    takes: '<document.arbeit.json> <document.arbeit.json>',
    about: `Compares two documents by what their fields and forms do, the one before with the one after: what is new
and what is gone, and of what behaves otherwise the shortest tape that was found to show it.
Exit code 0: nothing behaves otherwise; 1: something does; 2: a document cannot be read.`,
    least: 2,
    flags: { markdown: { type: 'boolean' } },
    words: { markdown: 'as Markdown, for a pull request' },
    run: ([before = '', after = ''], { markdown }, output) =>
      compareDocuments(before, after, { markdown: markdown === true, output }),
  },
  compile: {
    takes: '<document.arbeit.json>',
    about: `Writes the fields and forms of a document as a module, fields.js, with its types, fields.d.ts. A page
that imports one of its fields carries that field's kind and nothing that compiles.
Exit code 0: they are written; 2: the document cannot be read, or the folder not written.`,
    least: 1,
    flags: { out: { type: 'string' } },
    words: { out: 'the folder they are written to; this one, where none is named' },
    run: ([document = ''], { out = '.' }, output) => compileDocument(document, String(out), output),
  },
  drive: {
    takes: '<document.arbeit.json|tape>… --url <page> --field <id>=<selector>…',
    about: `Types tapes with real keys into a page, ours or not, in an installed Chromium, and compares step by step what
it shows: with what the definition of the document does, or without one with what the tapes expect. Of a
document its trials are driven, unless tapes are named beside it.
Exit code 0: all of them come to the same; 1: one does not; 2: a file, the page, a field or a browser is
not to be had.`,
    least: 1,
    flags: {
      url: { type: 'string' },
      field: { type: 'string', multiple: true },
      message: { type: 'string', multiple: true },
      hand: { type: 'string', multiple: true },
      record: { type: 'string' },
      browser: { type: 'string' },
    },
    words: {
      url: 'where the page is',
      field: 'which input a field is, by a CSS selector: mobile=#mobile; one a field',
      message: 'what shows the message of a field, likewise',
      hand: `how what is typed comes in: ${hands.join(', ')}; several may be named, keys where none is`,
      record: 'the path the page sends its forms to, where tapes say what is answered (sent)',
      browser: 'the program of a Chromium; one that is installed, where it is left out',
    },
    run: (files, { url, field = [], message = [], hand = [], record, browser }, output) =>
      drivePage(files, {
        url: url as string | undefined,
        fields: field as readonly string[],
        messages: message as readonly string[],
        hands: hand as readonly string[],
        record: record as string | undefined,
        browser: browser as string | undefined,
        output,
      }),
  },
  migrate: {
    takes: '<document.arbeit.json>…',
    about: `Writes documents of an older version in the current one, each into its own file. Only the values that
differ are replaced. A document that cannot be read is not written.
Exit code 0: all documents have the current version; 2: a file cannot be read or written.`,
    least: 1,
    flags: { check: { type: 'boolean' } },
    words: { check: 'write nothing; exit with 1 if a document has an older version' },
    run: (documents, { check }, output) => migrateDocuments(documents, { check: check === true, output }),
  },
  play: {
    takes: '<document.arbeit.json> <tape>…',
    about: `Plays tapes against a document.
Exit code 0: every expectation holds; 1: one does not; 2: a file cannot be read.`,
    least: 2,
    flags: { json: { type: 'boolean' } },
    words: { json: 'one JSON object a line for every action' },
    run: ([document = '', ...tapes], { json }, output) =>
      playTapes(document, tapes, { json: json === true, output }),
  },
  restore: {
    takes: '<file>',
    about: `Restores a backup into the store, all of it or nothing. The file is read and checked to its end first.
Exit code 0: it is restored; 2: the file is damaged or no backup, or the store has sets already.`,
    least: 1,
    flags: { data: { type: 'string' }, replace: { type: 'boolean' } },
    words: {
      data: 'the data folder; ARBEIT_DATA, or .data in the project, where it is left out',
      replace: 'replaces the sets the store has; without it a store that has any is left alone',
    },
    run: ([file = ''], { data, replace }, output) =>
      restoreStore(file, data as string | undefined, replace === true, output),
  },
  test: {
    takes: '<document.arbeit.json> [tape]…',
    about: `Runs the trials of a document, and tapes beside it.
Exit code 0: all of them hold; 1: one does not; 2: something cannot be read, or there is nothing to try.`,
    least: 1,
    flags: { junit: { type: 'string' }, watch: { type: 'boolean' } },
    words: {
      junit: 'a file for a report as JUnit XML',
      watch: 'again whenever one of the files has changed',
    },
    run: ([document = '', ...tapes], { junit, watch }, output) => {
      const once = () =>
        testDocument(document, tapes, { report: junit === undefined ? undefined : String(junit), output });
      return watch === true ? watching([document, ...tapes], once) : once();
    },
  },
};

const nameOf = (command: string): string => `arbeit ${command} ${commands[command]!.takes}`;

/** The usage of all commands, one per line. */
function overview(): string {
  const all = Object.keys(commands).map((command) => `  ${nameOf(command)}`);
  return ['usage:', ...all, '', 'arbeit <command> --help tells more of one.'].join('\n');
}

function usageOf(command: string): string {
  const { about, words } = commands[command]!;
  const flags = Object.entries(words).map(([flag, said]) => `  --${flag.padEnd(10)}${said}`);
  return [`usage: ${nameOf(command)}`, '', about, '', ...flags, '  --help      this text'].join('\n');
}

/**
 * Runs the command line. Returns the exit code, 2 for arguments it does not understand.
 *
 * @example
 * const code = await run(['--help'], { out: console.log, err: console.error });
 */
export function run(args: readonly string[], output: Output): number | Promise<number> {
  const [name = '', ...rest] = args;
  if (name === '--help' || name === '-h') {
    output.out(overview());
    return 0;
  }
  if (!Object.hasOwn(commands, name)) {
    if (name) output.err(`${name}: no such command`);
    output.err(overview());
    return 2;
  }
  const command = commands[name]!;
  try {
    const options = { ...command.flags, ...help };
    const { values, positionals } = parseArgs({ args: rest, options, allowPositionals: true });
    if (values.help) {
      output.out(usageOf(name));
      return 0;
    }
    if (positionals.length >= command.least) return command.run(positionals, values, output);
  } catch (error) {
    // Only parseArgs throws these. Other errors are bugs and are thrown on.
    if (!(error instanceof TypeError && 'code' in error)) throw error;
    output.err(error.message.split('. ')[0]!.replace(/^Unknown option '(.*)'$/, '$1: no such option'));
  }
  output.err(usageOf(name));
  return 2;
}
