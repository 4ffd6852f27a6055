import type { OpenField } from '@arbeit/engine/field';
import { mayStand } from '@arbeit/engine/field';

/** The attributes a definition asks for, by their names in HTML. `required` follows from the rules and is told to assistive technology. */
export function attributesOf(field: OpenField): Record<string, string | boolean> {
  const attributes: Record<string, string | boolean> = { type: 'text' };
  for (const [name, value] of Object.entries(field.html)) if (mayStand(name, value)) attributes[name] = value;
  if (field.placeholder) attributes.placeholder = field.placeholder;
  if (field.rules.some((rule) => rule.check.type === 'required' && rule.severity === 'error'))
    attributes['aria-required'] = true;
  return attributes;
}
