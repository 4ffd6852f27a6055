import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { apply, start } from '../field/apply.ts';
import type { HydratedField } from '../field/kind.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { propose } from '../kinds/pattern/propose.ts';
import type { Formatter } from './pasted.ts';

/** A definition that formats like a function, and how closely. */
export interface EquivalentConfig {
  readonly field: Pick<FieldDocument, 'kind' | 'entry'> & { readonly locale?: string };
  /** Number of texts with the same result, and of those that differ only in separators. */
  readonly agreed: number;
  readonly near: number;
  readonly of: number;
  /** A text with different results, and both results. */
  readonly apart?: { readonly text: string; readonly theirs: string; readonly ours: string };
}

type Definition = EquivalentConfig['field'];

/** Contents that formatters are made for. Each is tried at every length. */
const contents = ['07700900123456', '201555012398765432101234', '492912345678123498765432', '4929123456781234', '1402202712345678', '9087654321', '31122026', '500000', '1234567', 'AB12CD34EF', 'abcdefgh', 'RH1234AB']; // biome-ignore format: a list

const locales = ['en-GB', 'en-US', 'de-DE', 'fr-FR', 'de-CH', 'en-IN'] as const;
const homes = ['GB', 'US', 'FR', 'DE', 'ES', 'CH', 'IT', 'AU', 'NO', 'BR', 'IN', 'JP'] as const;

/** Definitions without formatting. The simplest that fits wins. */
const plain: readonly Definition[] = [
  { kind: 'text', entry: { case: 'upper' } },
  { kind: 'text', entry: { case: 'lower' } },
];

/** Definitions of every kind that formats. */
function* definitions(): Generator<Definition> {
  for (const locale of locales) {
    yield { kind: 'number', entry: {}, locale };
    yield { kind: 'number', entry: { decimals: { min: 0, max: 2 } }, locale };
    for (const currency of ['USD', 'EUR', 'GBP']) {
      yield { kind: 'currency', entry: { currency }, locale };
      yield { kind: 'currency', entry: { currency, fill: 'right' }, locale };
    }
    yield { kind: 'percent', entry: {}, locale };
  }
  for (const home of homes)
    for (const style of ['national', 'international'] as const)
      yield { kind: 'phone', entry: { home, style } };
  for (const order of ['dmy', 'mdy', 'ymd'] as const)
    for (const separator of ['/', '.', '-', ' ']) yield { kind: 'date', entry: { order, separator } };
}

/** Texts a function is tested with: each content at every length. */
const texts: readonly string[] = [
  ...new Set(contents.flatMap((content) => [...content].map((_, i, all) => all.slice(0, i + 1).join('')))),
];

/** The letters and digits of a text. */
const signs = (text: string): string => text.replace(/[^\p{L}\p{N}]/gu, '');

/** What a field shows after a text was typed. */
function shown(field: HydratedField, text: string): string {
  const empty = apply(field, start(field), { type: 'focus' });
  return [...text].reduce((state, c) => apply(field, state, { type: 'key', text: c }), empty).body.display;
}

/** Patterns made from the function's longest results, one per length where it stops. */
function patterns(answers: ReadonlyMap<string, string>): readonly Definition[] {
  const longest = contents.flatMap((content) => {
    const all = [...content].map((_, i, of) => answers.get(of.slice(0, i + 1).join('')) ?? '');
    // The text is complete where it stops growing.
    const end = all.findIndex((text, i) => text !== '' && all.slice(i).every((later) => later === text));
    return end >= 0 && end < all.length - 1 ? [all[end] ?? ''] : [];
  });
  // A text that stops because the rest is rejected is not complete.
  const most = Math.max(0, ...longest.map((text) => signs(text).length));
  const finished = [...new Set(longest)].filter((text) => signs(text).length === most);
  const wholes = [...new Set(contents.map((content) => answers.get(content) ?? ''))].filter(Boolean);
  return [finished, wholes, ...wholes.map((one) => [one])].flatMap((examples): readonly Definition[] => {
    if (examples.length === 0) return [];
    const proposed = propose(examples);
    if (!proposed.ok) return [];
    return proposed.proposals.flatMap(({ pattern }) =>
      ['behind', 'ahead'].map(
        (literals): Definition => ({ kind: 'pattern', entry: { pattern, literals } }) as Definition,
      ),
    );
  });
}

/** Shares of texts that must have the same result, or nearly the same. */
const least = { agreed: 0.5, near: 0.85 };

/**
 * The definition that formats like a function, found by its answers to many texts; `undefined` if none comes
 * near. Texts for which the function throws are ignored.
 *
 * @example
 * const found = equivalentConfig((text) => text.replace(/(\d{2})(?=\d)/g, '$1 '), kinds);
 */
export function equivalentConfig(format: Formatter, kinds: KindTable): EquivalentConfig | undefined {
  const answers = new Map<string, string>();
  for (const text of texts)
    try {
      const answer = format(text);
      if (typeof answer === 'string') answers.set(text, answer);
    } catch {
      // These texts show nothing.
    }
  // A function that adds nothing could be equivalent to any field.
  const told = [...answers].filter(([text, answer]) => answer !== text);
  if (told.length === 0) return undefined;
  let best: EquivalentConfig | undefined;
  for (const field of [...plain, ...patterns(answers), ...definitions()]) {
    const compiled = compiledOf(field, kinds);
    if (!compiled) continue;
    let [agreed, near] = [0, 0];
    let apart: EquivalentConfig['apart'];
    for (const [text, theirs] of answers) {
      const ours = shown(compiled, text);
      if (ours === theirs) agreed++;
      else {
        if (signs(ours) === signs(theirs)) near++;
        apart ??= { text, theirs, ours };
      }
    }
    if (best && agreed + near / 2 <= best.agreed + best.near / 2) continue;
    best = { field, agreed, near, of: answers.size, ...(apart ? { apart } : {}) };
  }
  const isNear =
    best && best.agreed >= best.of * least.agreed && best.agreed + best.near >= best.of * least.near;
  return isNear ? best : undefined;
}

/**
 * The compiled field of a definition; `undefined` if the definition has faults.
 *
 * @example
 * const field = compiledOf({ kind: 'pattern', entry: { pattern: 'RH-<4 digit>' } }, kinds);
 */
export function compiledOf(definition: Definition, kinds: KindTable): HydratedField | undefined {
  try {
    return compileField(
      { id: 'field', label: 'Field', ...definition } as FieldDocument,
      { locale: definition.locale ?? 'en-GB' },
      kinds,
    );
  } catch {
    return undefined;
  }
}
