import type { FieldDocument } from '@arbeit/engine/document';

export type Appearance = NonNullable<FieldDocument['look']>;

export const labels = { above: 'above', beside: 'beside it', inside: 'floating' } as const;
export const sizes = { small: 'small', medium: 'medium', large: 'large' } as const;

/** The appearance of a field, in words. */
export function appearanceInWords(look: Appearance = {}): string {
  const { label, size, before, behind, width, icon } = look;
  const said = [
    ...(label && label !== 'above' ? [`label ${labels[label]}`] : []),
    ...(size && size !== 'medium' ? [sizes[size]] : []),
    ...(width ? [`width ${width} characters`] : []),
    ...(icon ? ['icon'] : []),
    ...(before ? [`prefix “${before}”`] : []),
    ...(behind ? [`suffix “${behind}”`] : []),
  ];
  return said.join(', ') || 'default';
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
