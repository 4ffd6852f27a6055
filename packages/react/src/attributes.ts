import { attributesOf as inHtml } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';

/** HTML attribute names that React spells differently. */
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

/** The attributes of a field's control as React props. */
export const attributesOf = (field: HydratedField): Record<string, string | boolean> =>
  Object.fromEntries(Object.entries(inHtml(field)).map(([name, value]) => [spelling[name] ?? name, value]));
