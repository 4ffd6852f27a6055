import { say } from '@arbeit/engine/faults';
import { tooDeep } from '../document-text.ts';
import { jsonTexts } from '../texts.ts';

/** The format of a text to import. */
export type SourceFormat = 'document' | 'schema' | 'html' | 'table';

/** Detects the format of a text: JSON with or without a document's version, markup, or cells. */
export function sourceFormatOf(text: string): SourceFormat {
  const start = text.trimStart();
  if (start.startsWith('<')) return 'html';
  if (!/^[{[]/.test(start)) return /<(?:input|select|textarea|form)\b/i.test(text) ? 'html' : 'table';
  return /"arbeit"\s*:/.test(text) && !/"(?:\$schema|properties|x-arbeit)"\s*:/.test(text)
    ? 'document'
    : isSchema(text)
      ? 'schema'
      : 'document';
}

const isSchema = (text: string): boolean =>
  /"(?:\$schema|properties|\$defs|x-arbeit|openapi|swagger)"\s*:/.test(text);

/** Parses JSON text to an object; if that fails, the reason. */
export function objectIn(text: string): Readonly<Record<string, unknown>> | string {
  const deep = tooDeep(text);
  if (deep) return `Line ${deep.line}, column ${deep.column}: ${deep.message}`;
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? (value as Readonly<Record<string, unknown>>)
      : say(jsonTexts, 'not-an-object').message;
  } catch (error) {
    return say(jsonTexts, 'not-json-because', { reason: (error as Error).message }).message;
  }
}
