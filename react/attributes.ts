import type { OpenField } from '@arbeit/engine/field';
import { mayStand } from '@arbeit/engine/field';

/** HTML names that React spells another way. */
const spelling: Readonly<Record<string, string>> = {
  inputmode: 'inputMode',
  enterkeyhint: 'enterKeyHint',
  autocomplete: 'autoComplete',
  autocapitalize: 'autoCapitalize',
  autocorrect: 'autoCorrect',
  autofocus: 'autoFocus',
  spellcheck: 'spellCheck',
  readonly: 'readOnly',
  tabindex: 'tabIndex',
};

/** The attributes a definition asks for, as React props. `required` follows from the rules and is told to assistive technology. */
export function attributesOf(field: OpenField): Record<string, string | boolean> {
  const props: Record<string, string | boolean> = { type: 'text' };
  for (const [name, value] of Object.entries(field.html))
    if (mayStand(name, value)) props[spelling[name] ?? name] = value;
  if (field.placeholder) props.placeholder = field.placeholder;
  if (field.rules.some((rule) => rule.check.type === 'required' && rule.severity === 'error'))
    props['aria-required'] = true;
  return props;
}
