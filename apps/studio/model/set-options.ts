import type { FieldDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { Option, Options } from '@arbeit/engine/options';
import * as words from '../words/model/set-options.ts';

/** An option of a field, in words. */
export interface NamedOption {
  /** Its name in the entry. */
  readonly key: string;
  readonly label: string;
  /** Its value; `undefined` while it has its default. */
  readonly value: string | undefined;
  /** The parts of the specimen it is set at. */
  readonly at: readonly string[];
}

/** Whether an option has the value that another one requires. */
export function isMet(
  options: Options,
  entry: Readonly<Record<string, unknown>>,
  { option, is }: NonNullable<Option['when']>,
): boolean {
  const described = options[option];
  return (entry[option] ?? (described && 'usual' in described ? described.usual : undefined)) === is;
}

/** The options of a field that have an effect, with those values that differ from the default. */
export function namedOptions(field: FieldDocument, kinds: KindTable): readonly NamedOption[] {
  const { options } = kindIn(kinds, field.kind).define;
  const entry = field.entry as Readonly<Record<string, unknown>>;
  return Object.entries(options)
    .filter(([, { when }]) => !when || isMet(options, entry, when))
    .map(([key, option]) => ({
      key,
      label: option.label.replace(/^./, (first) => first.toUpperCase()),
      value: valueInWords(option, entry[key]),
      at: option.at,
    }));
}

/** A value of an option as a person reads it; `undefined` for its default, and for code. */
function valueInWords(option: Option, value: unknown): string | undefined {
  const usual = 'usual' in option ? option.usual : undefined;
  if (value === undefined || JSON.stringify(value) === JSON.stringify(usual)) return undefined;
  const known = option.is === 'choice' ? option.choices.find(([own]) => own === value) : undefined;
  const text = known?.[1] ?? inText(value);
  return text.includes('\n') ? undefined : text;
}

function inText(value: unknown): string {
  if (typeof value === 'boolean') return value ? words.yesInOptions : words.noInOptions;
  if (Array.isArray(value)) return value.map(inText).join(', ');
  if (typeof value !== 'object' || value === null) return String(value);
  const { label, ...rest } = value as { readonly label?: unknown };
  if (typeof label === 'string') return label;
  return Object.entries(rest)
    .map(([name, one]) => `${name} ${inText(one)}`)
    .join(', ');
}
