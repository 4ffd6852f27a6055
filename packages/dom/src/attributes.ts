import type { HydratedField } from '@arbeit/engine/field';
import { mayStand } from '@arbeit/engine/field';
import { isConcealed } from './secret.ts';

/**
 * The HTML attributes of a field's control. `aria-required` follows from the rules.
 *
 * @example
 * const attributes = attributesOf(pass);
 */
export function attributesOf(field: HydratedField): Record<string, string | boolean> {
  // A concealed value is drawn as dots, and the browser neither suggests it nor stores it with the page.
  const attributes: Record<string, string | boolean> = isConcealed(field)
    ? { type: 'password', autocomplete: 'off' }
    : { type: 'text' };
  for (const [name, value] of Object.entries(field.html)) if (mayStand(name, value)) attributes[name] = value;
  if (field.placeholder) attributes.placeholder = field.placeholder;
  if (field.rules.some((rule) => rule.check.type === 'required' && rule.severity === 'error'))
    attributes['aria-required'] = true;
  return attributes;
}

/**
 * The attributes of the element that a field is bound to, with its name: an input, a `<select>`, or the
 * element around radio buttons or checkboxes. That has a role, and none of the attributes of an input.
 *
 * @example
 * const attributes = controlAttributesOf(pass);
 */
export function controlAttributesOf(field: HydratedField): Record<string, string | boolean> {
  const all = attributesOf(field);
  if (field.kind.control !== 'picks') return { ...all, name: field.id };
  const { type: _, placeholder: __, ...attributes } = all;
  const { draw } = field.plan as { readonly draw?: unknown };
  if (draw === 'list') return { ...attributes, name: field.id };
  const { disabled: ___, 'aria-required': isRequired, ...others } = attributes;
  if (draw === 'tick') return { ...others, role: 'group' };
  return { ...others, role: 'radiogroup', ...(isRequired ? { 'aria-required': isRequired } : {}) };
}
