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
