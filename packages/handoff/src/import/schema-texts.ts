import type { RuleDocument } from '@arbeit/engine/document';
import { wholeOf } from './anchors.ts';
import { count, drop, type Found, type SchemaReading } from './schema-parts.ts';
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
      readonly but?: string;
    }
  >
> = {
  date: { kind: 'date' },
  time: {
    kind: 'time',
    entry: { clock: 24, seconds: true },
    but: 'The UTC offset was not imported.',
  },
  email: { entry: { case: 'lower' }, form: forms.email },
  'idn-email': { entry: { case: 'lower' }, form: forms.email },
  uri: { form: forms.url },
  iri: { form: forms.url },
  uuid: { form: forms.uuid, but: 'Imported as lower-case text.' },
  'date-time': {
    form: forms['date-time'],
    but: 'Imported as a pattern (2027-02-14T16:00:00Z). The date is not checked.',
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
    drop(reading, at, known?.but ?? `The format “${format}” was not imported.`, 'format');
  const matched = typeof pattern === 'string' ? wholeOf(pattern) : undefined;
  if (known?.kind) {
    if (matched !== undefined)
      drop(reading, at, 'The expression was skipped, because the format is stricter.', 'pattern');
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
  if (matched) for (const why of told) drop(reading, at, why, 'pattern');
  // An expression and a format both apply.
  const also: RuleDocument[] =
    matched && known?.form ? [{ id: 'format', check: { type: 'matches', pattern: known.form } }] : [];
  return { ...made, rules: [...made.rules, ...also] };
}
