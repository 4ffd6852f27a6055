import type { HydratedField } from '@arbeit/engine/field';
import { fieldName, mayStand } from '@arbeit/engine/field';
import { isConcealed } from './secret.ts';

/** How the control of a field is drawn, as far as its attributes depend on it. */
interface Drawn {
  readonly lines?: number;
  readonly draw?: string;
}

/**
 * The HTML attributes of a field's control: an input, a text area, a `<select>`, or the element around radio
 * buttons or checkboxes, which has a role instead. `aria-required` follows from the rules.
 *
 * @example
 * const attributes = attributesOf(pass);
 */
export function attributesOf(field: HydratedField): Record<string, string | boolean> {
  const { lines = 1, draw } = field.plan as Drawn;
  const isPicked = field.kind.control === 'picks';
  const isGroup = isPicked && draw !== 'list';
  const attributes: Record<string, string | boolean> = {};
  if (isGroup) attributes.role = draw === 'tick' ? 'group' : 'radiogroup';
  // A concealed value is drawn as dots, and the browser neither suggests it nor stores it with the page.
  else if (!isPicked && lines === 1) attributes.type = isConcealed(field) ? 'password' : 'text';
  if (isConcealed(field)) attributes.autocomplete = 'off';
  for (const [name, value] of Object.entries(field.html)) if (mayStand(name, value)) attributes[name] = value;
  if (field.placeholder && !isPicked) attributes.placeholder = field.placeholder;
  const isRequired = field.rules.some(
    ({ check, severity }) => check.type === 'required' && severity === 'error',
  );
  if (isRequired && attributes.role !== 'group') attributes['aria-required'] = true;
  // Its buttons are disabled one by one.
  if (isGroup) delete attributes.disabled;
  return attributes;
}

/**
 * The same with the name under which the control is submitted. A group has none: its buttons have it.
 *
 * @example
 * const attributes = controlAttributesOf(pass);
 */
export function controlAttributesOf(field: HydratedField): Record<string, string | boolean> {
  const attributes = attributesOf(field);
  return attributes.role === undefined ? { ...attributes, name: fieldName(field) } : attributes;
}
