import {
  capped,
  type DocumentResult,
  migrationsOf,
  mostDeep,
  type ReadOptions,
  readDocument,
  type SetDocument,
} from '@arbeit/engine/document';
import { type DocumentFault, documentTexts, say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import {
  applyEdits,
  createScanner,
  findNodeAtLocation,
  modify,
  type Node,
  type ParseError,
  parseTree,
  printParseErrorCode,
} from 'jsonc-parser';
import { type JsonSyntaxCode, jsonTexts } from './texts.ts';

/** A place in a text; line and column are 1-based. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

/**
 * The fault of a text whose JSON is nested too deeply; `undefined` otherwise.
 *
 * @example
 * tooDeep('{}'); // undefined
 */
export function tooDeep(text: string): DocumentFault | undefined {
  // With fewer brackets no scan is needed.
  if ((text.match(/[[{]/g)?.length ?? 0) <= mostDeep) return undefined;
  const scanner = createScanner(text, true);
  let depth = 0;
  while (scanner.getPosition() < text.length) {
    scanner.scan();
    // A bracket inside a string is not a token.
    const sign = text[scanner.getTokenOffset()] ?? '';
    if (sign === '[' || sign === '{') depth++;
    else if (sign === ']' || sign === '}') depth--;
    if (depth > mostDeep)
      return {
        path: '$',
        ...placesAt(text)(scanner.getTokenOffset()),
        ...say(documentTexts, 'too-deep', { most: mostDeep }),
      };
  }
  return undefined;
}

/**
 * Reads the text of a document. JSON that does not parse, or that has a key twice, is reported by line and
 * column.
 *
 * @example
 * const read = readDocumentText('{ "arbeit": 2 }');
 */
export function readDocumentText(text: string, options: ReadOptions = {}): DocumentResult {
  const deep = tooDeep(text);
  if (deep) return { ok: false, faults: [deep] };
  const placeAt = placesAt(text);
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, {
    disallowComments: true,
    allowTrailingComma: false,
    allowEmptyContent: false,
  });
  if (errors.length > 0 || !tree) {
    const faults = errors.map((error) => syntaxFault(placeAt, error));
    // The first mistake makes the rest look wrong, so each line is reported once.
    const first = faults.filter((fault, i) => faults.findIndex(({ line }) => line === fault.line) === i);
    return {
      ok: false,
      faults: capped(
        first.length ? first : [{ path: '$', line: 1, column: 1, ...say(jsonTexts, 'no-json') }],
      ),
    };
  }
  const twice = keysTwice(placeAt, tree, '$');
  if (twice.length > 0) return { ok: false, faults: capped(twice) };
  return readDocument(JSON.parse(text), kinds, options);
}

/** Our codes for those of the parser. */
const codes: Readonly<Partial<Record<string, JsonSyntaxCode>>> = {
  InvalidSymbol: 'json-value',
  InvalidNumberFormat: 'json-number',
  PropertyNameExpected: 'json-name',
  ValueExpected: 'json-value',
  ColonExpected: 'json-colon',
  CommaExpected: 'json-comma',
  CloseBraceExpected: 'json-brace',
  CloseBracketExpected: 'json-bracket',
  EndOfFileExpected: 'json-end',
  InvalidCommentToken: 'json-comment',
  UnexpectedEndOfComment: 'json-comment',
  UnexpectedEndOfString: 'json-quote',
  UnexpectedEndOfNumber: 'json-number',
  InvalidUnicode: 'json-unicode',
  InvalidEscapeCharacter: 'json-escape',
  InvalidCharacter: 'json-control',
};

const syntaxFault = (placeAt: PlaceAt, { error, offset }: ParseError): DocumentFault => ({
  path: '$',
  ...placeAt(offset),
  ...say(jsonTexts, codes[printParseErrorCode(error)] ?? 'not-json'),
});

/** Reports names that occur twice in one object: it is unclear which of the two counts. */
function keysTwice(placeAt: PlaceAt, node: Node, path: string): DocumentFault[] {
  const faults: DocumentFault[] = [];
  const names = new Map<string, number>();
  for (const [i, child] of (node.children ?? []).entries()) {
    if (node.type !== 'object') {
      faults.push(...keysTwice(placeAt, child, `${path}[${i}]`));
      continue;
    }
    const [key, value] = child.children!;
    const name = key!.value as string;
    const own = /^[A-Za-z_]\w*$/.test(name) ? `${path}.${name}` : `${path}[${JSON.stringify(name)}]`;
    const before = names.get(name);
    if (before === undefined) names.set(name, key!.offset);
    else {
      const { line } = placeAt(before);
      faults.push({
        path: own,
        ...placeAt(key!.offset),
        ...say(jsonTexts, 'duplicate-property', { name, line }),
      });
    }
    if (value) faults.push(...keysTwice(placeAt, value, own));
  }
  return faults;
}

type PlaceAt = (offset: number) => Place;

/** How many of some ascending numbers are at most `most`. */
function upTo(numbers: readonly number[], most: number): number {
  let [from, to] = [0, numbers.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((numbers[middle] ?? 0) <= most) from = middle + 1;
    else to = middle;
  }
  return from;
}

/**
 * Returns a function from offsets in a text to places. The text is read once; each place is a look-up,
 * however long its line is.
 */
function placesAt(text: string): PlaceAt {
  const starts = [0];
  for (const { index, 0: end } of text.matchAll(/\r\n|\n|\r/g)) starts.push(index + end.length);
  // Characters of two UTF-16 units count as one column.
  const wide = Array.from(text.matchAll(/[\u{10000}-\u{10ffff}]/gu), ({ index }) => index);
  return (offset) => {
    const line = upTo(starts, offset);
    const start = starts[line - 1] ?? 0;
    return { line, column: offset - start - (upTo(wide, offset - 1) - upTo(wide, start - 1)) + 1 };
  };
}

/**
 * A function that returns the line and column of a JSON path such as `$.fields[0].label`, or of its nearest
 * parent. The text is parsed once.
 *
 * @example
 * const { line, column } = placesIn('{ "title": "Huts" }')('$.title');
 */
export function placesIn(text: string): (path: string) => Place {
  const tree = tooDeep(text) ? undefined : parseTree(text);
  const placeAt = placesAt(text);
  return (path) => {
    const keys = [...path.matchAll(/\.([A-Za-z_]\w*)|\[(\d+)\]|\["((?:[^"\\]|\\.)*)"\]/g)].map((m) =>
      m[2] === undefined ? (m[1] ?? (JSON.parse(`"${m[3]!}"`) as string)) : Number(m[2]),
    );
    for (let length = keys.length; tree && length >= 0; length--) {
      const node = findNodeAtLocation(tree, keys.slice(0, length));
      if (node) return placeAt(node.offset);
    }
    return { line: 1, column: 1 };
  };
}

/**
 * A document as the text of its file. The same document gives the same text.
 *
 * @example
 * const fileText: string = documentText(set);
 */
export const documentText = (document: SetDocument): string => `${JSON.stringify(document, null, 2)}\n`;

/**
 * The text of a document in the current version. Only the values that change are replaced, so indentation and
 * the order of members stay. Returns the same text if there is nothing to migrate. Throws `SyntaxError` if
 * the text is not JSON.
 *
 * @example
 * migratedText('{ "arbeit": 1, "title": "Huts", "locale": "en-GB", "fields": [] }');
 */
export const migratedText = (text: string): string =>
  applyEdits(
    text,
    migrationsOf(JSON.parse(text)).flatMap(({ path, value }) => modify(text, [...path], value, {})),
  );
