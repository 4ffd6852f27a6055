import { fieldIdsOf, languageOf, type SetDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import type { KindTable, Offer } from '@arbeit/engine/kinds';
import { languages, wordingFor } from '@arbeit/engine/rules';
import { inAttribute } from '../escape.ts';
import { type Difference, type NativeField, nativesOf } from './native.ts';

/**
 * Attributes as text in a tag. Security relevant: every name comes from the definition's allowed list or from
 * this file.
 */
const written = (attributes: Readonly<Record<string, string | true>>): string =>
  Object.entries(attributes)
    .map(([name, value]) => (value === true ? ` ${name}` : ` ${name}="${inAttribute(value)}"`))
    .join('');

/** The options of a choice and how it is drawn. */
interface Picked {
  readonly options: readonly Offer[];
  readonly draw: string;
}

/**
 * What a server writes into native controls, by name of the field: what was sent, and what is wrong with it.
 */
export interface Filling {
  /** An attribute of an input, with the space before it. */
  value(name: string): string;
  /** The content of a text area. */
  text(name: string): string;
  /**
   * An attribute of an option or a button, with the space before it. `between` separates the values of a
   * field that may have several.
   */
  picked(name: string, value: string, attribute: 'selected' | 'checked', between: string | undefined): string;
  /** An element after the control. */
  message(name: string): readonly string[];
}
const empty: Filling = { value: () => '', text: () => '', picked: () => '', message: () => [] };

/** A field with native controls, label and hint: for pages without scripts, and for elements to take over. */
function nativeControl(
  { field, attributes }: NativeField,
  { value: sentValue, text: sentText, picked, message }: Filling,
): readonly string[] {
  const { id, label, hint, plan } = field;
  const name = fieldName(field);
  const { options, draw, lines } = plan as Partial<Picked> & { readonly lines?: number };
  const describe = hint ? { 'aria-describedby': `${id}-hint` } : {};
  const said = [
    ...(hint ? [`<small id="${inAttribute(id)}-hint">${inAttribute(hint)}</small>`] : []),
    ...message(name),
  ];
  const { placeholder, required, ...others } = attributes;
  if (options && draw === 'list')
    return [
      `<label for="${inAttribute(id)}">${inAttribute(label)}</label>`,
      `<select${written({ id, name, ...describe, ...(required ? { required } : {}) })}>`,
      `  <option value="">${inAttribute(typeof placeholder === 'string' ? placeholder : '')}</option>`,
      ...options.map(
        (one) =>
          `  <option value="${inAttribute(one.value)}"${picked(name, one.value, 'selected', undefined)}>${inAttribute(one.label)}</option>`,
      ),
      '</select>',
      ...said,
    ];
  if (options) {
    const isTick = draw === 'tick';
    const between = field.kind.separator?.(plan);
    // HTML can only require each checkbox of a group, so none is required.
    const needed = required && !isTick ? { required } : {};
    return [
      `<fieldset${written(describe)}>`,
      `  <legend>${inAttribute(label)}</legend>`,
      ...options.map(
        (one) =>
          `  <label><input${written({ type: isTick ? 'checkbox' : 'radio', name, value: one.value, ...needed })}${picked(name, one.value, 'checked', between)}> ${inAttribute(one.label)}</label>`,
      ),
      '</fieldset>',
      ...said,
    ];
  }
  const { pattern, type, ...more } = {
    ...others,
    ...(placeholder ? { placeholder } : {}),
    ...(required ? { required } : {}),
  } as Record<string, string | true>;
  const title = field.hint || field.placeholder;
  const control =
    lines && lines > 1
      ? `<textarea${written({ id, name, rows: String(lines), ...describe, ...more })}>${sentText(name)}</textarea>`
      : `<input${written({ id, name, type: type ?? 'text', ...describe, ...more, ...(pattern ? { pattern, ...(title ? { title } : {}) } : {}) })}${sentValue(name)}>`;
  return [`<label for="${inAttribute(id)}">${inAttribute(label)}</label>`, control, ...said];
}

/**
 * The fields of a form with native controls, or those of the set. `elements`: the prefix of the elements that
 * they are inside of.
 */
export function nativeRows(
  natives: readonly NativeField[],
  { elements, filling = empty }: { readonly elements?: string | undefined; readonly filling?: Filling } = {},
): readonly string[] {
  return natives.flatMap((native) => {
    const control = nativeControl(native, filling);
    return elements !== undefined
      ? [
          `<${elements}-field field="${inAttribute(native.field.id)}">`,
          ...control.map((line) => `  ${line}`),
          `</${elements}-field>`,
        ]
      : control;
  });
}

/** Fields of a form under one title, in one or two columns. */
interface Section {
  readonly title?: string | undefined;
  readonly columns?: number;
  readonly fields: readonly string[];
}

/** The fields of a form with native controls, in its sections, which list them by id or name. */
export function sectionRows(
  natives: readonly NativeField[],
  sections: readonly Section[],
  options: Parameters<typeof nativeRows>[1] = {},
): readonly string[] {
  return sections.flatMap(({ title, columns = 1, fields }) => {
    const rows = nativeRows(
      natives.filter(({ field }) => fields.includes(field.id) || fields.includes(fieldName(field))),
      options,
    );
    const grid = columns > 1 ? ` data-columns="${columns}"` : '';
    const inside = [`<div class="fields"${grid}>`, ...rows.map((row) => `  ${row}`), '</div>'];
    if (title === undefined) return inside;
    return [
      '<fieldset>',
      `  <legend>${inAttribute(title)}</legend>`,
      ...inside.map((row) => `  ${row}`),
      '</fieldset>',
    ];
  });
}

/** The text of a submit button. */
export const submitWord = (language: string): string => {
  const text = wordingFor(languages, language)['drawn/submit'];
  return typeof text === 'string' ? text : 'Submit';
};

/** Whether a language is written from right to left, by its usual script (CLDR). */
export const isRightToLeft = (language: string): boolean =>
  /^(?:Arab|Hebr|Thaa|Syrc|Nkoo|Adlm|Rohg)$/.test(new Intl.Locale(language).maximize().script ?? '');

/** An HTML page that needs no script, and how its checks differ from the definitions. */
export interface HtmlPage {
  /** Path in the hand-off: `html/booking.html`. */
  readonly path: string;
  readonly text: string;
  readonly fields: readonly NativeField[];
}

/**
 * A page for each form of a set, or for its fields if it has no form: native controls with what the browser
 * can check. With `elements`, the prefix of elements, each control is inside an element, which replaces it.
 */
export function htmlPages(
  set: SetDocument,
  kinds: KindTable,
  elements: string | undefined,
): readonly HtmlPage[] {
  const language = languageOf({}, set);
  const natives = nativesOf(set, kinds);
  const forms = set.forms?.length
    ? set.forms.map((form) => ({
        id: form.id,
        title: form.title ?? form.id,
        ids: fieldIdsOf(form),
        sections: form.sections,
        isForm: true,
      }))
    : [
        {
          id: 'fields',
          title: set.title,
          ids: set.fields.map(({ id }) => id),
          sections: undefined,
          isForm: false,
        },
      ];
  return forms.map(({ id, title, ids, sections, isForm }) => {
    // The reader has verified that each of them exists.
    const fields = ids.map((one) => natives.get(one)!);
    const rows = sections
      ? sectionRows(fields, sections, { elements })
      : elements !== undefined
        ? nativeRows(fields, { elements })
        : fields.flatMap((native) => [...nativeRows([native]), '']);
    const inside =
      elements !== undefined && isForm
        ? [
            `<${elements}-form form="${inAttribute(id)}">`,
            ...rows.map((row) => `  ${row}`),
            `</${elements}-form>`,
          ]
        : rows;
    const text = [
      '<!doctype html>',
      `<html lang="${inAttribute(language)}"${isRightToLeft(language) ? ' dir="rtl"' : ''}>`,
      '<meta charset="utf-8">',
      '<meta name="viewport" content="width=device-width, initial-scale=1">',
      `<title>${inAttribute(title)}</title>`,
      ...(elements !== undefined ? ['<script type="module" src="../elements.js"></script>'] : []),
      '<form method="post">',
      ...inside.map((row) => `  ${row}`.trimEnd()),
      `  <button>${inAttribute(submitWord(language))}</button>`,
      '</form>',
      '</html>',
    ].join('\n');
    return { path: `html/${id}.html`, text: `${text}\n`, fields };
  });
}

/** How far the browser's own checks go, in words, one line per field with a pattern. */
export function differencesIn(pages: readonly HtmlPage[]): readonly string[] {
  const fields = new Map(pages.flatMap((page) => page.fields.map((native) => [native.field.id, native])));
  return [...fields.values()].flatMap(({ field, difference }) => {
    const said = differenceInWords(difference);
    return said === undefined ? [] : [`${field.label}: ${said}`];
  });
}

function differenceInWords(difference: Difference): string | undefined {
  switch (difference.is) {
    case 'none':
      return undefined;
    case 'same':
      return `exact (verified, ${difference.states} states)`;
    case 'more':
      return `also accepts texts that the field rejects, such as “${difference.example}”`;
    case 'unknown':
      return difference.states
        ? `no difference found in the first ${difference.states} states (search limit)`
        : 'not gone through';
  }
}
