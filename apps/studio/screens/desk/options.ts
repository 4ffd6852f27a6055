import type { FieldDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { Cursor } from '@arbeit/engine/faults';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { Option as Described, Options, Text } from '@arbeit/engine/options';
import { readOptions } from '@arbeit/engine/options';
import type { Option } from '../../field/option.ts';
import { carriedAlong, editedHere } from '../../field/options.ts';
import { isMet } from '../../model/set-options.ts';
import * as texts from '../../words/desk/options.ts';

type Entry = Readonly<Record<string, unknown>>;

/** The options of a part of the specimen, from the descriptions of the kind. */
export function optionsFor(
  field: FieldDocument,
  part: string,
  kinds: KindTable,
  classes: readonly string[] = [],
): readonly Option[] {
  const entry: Entry = field.entry;
  const { options } = kindIn(kinds, field.kind).define;
  return Object.entries(options)
    .filter(([, { at, when }]) => at.includes(part) && (!when || isMet(options, entry, when)))
    .flatMap(([key, option]) => {
      const own =
        editedHere(field, key, option) ?? offered(key, option, entry[key], { options, entry, classes });
      // Shown once for an option with two inputs.
      return own.map((one, i): Option => (i === 0 && option.about ? { ...one, about: option.about } : one));
    });
}

/** The context of an option: the options of its kind, and the set's character classes. */
interface Among {
  readonly options: Options;
  readonly entry: Entry;
  readonly classes: readonly string[];
}

function offered(key: string, option: Described, value: unknown, among: Among): readonly Option[] {
  const { label } = option;
  switch (option.is) {
    case 'choice': {
      const { usual, choices, otherwise } = option;
      const unsaid = usual === undefined && otherwise ? [[undefined, otherwise] as const] : [];
      return [{ key, label, is: 'choice', usual, choices: [...unsaid, ...choices] }];
    }
    case 'whole': {
      const { min, max, usual } = option;
      return [{ key, label, is: 'number', min, max: option.offered ?? max, usual: usual ?? undefined }];
    }
    case 'bounds': {
      const { min, max } = option;
      const bound = { is: 'number', min, max: option.offered ?? max, usual: undefined } as const;
      return [
        { ...bound, key: `${key}.max`, label: texts.atMost(label) },
        { ...bound, key: `${key}.min`, label: texts.atLeast(label) },
      ];
    }
    case 'text':
      return [textOption(key, option, among.classes)];
    case 'picks':
      return [
        { key, label, is: 'picks', least: option.least, check: (offers) => problemWith(key, option, offers) },
      ];
    case 'list': {
      if (option.of.is === 'text') return severalOf(key, option, option.of.among, among);
      if (option.of.is !== 'choice') return [];
      const single = option.of.choices.map(([value, words]) => [[value], words] as const);
      const choices: (readonly [value: unknown, words: string])[] = [[[], 'any'], ...single];
      // An imported list that is none of the choices is kept as another choice.
      if (Array.isArray(value) && !choices.some(([one]) => isSame(one, value)))
        choices.push([value, value.join(', ')]);
      return [{ key, label, is: 'choice', usual: option.usual, choices }];
    }
  }
}

/** Any of many values, or all of them; their labels are those of the option that offers them. */
function severalOf(
  key: string,
  { label, any, usual }: Extract<Described, { is: 'list' }>,
  values: Text['among'],
  { options, entry }: Among,
): readonly Option[] {
  const found = Object.entries(options).find(([, one]) => one.is === 'text' && one.among === values);
  if (!found) return [];
  const [name, named] = found as [string, Text];
  const offers = named.offers?.() ?? [];
  // A list of its own begins with the value that the option beside it has.
  const own = offers.find(([value]) => value === entry[name]) ?? offers[0];
  return own && any ? [{ key, label, is: 'several', offers, any, first: own[0], usual }] : [];
}

/** Texts with labels are a choice; other texts are an input, with a placeholder. */
function textOption(key: string, option: Text, classes: readonly string[]): Option {
  const { label, otherwise } = option;
  if (option.isCode) return { key, label, is: 'code', check: (code) => problemWith(key, option, code) };
  const offers = option.offers?.() ?? [];
  if (offers.length && offers.every(([, words]) => words !== ''))
    return {
      key,
      label,
      is: 'choice',
      usual: undefined,
      choices: option.needed ? offers : [[undefined, otherwise ?? texts.nothing], ...offers],
    };
  return {
    key,
    label,
    is: 'text',
    usual: option.usual ?? (option.needed ? (option.suggestion ?? '') : ''),
    suggestions: offers.map(([text]) => text),
    check: (text) => (text === '' && !option.needed ? null : problemWith(key, option, text, classes)),
  };
}

/** What the reader would report about a value of that option, in one sentence. */
function problemWith(
  key: string,
  option: Described,
  value: unknown,
  classes: readonly string[] = [],
): string | null {
  const faults: DocumentFault[] = [];
  readOptions(new Cursor({ [key]: value }, '$', faults), { [key]: option }, { classes });
  return faults[0]?.message ?? null;
}

/** The value of an option, or its default. */
export function chosen(field: FieldDocument, option: Option): unknown {
  const [key, member] = option.key.split('.') as [string, string?];
  const value = (field.entry as Entry)[key];
  const found = member ? (value as Entry | undefined)?.[member] : value;
  return found === undefined ? option.usual : found;
}

export const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * The field with an option set. A default value is left out, so that documents contain nothing superfluous.
 */
export function withOption(
  field: FieldDocument,
  option: Option,
  value: unknown,
  kinds: KindTable,
): FieldDocument {
  const [key, member] = option.key.split('.') as [string, string?];
  const described = kindIn(kinds, field.kind).define.options[key];
  const entry: Record<string, unknown> = { ...field.entry };
  const isUsual = isSame(value, option.usual) || (option.is === 'text' && value === '');
  const next = !described?.needed && isUsual ? undefined : value;
  if (member) {
    const inner: Record<string, unknown> = { ...(entry[key] as Entry | undefined) };
    if (next === undefined) delete inner[member];
    else inner[member] = next;
    // The maximum is never below the minimum, and the minimum never above the maximum.
    if (typeof inner.min === 'number' && typeof inner.max === 'number' && inner.min > inner.max)
      inner[member === 'min' ? 'max' : 'min'] = next;
    if (Object.keys(inner).length) entry[key] = inner;
    else delete entry[key];
  } else if (next === undefined) delete entry[key];
  else entry[key] = next;
  return { ...field, entry: settled(field, carriedAlong(field, entry), key, kinds) } as FieldDocument;
}

/** What the kind reports about an option with a value, together with the other options; `null` if nothing. */
export function problemOf(
  field: FieldDocument,
  option: Option,
  value: unknown,
  kinds: KindTable,
): string | null {
  const faults: DocumentFault[] = [];
  const { entry } = withOption(field, option, value, kinds);
  kindIn(kinds, field.kind).define.check?.(new Cursor(entry, '$', faults));
  return faults[0]?.message ?? null;
}

/** The entry without options that conflict with the one that was set. */
function settled(
  field: FieldDocument,
  entry: Record<string, unknown>,
  set: string,
  kinds: KindTable,
): Record<string, unknown> {
  const faults: DocumentFault[] = [];
  kindIn(kinds, field.kind).define.check?.(new Cursor(entry, '$', faults));
  const rest = { ...entry };
  for (const { path } of faults) {
    const key = path.slice(2);
    if (key !== set) delete rest[key];
  }
  return rest;
}
