import { type Cursor, nameOf } from '../faults/cursor.ts';
import { most } from '../faults/limits.ts';
import { type Said, say } from '../faults/say.ts';
import { documentTexts } from '../faults/texts.ts';
import {
  type CheckOptions,
  type List,
  type ListItem,
  type Option,
  type Options,
  pickForm,
  type Surroundings,
  type Text,
} from './option.ts';

/**
 * Checks an entry against its options. Reports one fault per mistake at its place.
 *
 * @example
 * const faults: DocumentFault[] = [];
 * readOptions(new Cursor({ most: 70 }, '$', faults), kinds.text.define.options, { classes: [] });
 */
export function readOptions(at: Cursor, options: Options, around: Surroundings): void {
  const needed = Object.keys(options).filter((key) => options[key]!.needed);
  if (!at.object(Object.keys(options), needed)) return;
  readMembers(at, options, around);
}

/** Checks the members of an object. Limits are read by the caller, who knows the kind. */
export function readMembers(at: Cursor, options: CheckOptions, around: Surroundings): void {
  for (const [key, option] of Object.entries(options))
    if (at.has(key) && option.is !== 'limit') readOption(at.get(key), option, around);
}

function readOption(at: Cursor, option: Option, around: Surroundings): void {
  switch (option.is) {
    case 'choice':
      readChoice(at, option.choices);
      return;
    case 'whole':
      at.wholeFrom(option.min, option.max);
      return;
    case 'text':
      if (option.orList !== undefined && Array.isArray(at.value)) {
        for (const item of at.items(option.orList)) readText(item, option, around);
        if (at.isEmpty) at.fault(say(documentTexts, 'list-empty'), { suggestion: option.suggestion });
      } else readText(at, option, around);
      return;
    case 'bounds': {
      if (!at.object(['min', 'max'], [])) return;
      for (const key of ['min', 'max']) if (at.has(key)) at.get(key).wholeFrom(option.min, option.max);
      const { min = 0, max } = at.value as { min?: unknown; max?: unknown };
      if (typeof min === 'number' && typeof max === 'number' && max < min)
        at.get('max').fault(say(documentTexts, 'max-below-min', { min }), { suggestion: String(min) });
      return;
    }
    case 'picks':
      readPicks(at, option.least);
      return;
    case 'list': {
      if (option.any !== undefined && at.value === option.any) return;
      const items = at.items(option.most);
      for (const item of items) readItem(item, option.of);
      if (at.size !== undefined && at.size < option.least) {
        at.fault(tooShort(option), { suggestion: option.any });
      }
    }
  }
}

const tooShort = ({ least, any }: List): Said => {
  if (least > 1) return say(documentTexts, 'list-too-short', { least });
  return any === undefined
    ? say(documentTexts, 'list-empty')
    : say(documentTexts, 'list-empty/or-word', { word: any });
};

/** The code of a text that is not in the form of its option, which says itself what it expected. */
const invalid = 'invalid-option';

function readPicks(at: Cursor, least: number): void {
  const items = at.items();
  const seen = { value: new Set<unknown>(), label: new Set<unknown>() };
  for (const item of items) {
    if (!item.object(['value', 'label'], ['value', 'label'])) continue;
    for (const key of ['value', 'label'] as const) {
      const spot = item.get(key);
      const text = item.has(key) ? spot.string() : undefined;
      if (text === undefined) continue;
      if (!new RegExp(pickForm[key], 'u').test(text))
        spot.fault(
          key === 'value'
            ? say(documentTexts, 'invalid-offer-value')
            : say(documentTexts, 'invalid-offer-label'),
          key === 'value'
            ? { suggestion: text.trim().replace(/\s+/gu, ' ').slice(0, 100).trim() || undefined }
            : {},
        );
      else if (seen[key].has(text))
        spot.fault(say(documentTexts, key === 'value' ? 'duplicate-offer-value' : 'duplicate-offer-label'));
      seen[key].add(text);
    }
  }
  if (at.size !== undefined && at.size < least) at.fault(say(documentTexts, 'list-too-short', { least }));
  for (const item of items) readAmbiguous(item, seen.value);
}

/** Reports words that read like values of other choices: a text pasted or set would mean those. */
function readAmbiguous(item: Cursor, values: ReadonlySet<unknown>): void {
  const { value, label } = (item.value ?? {}) as { value?: unknown; label?: unknown };
  if (typeof label !== 'string' || label.trim() === '' || label.trim() === value) return;
  const words = label.trim().split(/\s+/u);
  if (values.has(label.trim()) || words.every((word) => values.has(word)))
    item.get('label').fault(say(documentTexts, 'ambiguous-offer-label'));
}

function readChoice(at: Cursor, choices: readonly (readonly [value: unknown, words: string])[]): void {
  const values = choices.map(([value]) => value);
  if (values.every((value) => typeof value === 'string')) at.oneOf(values);
  else if (!values.some((value) => JSON.stringify(value) === JSON.stringify(at.value))) {
    const all = values.map((value) => JSON.stringify(value).replaceAll(',', ', '));
    const said = `${all.slice(0, -1).join(', ')} or ${all.at(-1)}`;
    at.fault(say(documentTexts, 'not-one-of', { known: said, found: nameOf(at.value) }), {
      suggestion: all.at(-1),
    });
  }
}

function readItem(at: Cursor, item: ListItem): void {
  if (item.is === 'whole') at.wholeFrom(item.min, item.max);
  else if (item.is === 'choice') readChoice(at, item.choices);
  else readForm(at, item);
}

function readText(at: Cursor, option: Text, around: Surroundings): void {
  const text = readForm(at, option);
  if (text === undefined) return;
  for (const { code = invalid, message, column, suggestion } of option.check?.(text, around) ?? [])
    at.fault({ code, message }, { column, suggestion });
}

/** Reads a text and checks its syntax. */
function readForm(
  at: Cursor,
  { among, form, expected, suggestion, isCode }: Omit<Text, 'label' | 'at'>,
): string | undefined {
  const text = at.string(isCode ? most.code : most.characters);
  if (text === undefined) return undefined;
  const known = among?.();
  if (known ? known.includes(text) : form === undefined || new RegExp(form, 'u').test(text)) return text;
  const meant = known?.includes(text.toUpperCase()) ? text.toUpperCase() : suggestion;
  const shown = text.length > 40 ? `${text.slice(0, 40)}…` : text;
  const said = expected
    ? { code: invalid, message: expected.replace('{}', shown) }
    : say(documentTexts, invalid, { found: JSON.stringify(shown) });
  at.fault(said, { suggestion: meant });
  return undefined;
}
