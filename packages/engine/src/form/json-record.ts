import type { Values } from './sending.ts';

/**
 * How JSON spells the values of a field, if not as texts. `lines`: a list of values that have spaces, so that
 * line breaks separate them.
 */
export type JsonType = 'boolean' | 'number' | 'list' | 'lines';

/** A decimal as JavaScript writes it: without zeros that say nothing. */
const shortest = (decimal: string): string =>
  decimal.includes('.') ? decimal.replace(/\.?0+$/, '') : decimal;

/**
 * A decimal as a JSON number if it comes back as the same decimal (ECMAScript, Number::toString), or as the
 * text that it is: a number with more digits than a double holds would change on its way.
 */
function numberOf(decimal: string): number | string {
  const number = Number(decimal);
  return String(number) === shortest(decimal) ? number : decimal;
}

function jsonOf(value: string, type: JsonType | undefined): boolean | number | string | readonly string[] {
  if (type === 'boolean' && (value === 'yes' || value === 'no')) return value === 'yes';
  if (type === 'list' || type === 'lines') return value.split(type === 'list' ? ' ' : '\n');
  return type === 'number' ? numberOf(value) : value;
}

/**
 * The values of a record as JSON spells them, by name of the field: `true` and `false` for yes and no, lists
 * of choices, numbers where the decimal survives exactly. Everything else stays a text. An empty list is
 * `[]`, any other empty field `null`; a field that does not count is missing. A server reads both spellings.
 *
 * @example
 * jsonRecord({ dog: 'boolean', price: 'number' }, { dog: 'yes', price: '20.50', name: 'Biscuit' });
 * // { dog: true, price: 20.5, name: 'Biscuit' }
 */
export function jsonRecord<J>(types: Readonly<Record<string, JsonType>>, values: Values): J {
  const all = Object.entries(values).flatMap(([name, value]) => {
    if (value === undefined) return [];
    const type = Object.hasOwn(types, name) ? types[name] : undefined;
    return [
      [
        name,
        value === null ? (type === 'list' || type === 'lines' ? [] : null) : jsonOf(value, type),
      ] as const,
    ];
  });
  // The declaration of a hand-off knows the names and types of its values.
  return Object.fromEntries(all) as J;
}
