import { capped, type DocumentResult, readDocument, type SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { findNodeAtLocation, type Node, type ParseError, parseTree, printParseErrorCode } from 'jsonc-parser';

/** A place in a text, both counted from 1. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

/** Reads the text of a document. JSON that does not parse, or has a key twice, is told by line and column. */
export function readDocumentText(text: string): DocumentResult {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, {
    disallowComments: true,
    allowTrailingComma: false,
    allowEmptyContent: false,
  });
  if (errors.length > 0 || !tree) {
    const faults = errors.map((error) => syntaxFault(text, error));
    // The first mistake makes the rest of the text look wrong: a line is told once.
    const first = faults.filter((fault, i) => faults.findIndex(({ line }) => line === fault.line) === i);
    return {
      ok: false,
      faults: capped(
        first.length ? first : [{ path: '$', line: 1, column: 1, message: 'There is no document here.' }],
      ),
    };
  }
  const twice = keysTwice(text, tree, '$');
  if (twice.length > 0) return { ok: false, faults: capped(twice) };
  return readDocument(JSON.parse(text), kinds);
}

const said: Readonly<Partial<Record<string, string>>> = {
  InvalidSymbol: 'This is no JSON: expected a value, such as a text in quotes.',
  InvalidNumberFormat: 'This is no number as JSON writes one.',
  PropertyNameExpected: 'Expected a name in quotes.',
  ValueExpected: 'Expected a value.',
  ColonExpected: 'Expected ":" between a name and its value.',
  CommaExpected: 'Expected "," between two entries.',
  CloseBraceExpected: 'Expected "}": this object is not closed.',
  CloseBracketExpected: 'Expected "]": this list is not closed.',
  EndOfFileExpected: 'Expected the end: the document is complete before this.',
  InvalidCommentToken: 'JSON has no comments: take this out.',
  UnexpectedEndOfComment: 'JSON has no comments: take this out.',
  UnexpectedEndOfString: 'This text is not closed: expected a quote.',
  UnexpectedEndOfNumber: 'This number is not complete.',
  InvalidUnicode: 'Expected four hexadecimal digits after "\\u".',
  InvalidEscapeCharacter: 'There is no such escape: a backslash is written "\\\\".',
  InvalidCharacter: 'This character must be escaped in a text.',
};

const syntaxFault = (text: string, { error, offset }: ParseError): DocumentFault => ({
  path: '$',
  ...placeAt(text, offset),
  message: said[printParseErrorCode(error)] ?? 'This is not JSON.',
});

/** Names that stand twice in one object: which of the two counts would be anybody's guess. */
function keysTwice(text: string, node: Node, path: string): DocumentFault[] {
  const faults: DocumentFault[] = [];
  const names = new Map<string, number>();
  for (const [i, child] of (node.children ?? []).entries()) {
    if (node.type !== 'object') {
      faults.push(...keysTwice(text, child, `${path}[${i}]`));
      continue;
    }
    const [key, value] = child.children!;
    const name = key!.value as string;
    const own = /^[A-Za-z_]\w*$/.test(name) ? `${path}.${name}` : `${path}[${JSON.stringify(name)}]`;
    const before = names.get(name);
    if (before === undefined) names.set(name, key!.offset);
    else {
      const { line } = placeAt(text, before);
      faults.push({
        path: own,
        ...placeAt(text, key!.offset),
        message: `"${name}" stands here a second time (first in line ${line}): take one of them out.`,
      });
    }
    if (value) faults.push(...keysTwice(text, value, own));
  }
  return faults;
}

function placeAt(text: string, offset: number): Place {
  const before = text.slice(0, offset).split(/\r\n|\n|\r/);
  return { line: before.length, column: [...before.at(-1)!].length + 1 };
}

/** Where in JSON text a path such as `$.fields[0].label` leads; its nearest parent if it is missing. */
export function placeIn(text: string, path: string): Place {
  const keys = [...path.matchAll(/\.([A-Za-z_]\w*)|\[(\d+)\]|\["((?:[^"\\]|\\.)*)"\]/g)].map((m) =>
    m[2] === undefined ? (m[1] ?? (JSON.parse(`"${m[3]!}"`) as string)) : Number(m[2]),
  );
  const tree = parseTree(text);
  for (let length = keys.length; tree && length >= 0; length--) {
    const node = findNodeAtLocation(tree, keys.slice(0, length));
    if (node) return placeAt(text, node.offset);
  }
  return { line: 1, column: 1 };
}

/** A document as the text of its file: the same document, the same text. */
export const documentText = (document: SetDocument): string => `${JSON.stringify(document, null, 2)}\n`;
