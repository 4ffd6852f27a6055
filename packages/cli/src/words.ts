import type { Texts } from '@arbeit/engine/faults';
import { hands } from '@arbeit/engine/tape';
import { uses } from '@arbeit/handoff/emit';

/** The texts of a command in `--help`. */
export interface CommandWords {
  /** One sentence. */
  readonly about: string;
  readonly more?: string;
  /** What each exit code means. */
  readonly exits: Readonly<Record<string, string>>;
  /** Arguments that the command needs, in order. */
  readonly needs: readonly string[];
  /** Further arguments, as the usage line shows them. */
  readonly further?: string;
  readonly options: Readonly<Record<string, readonly [value: string, about: string]>>;
}

const document = '<document.arbeit.json>';
const unread = { 2: 'a file cannot be read, or the call is not valid' };
const data = ['<folder>', 'data folder (default: ARBEIT_DATA, or .data in the project)'] as const;

/** All texts about the commands, by command. */
export const commandWords = {
  backup: {
    about: 'Writes the whole store to one file.',
    more: 'The file contains all sets with their revisions and refused versions. Uses the store of DATABASE_URL, or the\ndata folder. Stop Arbeit first if it uses the data folder.',
    exits: { 0: 'the file is written', 2: 'the store cannot be opened, or the file cannot be written' },
    needs: ['<file>'],
    options: { data },
  },
  build: {
    about: 'Builds a self-contained folder with the code of the fields and forms.',
    more: 'The folder contains fields.js with types and a minimal runtime, adapters per framework, JSON Schemas, trials as\ntests and a README. The output is reproducible.',
    exits: { 0: 'the folder is written', 2: 'a file cannot be read, or the folder cannot be written' },
    needs: [document],
    further: '[tape]…',
    options: {
      out: ['<folder>', 'output folder (default: ./hand-off)'],
      for: ['<output>', `outputs to build: ${uses.join(', ')} (repeatable, default: all)`],
      language: ['<tag>', 'another language a page can change to (BCP 47, repeatable)'],
      prefix: ['<name>', 'what the names of elements begin with (default: arbeit)'],
    },
  },
  compare: {
    about: 'Compares the behaviour of two documents.',
    more: 'Lists added, removed and changed fields and forms, with the shortest tape that shows each change.',
    exits: { 0: 'the behaviour is the same', 1: 'the behaviour differs', ...unread },
    needs: ['<before.arbeit.json>', '<after.arbeit.json>'],
    options: { markdown: ['', 'print Markdown, for a pull request'] },
  },
  compile: {
    about: 'Writes the fields and forms of a document as the module fields.js, with types.',
    more: 'A page that imports one field loads only the kind of that field.',
    exits: { 0: 'the files are written', 2: 'a file cannot be read, or the folder cannot be written' },
    needs: [document],
    options: { out: ['<folder>', 'output folder (default: .)'] },
  },
  drive: {
    about: 'Types tapes into a real page in Chromium and compares every step.',
    more: 'With a document, the page must behave as the document defines. Without a document, the expectations of the tapes\nmust pass. With a document and no tapes, its trials are typed.',
    exits: {
      0: 'all tapes match',
      1: 'a tape does not match',
      2: 'a file, the page, a field or the browser is missing',
    },
    needs: ['<document.arbeit.json|tape>'],
    further: '… --url <page> --field <id>=<selector>…',
    options: {
      url: ['<page>', 'URL of the page'],
      field: ['<id>=<selector>', 'CSS selector of a field’s input, e.g. mobile=#mobile (repeatable)'],
      message: [
        '<id>=<selector>',
        'CSS selector of a field’s message, e.g. mobile=#mobile-message (repeatable)',
      ],
      hand: ['<hand>', `how text is entered: ${hands.join(', ')} (repeatable, default: keys)`],
      record: ['<path>', 'path that the page submits forms to, if tapes define the answer'],
      browser: ['<program>', 'path to Chromium (default: an installed one)'],
    },
  },
  import: {
    about: 'Writes the fields of an HTML page, a JSON Schema or a table (CSV) as a new document.',
    more: 'Prints the kind of each field, and what was not imported with its line. An existing file is not overwritten.',
    exits: {
      0: 'everything is imported',
      1: 'the document is written, but something was not imported',
      2: 'the file cannot be read, has no fields, or the document cannot be written',
    },
    needs: ['<file>'],
    options: {
      out: [document, 'document to write (default: the name of the file with .arbeit.json)'],
      format: ['<format>', 'html, schema or table (default: what the file looks like)'],
      locale: ['<locale>', 'locale of the cells of a table, e.g. de-CH (default: what they look like)'],
      title: ['<text>', 'title of the set'],
    },
  },
  laws: {
    about: 'Tests every field of a document against the field laws, using random tapes.',
    more: 'For each broken law, prints the shortest tape that shows it.',
    exits: {
      0: 'no law is broken',
      1: 'a law is broken',
      2: 'the document cannot be read, or has no such field',
    },
    needs: [document],
    options: {
      field: ['<id>', 'test only this field (repeatable)'],
      events: ['<count>', 'events per field (default: 100000 if --seconds is not given)'],
      seconds: ['<count>', 'time limit in seconds for all fields'],
      seed: ['<number>', 'random seed (default: 1); use it to reproduce a result'],
      threads: ['<count>', 'worker threads (default: number of cores)'],
    },
  },
  migrate: {
    about: 'Rewrites documents of an older version in the current version.',
    more: 'Each document is written to its own file. Only the values that differ are replaced.',
    exits: { 0: 'all documents have the current version', 2: 'a file cannot be read or written' },
    needs: [document],
    further: '…',
    options: { check: ['', 'write nothing; exit with 1 if a document has an older version'] },
  },
  play: {
    about: 'Plays tapes against a document.',
    exits: { 0: 'all expectations pass', 1: 'an expectation fails', ...unread },
    needs: [document, '<tape>'],
    further: '…',
    options: { json: ['', 'print one JSON object per action'] },
  },
  restore: {
    about: 'Restores a backup into the store.',
    more: 'The file is checked completely first. Either everything is restored or nothing.',
    exits: {
      0: 'the backup is restored',
      2: 'the file is damaged or not a backup, or the store has sets already',
    },
    needs: ['<file>'],
    options: { data, replace: ['', 'replace the sets in the store'] },
  },
  test: {
    about: 'Runs the trials of a document, and tapes.',
    exits: { 0: 'all trials pass', 1: 'a trial fails', 2: 'a file cannot be read, or no trials were found' },
    needs: [document],
    further: '[tape]…',
    options: {
      name: ['<text>', 'run only trials whose name or id contains this text (repeatable)'],
      json: ['', 'print one JSON object per trial'],
      junit: ['<file>', 'write a JUnit XML report to this file'],
      watch: ['', 'run again when a file changes'],
    },
  },
} as const satisfies Readonly<Record<string, CommandWords>>;

export type CommandName = keyof typeof commandWords;

/** Texts of the help of all commands. */
export const helpWords = {
  details: 'Run "arbeit <command> --help" for details.',
  helpOption: 'print this text',
  version: 'print the version',
};

/** Errors of the command line, by code. `docs/errors.md` lists them. */
export const cliTexts = {
  'unknown-command': 'Unknown command "{name}". Run "arbeit --help" to list the commands.',
  'unknown-command/meant':
    'Unknown command "{name}". Did you mean "{meant}"? Run "arbeit --help" to list the commands.',
  'unknown-option': 'Unknown option "{option}". Run "arbeit {command} --help" to list the options.',
  'unknown-option/meant':
    'Unknown option "{option}". Did you mean "--{meant}"? Run "arbeit {command} --help" to list the options.',
  'invalid-call': 'Invalid call: {reason}.',
  'missing-argument': 'arbeit {command}: {needed} is missing.\nUsage: {usage}',
  'missing-option': 'The option --{option} {value} is missing.',
  'option-takes-document':
    '--{option}: "{path}" is a document. Write the {value} after the option: --{option} {value} {path}',
  'not-a-count': '--{option}: expected a positive integer, found "{found}".',
  'renamed-command': '"arbeit {before}" is now "arbeit {name}". The old name works in this version only.',
  'no-file': 'No such file.',
  'not-a-file': 'This is a folder. Expected a file.',
  'cannot-read': 'The file cannot be read ({reason}).',
  'cannot-write': 'Cannot be written ({reason}).',
  'unknown-output': '--for: unknown output "{name}". Available: {known}.',
  'unknown-format': '--format: unknown format "{name}". Available: {known}.',
  'is-a-document': 'This is a document already. Open it in the studio, or use it as it is.',
  'nothing-to-import': 'No fields were found.',
  'cannot-import': 'The file cannot be read: {reason}',
  'file-exists': 'The file exists already. Name another one with --out, or delete it first.',
  'unknown-hand': '--hand: unknown hand "{name}". Available: {known}.',
  'unknown-field': 'The document has no field "{id}". Its fields are: {known}.',
  'not-a-pair': '--{option}: expected a field and a selector such as mobile=#mobile, found "{found}".',
  'no-selector': 'The option --field is missing for {fields}.',
  'no-answer-url': 'No rule of the document defines the URL for “answer”.',
  'no-record-path': 'The option --record is missing for “sent”.',
  'no-tapes': 'No tapes. Name one, or a document with trials.',
  'no-trials': 'The document has no trials.',
  'no-matching-trial': '--name: no trial matches. The trials are: {known}.',
  'no-fields': 'The document has no fields.',
  'no-expectations': 'The trial has no expectations.',
  'no-playwright':
    'arbeit drive needs playwright-core. Install it with “npm install --save-dev playwright-core”.',
  'no-browser': 'The browser {program} cannot be started ({reason}). Name another one with --browser.',
  'page-failed': 'The page failed: {reason}',
} as const satisfies Texts;
