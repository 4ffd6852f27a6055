/**
 * The HTML attributes that a document may set on an input (HTML `autofill` and `inputmode`, WAI-ARIA). All
 * others belong to the page or to the binding.
 *
 * @example
 * attributeNames.includes('autocomplete'); // true
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

/** Input types the binding supports. A kind chooses one; a document cannot. */
const types: readonly unknown[] = ['text', 'tel', 'search', 'url', 'password'];

/**
 * Whether an attribute of a compiled field may be put on a page. Security: event handlers and form targets
 * are refused, whatever a compiled field contains.
 *
 * @example
 * mayStand('onclick', 'alert(1)'); // false
 */
export const mayStand = (name: string, value: unknown): boolean =>
  name === 'type'
    ? types.includes(value)
    : attributeNames.includes(name) && (typeof value === 'string' || typeof value === 'boolean');
