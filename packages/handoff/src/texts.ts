import type { Texts } from '@arbeit/engine/faults';

/** Errors in the JSON of a document, by code. `docs/errors.md` lists them. */
export const jsonTexts = {
  'no-json': 'The document is empty.',
  'not-json': 'Invalid JSON.',
  'not-json-because': 'Invalid JSON: {reason}',
  'not-an-object': 'Expected a JSON object.',
  'duplicate-property': 'Duplicate property "{name}" (first on line {line}). Remove one.',
  'json-value': 'Invalid JSON. Expected a value, such as a text in double quotes.',
  'json-number': 'Invalid number.',
  'json-name': 'Expected a property name in double quotes.',
  'json-colon': 'Expected ":" between a name and its value.',
  'json-comma': 'Expected "," between two entries.',
  'json-brace': 'Expected "}". This object is not closed.',
  'json-bracket': 'Expected "]". This list is not closed.',
  'json-end': 'Expected the end of the document. It is already complete before this.',
  'json-comment': 'JSON cannot contain comments. Remove this one.',
  'json-quote': 'This text is not closed. Expected a double quote.',
  'json-unicode': 'Expected four hexadecimal digits after "\\u".',
  'json-escape': 'Invalid escape sequence. Write a backslash as "\\\\".',
  'json-control': 'This character must be escaped in a text.',
} as const satisfies Texts;

/** Why a folder cannot be handed off, by code. `docs/errors.md` lists them. */
export const buildTexts = {
  'foreign-check':
    'The check "{name}" is not part of Arbeit, so it cannot be handed off. Replace it by a custom check.',
  'foreign-kind': 'The kind "{name}" is not part of Arbeit, so it cannot be handed off.',
  'code-syntax': 'The custom code has a syntax error (line {line}, column {column} of the code): {message}.',
  'code-differs': '{name} behaves differently in the hand-off and in the sandbox, for {about}.',
  'foreign-package': '"{name}" is not a package of Arbeit.',
  'tape-twice': 'Two tapes are called {name}. Rename one.',
  'tape-name': 'The name of a tape must end in .tape, found {name}.',
  'no-language': '{tag} is not a language tag (BCP 47). Write for example de or fr-CH.',
  'no-prefix':
    '{prefix} cannot begin the name of an element. Use lower-case letters and digits, beginning with a letter.',
  'not-built': '{file} is missing. Build the packages first.',
  'export-twice': '{one} and {other} would both be exported as {name}. Change one of the ids.',
} as const satisfies Texts;

export type JsonSyntaxCode = keyof typeof jsonTexts & ('not-json' | `json-${string}`);
