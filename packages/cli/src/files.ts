import { readFileSync } from 'node:fs';
import type { SetDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { placesIn, readDocumentText } from '@arbeit/handoff';
import { parseCode } from '@arbeit/handoff/emit';
import { type Output, report } from './report.ts';
import { cliTexts } from './words.ts';

/** The document of a file; `undefined` after reporting all its faults with their places. */
export function loadDocument(path: string, output: Output): SetDocument | undefined {
  const text = load(path, output);
  if (text === undefined) return undefined;
  const result = readDocumentText(text, { parseCode });
  if (result.ok) return result.document;
  const placeOf = placesIn(text);
  for (const fault of result.faults) {
    const place = placeOf(fault.path);
    const line = fault.line ?? place.line;
    const column = fault.line === undefined ? place.column : fault.column;
    const inside =
      fault.line === undefined && fault.column !== undefined ? `, column ${fault.column} of the text` : '';
    const hint = fault.suggestion === undefined ? '' : ` (did you mean ${fault.suggestion}?)`;
    report(output, `${path}:${line}:${column}`, {
      code: fault.code,
      message: `${fault.path}${inside}: ${fault.message}${hint}`,
    });
  }
  return undefined;
}

/** The text of a file; `undefined` after reporting that it cannot be read. */
export function load(path: string, output: Output): string | undefined {
  try {
    return readFileSync(path, 'utf8').replace(/^\ufeff/, '');
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    const said =
      code === 'ENOENT'
        ? say(cliTexts, 'no-file')
        : code === 'EISDIR'
          ? say(cliTexts, 'not-a-file')
          : say(cliTexts, 'cannot-read', { reason: String(code) });
    report(output, `${path}:1:1`, said);
    return undefined;
  }
}
