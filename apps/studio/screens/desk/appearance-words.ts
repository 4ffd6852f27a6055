import type { FieldDocument } from '@arbeit/engine/document';
import * as words from '../../words/desk/appearance-words.ts';

export type Appearance = NonNullable<FieldDocument['look']>;

export const labels = { above: words.above, beside: words.besideIt, inside: words.floating } as const;
export const sizes = { small: words.small, medium: words.medium, large: words.large } as const;

/** The appearance of a field, in words. */
export function appearanceInWords(look: Appearance = {}): string {
  const { label, size, before, behind, width, icon } = look;
  const said = [
    ...(label && label !== 'above' ? [words.labelWithLabel(labels[label])] : []),
    ...(size && size !== 'medium' ? [sizes[size]] : []),
    ...(width ? [words.widthCharactersWithWidth(width)] : []),
    ...(icon ? [words.icon] : []),
    ...(before ? [words.prefixWithBefore(before)] : []),
    ...(behind ? [words.suffixWithBehind(behind)] : []),
  ];
  return said.join(', ') || words.defaultAppearance;
}

/** The definition with one option of its appearance set; defaults and empty values are left out. */
export function withAppearance<K extends keyof Appearance>(
  field: FieldDocument,
  name: K,
  value: Appearance[K] | undefined,
): FieldDocument {
  const isUsual = value === undefined || value === '' || value === 'above' || value === 'medium';
  const { [name]: _, ...rest } = field.look ?? {};
  const look = isUsual ? rest : { ...rest, [name]: value };
  const { look: __, ...bare } = field;
  return (Object.keys(look).length ? { ...bare, look } : bare) as FieldDocument;
}
