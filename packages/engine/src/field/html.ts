/**
 * The HTML attributes a definition may put on its input (HTML, `autofill`, `inputmode`; WAI-ARIA). Everything else is
 * the page's or the binding's own: names, handlers, where a form goes, what a browser would refuse or cut by itself.
 */
export const attributeNames: readonly string[] = [
  'aria-description',
  'aria-label',
  'autocapitalize',
  'autocomplete',
  'autocorrect',
  'autofocus',
  'dir',
  'disabled',
  'enterkeyhint',
  'inputmode',
  'lang',
  'readonly',
  'size',
  'spellcheck',
  'tabindex',
  'title',
  'translate',
];

/** Types of input the binding can work with; a kind asks for one, a definition does not. */
const types: readonly unknown[] = ['text', 'tel', 'search', 'url', 'password'];

/** Whether an attribute of a compiled field goes on the page. */
export const mayStand = (name: string, value: unknown): boolean =>
  name === 'type'
    ? types.includes(value)
    : attributeNames.includes(name) && (typeof value === 'string' || typeof value === 'boolean');
