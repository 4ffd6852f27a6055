import type { Plural } from '../rules/wording.ts';
import type { FieldDocument, FormDocument, RuleDocument, SetDocument } from './document.ts';
import { languageOf } from './language.ts';

/**
 * A text of a set that people read, with its key in every language: `fields/phone/label`,
 * `forms/booking/rules/order`.
 */
export interface CatalogueText {
  readonly key: string;
  /** The field or form it belongs to. */
  readonly of: { readonly type: 'field' | 'form'; readonly id: string };
  /**
   * Which text it is: `label`, `hint`, `placeholder`, `title`, the id of a rule, the value of a choice or the
   * title of a section.
   */
  readonly what: 'label' | 'hint' | 'placeholder' | 'rule' | 'option' | 'title' | 'section';
  readonly name: string;
  /** The text in the set's own language; `undefined` for a rule without a message of its own. */
  readonly text: string | Plural | undefined;
}

interface Choice {
  readonly value: string;
  readonly label?: string;
}

const optionsOf = (field: FieldDocument): readonly Choice[] =>
  (field.entry as { options?: readonly Choice[] } | undefined)?.options ?? [];

/**
 * All texts of a set in its own language, in the order of the document.
 *
 * @example
 * for (const { key, text } of textsOf(set)) console.log(key, text);
 */
export function textsOf({ fields, forms = [] }: SetDocument): readonly CatalogueText[] {
  return [...fields.flatMap(ofField), ...forms.flatMap(ofForm)];
}

function ofField(field: FieldDocument): readonly CatalogueText[] {
  const { id, rules = [] } = field;
  const of = { type: 'field', id } as const;
  const words = (['label', 'hint', 'placeholder'] as const).flatMap((what): CatalogueText[] =>
    field[what] ? [{ key: `fields/${id}/${what}`, of, what, name: what, text: field[what] }] : [],
  );
  return [
    ...words,
    ...optionsOf(field).map(
      ({ value, label }): CatalogueText => ({
        key: `fields/${id}/options/${value}`,
        of,
        what: 'option',
        name: value,
        text: label ?? value,
      }),
    ),
    ...rules.map((rule): CatalogueText => ofRule(`fields/${id}`, of, rule)),
  ];
}

function ofForm({ id, title, sections = [], rules = [] }: FormDocument): readonly CatalogueText[] {
  const of = { type: 'form', id } as const;
  return [
    ...(title ? [{ key: `forms/${id}/title`, of, what: 'title', name: 'title', text: title } as const] : []),
    // Sections have no id and can be moved, so their texts are named by their title.
    ...[...new Set(sections.flatMap((section) => section.title || []))].map(
      (name): CatalogueText => ({
        key: `forms/${id}/sections/${name}`,
        of,
        what: 'section',
        name,
        text: name,
      }),
    ),
    ...rules.map((rule): CatalogueText => ofRule(`forms/${id}`, of, rule)),
  ];
}

const ofRule = (owner: string, of: CatalogueText['of'], { id, say }: RuleDocument): CatalogueText => ({
  key: `${owner}/rules/${id}`,
  of,
  what: 'rule',
  name: id,
  text: say,
});

/**
 * The languages (BCP 47) that a set has texts in, without its own.
 *
 * @example
 * languagesOf(set); // ['de', 'fr']
 */
export const languagesOf = ({ texts = {} }: SetDocument): readonly string[] => Object.keys(texts);

/**
 * The texts of a set that a language does not have yet.
 *
 * @example
 * const count: number = missingIn(set, 'de').length;
 */
export const missingIn = (set: SetDocument, language: string): readonly CatalogueText[] =>
  textsOf(set).filter(({ key, text }) => text !== undefined && set.texts?.[language]?.[key] === undefined);

/**
 * The keys under which a language has a text that nothing in the set uses.
 *
 * @example
 * const keys: readonly string[] = unusedIn(set, 'de');
 */
export function unusedIn(set: SetDocument, language: string): readonly string[] {
  const known = new Set(textsOf(set).map(({ key }) => key));
  return Object.keys(set.texts?.[language] ?? {}).filter((key) => !known.has(key));
}

/**
 * The set in one of its languages: texts of that language replace the set's own, and messages speak it. A set
 * without a language of its own also gets the language as its format locale; with one, formats stay as they
 * are. A field with a language or locale of its own keeps it.
 *
 * @example
 * const german = inLanguage(set, 'de');
 */
export function inLanguage(set: SetDocument, language: string): SetDocument {
  if (language === languageOf({}, set)) return set;
  const own = set.texts?.[language] ?? {};
  return textsOf(set).reduce(
    (next, { key }) => (own[key] === undefined ? next : withTextAt(next, key, own[key])),
    set.language === undefined ? { ...set, locale: language } : { ...set, language },
  );
}

/**
 * The set with one text of its own language replaced. `undefined` removes a text that may be missing. The
 * title of a section is a key: translations move with it.
 *
 * @example
 * const next = withTextAt(set, 'fields/phone/label', 'Telephone');
 */
export function withTextAt(set: SetDocument, key: string, text: string | Plural | undefined): SetDocument {
  // The last part of a key may contain a slash: a title of a section, a value of an option.
  const [list, id, what = '', ...name] = key.split('/');
  const place = [what, name.join('/')] as const;
  if (list === 'fields')
    return {
      ...set,
      fields: set.fields.map((field) => (field.id === id ? inField(field, place, text) : field)),
    };
  const forms = (set.forms ?? []).map((form) => (form.id === id ? inForm(form, place, text) : form));
  const isRenamed = what === 'sections' && typeof text === 'string' && set.texts !== undefined;
  return isRenamed
    ? { ...set, forms, texts: renamed(set.texts ?? {}, key, `forms/${id}/sections/${text}`) }
    : { ...set, forms };
}

/** The texts with one key renamed in every language. */
const renamed = (texts: NonNullable<SetDocument['texts']>, from: string, to: string): typeof texts =>
  Object.fromEntries(
    Object.entries(texts).map(([language, own]) => [
      language,
      Object.fromEntries(Object.entries(own).map(([key, text]) => [key === from ? to : key, text])),
    ]),
  );

function inField(
  field: FieldDocument,
  [what, name]: readonly [what: string, name: string],
  text: string | Plural | undefined,
): FieldDocument {
  if (what === 'rules') return { ...field, rules: inRules(field.rules ?? [], name, text) };
  if (what === 'options') {
    const options = optionsOf(field).map((one) => (one.value === name ? { ...one, label: text } : one));
    return { ...field, entry: { ...field.entry, options } } as FieldDocument;
  }
  if (text !== undefined) return { ...field, [what]: text };
  const { [what as 'hint']: _, ...rest } = field;
  return (what === 'label' ? field : rest) as FieldDocument;
}

function inForm(
  form: FormDocument,
  [what, name]: readonly [what: string, name: string],
  text: string | Plural | undefined,
): FormDocument {
  if (what === 'rules') return { ...form, rules: inRules(form.rules ?? [], name, text) };
  if (what === 'title') return { ...form, title: String(text ?? '') };
  const sections = form.sections?.map((section) =>
    section.title === name ? { ...section, title: String(text ?? '') } : section,
  );
  return sections ? { ...form, sections } : form;
}

const inRules = <R extends RuleDocument>(
  rules: readonly R[],
  id: string,
  text: string | Plural | undefined,
): readonly R[] =>
  rules.map((rule) => {
    if (rule.id !== id) return rule;
    const { say: _, ...unsaid } = rule;
    return (text === undefined ? unsaid : { ...rule, say: text }) as R;
  });

/**
 * The set with one text of another language replaced; `undefined` removes it.
 *
 * @example
 * const next = withTranslation(set, 'de', 'fields/phone/label', 'Telefon');
 */
export function withTranslation(
  set: SetDocument,
  language: string,
  key: string,
  text: string | Plural | undefined,
): SetDocument {
  const { [key]: _, ...others } = set.texts?.[language] ?? {};
  const own = text === undefined ? others : { ...set.texts?.[language], [key]: text };
  return { ...set, texts: { ...set.texts, [language]: own } };
}
