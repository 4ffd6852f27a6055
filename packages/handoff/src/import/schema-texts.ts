import type { RuleDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { wholeOf } from './anchors.ts';
import { count, drop, type Found, type SchemaReading } from './schema-parts.ts';
import { importTexts } from './texts.ts';
import { forms, type WrittenColumn, writtenAs } from './written.ts';

/**
 * Texts of a known format (JSON Schema, "format"): a kind of its own or an expression, and what is not
 * imported.
 */
const formats: Readonly<
  Record<
    string,
    {
      readonly kind?: string;
      readonly entry?: object;
      readonly isText?: true;
      readonly form?: string;
      /** What of it is not imported: a code of `importTexts`. */
      readonly but?: 'utc-offset' | 'lower-case' | 'moment-unchecked';
    }
  >
> = {
  date: { kind: 'date' },
  time: {
    kind: 'time',
    entry: { clock: 24, seconds: true },
    but: 'utc-offset',
  },
  email: { entry: { case: 'lower' }, form: forms.email },
  'idn-email': { entry: { case: 'lower' }, form: forms.email },
  uri: { form: forms.url },
  iri: { form: forms.url },
  uuid: { form: forms.uuid, but: 'lower-case' },
  'date-time': {
    form: forms['date-time'],
    but: 'moment-unchecked',
  },
  ipv4: { form: forms.ipv4 },
  hostname: { form: forms.hostname },
  password: { entry: { conceal: true, trim: false }, isText: true },
};

/** A text of a schema as a field. */
export function writtenOf(reading: SchemaReading, at: Found): WrittenColumn {
  const { format, pattern, minLength, maxLength } = at.schema;
  const named = typeof format === 'string';
  const known = named && Object.hasOwn(formats, format) ? formats[format] : undefined;
  if (named && (!known || known.but))
    drop(
      reading,
      at,
      known?.but ? say(importTexts, known.but) : say(importTexts, 'format', { format }),
      'format',
    );
  const matched = typeof pattern === 'string' ? wholeOf(pattern) : undefined;
  if (known?.kind) {
    if (matched !== undefined) drop(reading, at, say(importTexts, 'expression-and-format'), 'pattern');
    return { kind: known.kind, entry: known.entry ?? {}, rules: [] };
  }
  const { told, ...made } = writtenAs(
    {
      expression: matched?.expression ?? known?.form,
      isAnywhere: matched?.isAnywhere,
      least: count(minLength),
      most: count(maxLength),
      entry: known?.entry,
      isText: known?.isText,
    },
    reading.patternOf,
  );
  // How a known format is checked need not be reported.
  if (matched) for (const said of told) drop(reading, at, said, 'pattern');
  // An expression and a format both apply.
  const also: RuleDocument[] =
    matched && known?.form ? [{ id: 'format', check: { type: 'matches', pattern: known.form } }] : [];
  return { ...made, rules: [...made.rules, ...also] };
}
