import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { apply, type FieldState, keysOf, start } from '@arbeit/engine/field';
import type { KindTable } from '@arbeit/engine/kinds';
import { finishedText } from './sample.ts';

/**
 * Distinguishes definitions whose finished texts look the same: the first state during typing in which they
 * differ, one text per definition, with a bar for the caret; if there is none, the text after leaving it
 * incomplete; otherwise the raw value. `undefined` if nothing differs.
 */
export function statesAlong(
  definitions: readonly FieldDocument[],
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): readonly string[] | undefined {
  const fields = definitions.map((field) => compileField({ ...field, rules: [] }, set, kinds));
  const [first] = fields;
  if (!first) return undefined;
  const { body } = first.kind.parse(first.plan, finishedText(first, kinds));
  const keys = keysOf(body.content);
  const begun = fields.map((field) => apply(field, start(field), { type: 'focus' }));
  const moments: (readonly FieldState[])[] = [begun];
  for (const key of keys) {
    const before = moments.at(-1) ?? begun;
    moments.push(fields.map((field, i) => apply(field, before[i] ?? start(field), key)));
  }
  const isTelling = (texts: readonly string[]): boolean => new Set(texts).size === texts.length;
  const typed = moments.map((states) => states.map(withCaret));
  // A longer part of the text: a single character says little.
  const halfway = [...typed.slice(2), ...typed.slice(0, 2)];
  const best = halfway.find(isTelling) ?? halfway.find((texts) => new Set(texts).size > 1);
  if (best) return best;
  for (const states of moments.slice(1)) {
    const left = states.map((state, i) => apply(fields[i] ?? first, state, { type: 'leave' }).body.display);
    if (new Set(left).size > 1) return left;
  }
  const raws = (moments.at(-1) ?? begun).map(({ body: last }, i) => {
    const field = fields[i] ?? first;
    return `raw ${field.kind.raw(field.plan, last)}`;
  });
  return new Set(raws).size > 1 ? raws : undefined;
}

const withCaret = ({ body, start: from }: FieldState): string =>
  `${body.display.slice(0, from)}|${body.display.slice(from)}`;
