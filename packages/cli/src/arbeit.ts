import { readFileSync } from 'node:fs';
import { type ParseArgsConfig, parseArgs } from 'node:util';
import { nearest, type Said, say } from '@arbeit/engine/faults';
import { auditDocument } from './audit.ts';
import { buildHandOff } from './build.ts';
import { compareDocuments } from './compare.ts';
import { compileDocument } from './compile.ts';
import { drivePage } from './drive.ts';
import { importFile } from './import.ts';
import { migrateDocuments } from './migrate.ts';
import { playTapes } from './play.ts';
import { type Output, report } from './report.ts';
import { backupStore, restoreStore } from './store.ts';
import { testDocument, watching } from './test.ts';
import { type CommandName, type CommandWords, cliTexts, commandWords, helpWords } from './words.ts';

type Flags = NonNullable<ParseArgsConfig['options']>;

interface Command {
  readonly flags: Flags;
  run(
    given: readonly string[],
    flags: Readonly<Record<string, unknown>>,
    output: Output,
  ): number | Promise<number>;
}

const help = { help: { type: 'boolean', short: 'h' } } as const satisfies Flags;

/** An invalid call, with a message for the user. */
class CallError extends Error {
  constructor(readonly said: Said) {
    super(said.message);
  }
}

/** A whole number of at least 1 from an option. */
function countIn(flag: string, text: unknown): number | undefined {
  if (text === undefined) return undefined;
  const count = Number(text);
  if (Number.isSafeInteger(count) && count > 0) return count;
  throw new CallError(say(cliTexts, 'not-a-count', { option: flag, found: String(text) }));
}

const commands: Readonly<Record<CommandName, Command>> = {
  laws: {
    flags: {
      field: { type: 'string', multiple: true },
      events: { type: 'string' },
      seconds: { type: 'string' },
      seed: { type: 'string' },
      threads: { type: 'string' },
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
    flags: { data: { type: 'string' } },
    run: ([file = ''], { data }, output) => backupStore(file, data as string | undefined, output),
  },
  build: {
    flags: {
      out: { type: 'string' },
      for: { type: 'string', multiple: true },
      language: { type: 'string', multiple: true },
      prefix: { type: 'string' },
    },
    run: ([document = '', ...tapes], { out = 'hand-off', for: wanted, language = [], prefix }, output) =>
      buildHandOff(document, tapes, {
        folder: String(out),
        wanted: wanted as readonly string[] | undefined,
        languages: language as readonly string[],
        prefix: prefix as string | undefined,
        output,
      }),
  },
  compare: {
    flags: { markdown: { type: 'boolean' } },
    run: ([before = '', after = ''], { markdown }, output) =>
      compareDocuments(before, after, { markdown: markdown === true, output }),
  },
  compile: {
    flags: { out: { type: 'string' } },
    run: ([document = ''], { out = '.' }, output) => compileDocument(document, String(out), output),
  },
  drive: {
    flags: {
      url: { type: 'string' },
      field: { type: 'string', multiple: true },
      message: { type: 'string', multiple: true },
      hand: { type: 'string', multiple: true },
      record: { type: 'string' },
      browser: { type: 'string' },
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
  import: {
    flags: {
      out: { type: 'string' },
      format: { type: 'string' },
      locale: { type: 'string' },
      title: { type: 'string' },
    },
    run: ([file = ''], { out, format, locale, title }, output) =>
      importFile(file, {
        out: out as string | undefined,
        format: format as string | undefined,
        locale: locale as string | undefined,
        title: title as string | undefined,
        output,
      }),
  },
  migrate: {
    flags: { check: { type: 'boolean' } },
    run: (documents, { check }, output) => migrateDocuments(documents, { check: check === true, output }),
  },
  play: {
    flags: { json: { type: 'boolean' } },
    run: ([document = '', ...tapes], { json }, output) =>
      playTapes(document, tapes, { json: json === true, output }),
  },
  restore: {
    flags: { data: { type: 'string' }, replace: { type: 'boolean' } },
    run: ([file = ''], { data, replace }, output) =>
      restoreStore(file, data as string | undefined, replace === true, output),
  },
  test: {
    flags: {
      name: { type: 'string', multiple: true },
      json: { type: 'boolean' },
      junit: { type: 'string' },
      watch: { type: 'boolean' },
    },
    run: ([document = '', ...tapes], { name = [], json, junit, watch }, output) => {
      const once = () =>
        testDocument(document, tapes, {
          names: name as readonly string[],
          json: json === true,
          report: junit === undefined ? undefined : String(junit),
          output,
        });
      return watch === true ? watching([document, ...tapes], once) : once();
    },
  },
};

/** Former names of commands. They work in one version. */
const renamed: Readonly<Record<string, CommandName>> = { audit: 'laws' };

const names = Object.keys(commandWords).sort() as CommandName[];

const usageOf = (name: CommandName): string => {
  const { needs, further = '' }: CommandWords = commandWords[name];
  return `arbeit ${name} ${needs.join(' ')}${/^(?:…|$)/.test(further) ? further : ` ${further}`}`;
};

/** Pairs in two columns, with lines of at most 100 characters. */
function columns(rows: readonly (readonly [string, string])[]): string[] {
  const width = Math.max(...rows.map(([head]) => head.length)) + 2;
  return rows.flatMap(([head, text]) => {
    const lines = [''];
    for (const word of text.split(' ')) {
      const line = lines.at(-1);
      if (line && width + line.length + word.length > 96) lines.push(word);
      else lines[lines.length - 1] = line ? `${line} ${word}` : word;
    }
    return lines.map((line, i) => `  ${(i === 0 ? head : '').padEnd(width)}${line}`);
  });
}

/** The text of `arbeit --help`. */
const overview = (): string =>
  [
    'Usage: arbeit <command> [options]',
    '',
    ...columns(names.map((name) => [name, commandWords[name].about])),
    '',
    ...columns([
      ['--help', helpWords.helpOption],
      ['--version', helpWords.version],
    ]),
    '',
    helpWords.details,
  ].join('\n');

/** The text of `arbeit <command> --help`. */
function helpOf(name: CommandName): string {
  const { about, more, exits, options }: CommandWords = commandWords[name];
  const rows = Object.entries(options).map(([option, [value, text]]): readonly [string, string] => [
    value ? `--${option} ${value}` : `--${option}`,
    text,
  ]);
  return [
    `Usage: ${usageOf(name)}`,
    '',
    about,
    ...(more ? [more] : []),
    '',
    ...columns([...rows, ['--help', helpWords.helpOption]]),
    '',
    'Exit codes:',
    ...columns(Object.entries(exits)),
  ].join('\n');
}

/** The version in the manifest of this package, or of the project for the bundled command line. */
function version(): string {
  for (const place of ['../package.json', '../../package.json'])
    try {
      const { version } = JSON.parse(readFileSync(new URL(place, import.meta.url), 'utf8'));
      if (typeof version === 'string') return version;
    } catch {
      // The other place has it.
    }
  return '';
}

/** Reads the arguments of a command. Throws `CallError` for what the command does not understand. */
function argumentsOf(name: CommandName, args: readonly string[]) {
  const { flags } = commands[name];
  try {
    return parseArgs({ args: [...args], options: { ...flags, ...help }, allowPositionals: true });
  } catch (error) {
    // Only parseArgs throws these. Other errors are bugs and are thrown on.
    if (!(error instanceof TypeError && 'code' in error)) throw error;
    const unknown = /^Unknown option '-*([^']*)'/.exec(error.message)?.[1];
    if (unknown === undefined)
      throw new CallError(say(cliTexts, 'invalid-call', { reason: error.message.split('. ')[0] ?? '' }));
    const meant = nearest(unknown, Object.keys(flags));
    const about = { option: `--${unknown}`, command: name };
    throw new CallError(
      meant
        ? say(cliTexts, 'unknown-option/meant', { ...about, meant })
        : say(cliTexts, 'unknown-option', about),
    );
  }
}

/**
 * Refuses a document as the file that an option writes. Otherwise `--junit huts.arbeit.json` would take the
 * document as its value.
 */
function refuseSwallowed(name: CommandName, values: Readonly<Record<string, unknown>>): void {
  const { options }: CommandWords = commandWords[name];
  for (const [option, [value]] of Object.entries(options)) {
    const given = values[option];
    const isOutput = value === '<file>' || value === '<folder>';
    if (isOutput && typeof given === 'string' && /\.(?:json|tape)$/i.test(given))
      throw new CallError(say(cliTexts, 'option-takes-document', { option, path: given, value }));
  }
}

/**
 * Runs the command line. Returns the exit code, 2 for arguments it does not understand.
 *
 * @example
 * const code = await run(['--help'], { out: console.log, err: console.error });
 */
export function run(args: readonly string[], output: Output): number | Promise<number> {
  const [first = '', ...rest] = args;
  if (first === '--help' || first === '-h' || first === 'help') {
    output.out(overview());
    return 0;
  }
  if (first === '--version' || first === '-v') {
    output.out(version());
    return 0;
  }
  if (!first) {
    output.err(overview());
    return 2;
  }
  const former = Object.hasOwn(renamed, first) ? renamed[first] : undefined;
  if (former) output.err(say(cliTexts, 'renamed-command', { before: first, name: former }).message);
  const name = former ?? names.find((one) => one === first);
  if (!name) {
    const meant = nearest(first, names);
    report(
      output,
      '',
      meant
        ? say(cliTexts, 'unknown-command/meant', { name: first, meant })
        : say(cliTexts, 'unknown-command', { name: first }),
    );
    return 2;
  }
  try {
    const { values, positionals } = argumentsOf(name, rest);
    if (values.help) {
      output.out(helpOf(name));
      return 0;
    }
    refuseSwallowed(name, values);
    const { needs }: CommandWords = commandWords[name];
    const missing = needs[positionals.length];
    if (missing !== undefined)
      throw new CallError(
        say(cliTexts, 'missing-argument', { command: name, needed: missing, usage: usageOf(name) }),
      );
    return commands[name].run(positionals, values, output);
  } catch (error) {
    if (!(error instanceof CallError)) throw error;
    report(output, '', error.said);
    return 2;
  }
}
