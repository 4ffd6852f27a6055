'use client';

import {
  type CatalogueText,
  compile,
  inLanguage,
  languageOf,
  languagesOf,
  missingIn,
  type SetDocument,
  textsOf,
  unusedIn,
  withTextAt,
  withTranslation,
} from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import type { Plural } from '@arbeit/engine/rules';
import { memo, useMemo, useState } from 'react';
import { codeOf } from '../../model/rule-words.ts';
import { type EditedSet, useSet } from '../../model/use-set.ts';
import type { StoredSet } from '../../store/sets.ts';
import { Choices } from '../../ui/choices.tsx';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import { Masthead } from '../set/masthead.tsx';
import { NewFieldCommand } from '../set/new-field-command.tsx';
import { SaveLine } from '../set/save-line.tsx';
import { TextCell } from './text-cell.tsx';
import { TextFiles } from './text-files.tsx';
import '../../ui/table.css';
import './texts.css';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as wording from '../../words/texts/catalogue.ts';

const shows = { all: wording.all, missing: wording.missing, own: wording.ruleMessagesOnly } as const;

/** Every text of the set by field, rule and language in one table, edited in place. */
export function Catalogue({ stored }: { readonly stored: StoredSet }) {
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  return (
    <>
      <Masthead
        setKey={set.key}
        trail={[{ label: set.document.title, href: '/' }, { label: wording.translations }]}
      >
        <NewFieldCommand set={set} />
        <SaveLine set={set} />
      </Masthead>
      <main className="desk">
        <h1 className="sr-only">{wording.translationsOf(set.document.title)}</h1>
        <Table set={set} />
        <Unused set={set} />
      </main>
      <HydrationMarker />
    </>
  );
}

function Table({ set }: { readonly set: EditedSet }) {
  const { document } = set;
  const [show, setShow] = useState<keyof typeof shows>('all');
  const languages = languagesOf(document);
  const own = languageOf({}, document);
  const texts = useMemo(() => textsOf(document), [document]);
  const usual = useUsual(document, languages);
  const missing = new Set(
    languages.flatMap((language) => missingIn(document, language).map(({ key }) => key)),
  );
  const shown = texts.filter(
    ({ key, what }) => show === 'all' || (show === 'missing' ? missing.has(key) : what === 'rule'),
  );
  const owners = [...new Set(shown.map(({ of }) => `${of.type} ${of.id}`))];
  return (
    <section aria-label={wording.texts}>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <Choices label={wording.shown} value={show} choices={shows} onChange={setShow} />
        <AddLanguage set={set} languages={languages} />
        <TextFiles set={set} />
        <span role="status" className="caption ml-auto">
          {languages.length === 0
            ? wording.oneLanguage
            : missing.size === 0
              ? wording.nothingIsMissing
              : wording.missingTranslations(missing.size)}
        </span>
      </div>
      <Scrolled label={wording.textsByLanguage}>
        <table className="table texts" data-languages={languages.length}>
          <thead>
            <tr>
              <th scope="col">{wording.text}</th>
              <th scope="col">{own}</th>
              {languages.map((language) => (
                <th key={language} scope="col">
                  {language}{' '}
                  <button
                    type="button"
                    className="word-button text-xs"
                    aria-label={wording.removeWithLanguage(language)}
                    onClick={() => set.edit((d) => withoutLanguage(d, language))}
                  >
                    {' '}
                    {wording.remove}{' '}
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          {owners.map((owner) => (
            <Group
              key={owner}
              name={nameOf(document, owner)}
              texts={shown.filter(({ of }) => `${of.type} ${of.id}` === owner)}
              document={document}
              usual={usual}
              edit={set.edit}
            />
          ))}
        </table>
      </Scrolled>
      {shown.length === 0 && <p className="py-3 text-faint">{wording.noTextsMatchThisFilter}</p>}
    </section>
  );
}

const nameOf = ({ fields, forms = [] }: SetDocument, owner: string): string => {
  const [type, id] = owner.split(' ');
  return (
    (type === 'field'
      ? fields.find((one) => one.id === id)?.label
      : forms.find((one) => one.id === id)?.title) ||
    id ||
    ''
  );
};

function withoutLanguage(document: SetDocument, language: string): SetDocument {
  const { [language]: _, ...texts } = document.texts ?? {};
  const { texts: __, ...rest } = document;
  return Object.keys(texts).length ? { ...document, texts } : rest;
}

/** The default messages of rules without texts of their own, by language and key. */
function useUsual(document: SetDocument, languages: readonly string[]): ReadonlyMap<string, string> {
  return useMemo(() => {
    const all = new Map<string, string>();
    for (const language of [languageOf({}, document), ...languages]) {
      const said = inLanguage(document, language);
      const { fields } = compile({ ...said, forms: [] }, kinds);
      for (const [i, field] of fields.entries())
        for (const rule of document.fields[i]?.rules ?? []) {
          const words = field.rules.find(({ id }) => id === rule.id)?.words?.[codeOf(rule.check)];
          if (words) all.set(`${language} fields/${field.id}/rules/${rule.id}`, words);
        }
    }
    return all;
  }, [document, languages]);
}

const Group = memo(function Group({
  name,
  texts,
  document,
  usual,
  edit,
}: {
  readonly name: string;
  readonly texts: readonly CatalogueText[];
  readonly document: SetDocument;
  readonly usual: ReadonlyMap<string, string>;
  readonly edit: EditedSet['edit'];
}) {
  const languages = languagesOf(document);
  const ownLanguage = languageOf({}, document);
  return (
    <tbody>
      <tr>
        <th scope="rowgroup" colSpan={2 + languages.length} className="texts-owner">
          {name}
        </th>
      </tr>
      {texts.map(({ key, what, name: own, text }, i) => {
        // A section's texts are named by its title: while it is edited, the row must stay the same.
        const row = what === 'section' ? `section ${i}` : key;
        const said = `${whatInWords[what]}${what === 'rule' || what === 'option' || what === 'section' ? ` ${own}` : ''}`;
        return (
          <tr key={row}>
            <th scope="row" className="font-normal text-faint">
              {said}
            </th>
            <td>
              <TextCell
                label={`${name}, ${said}, ${ownLanguage}`}
                text={text}
                usual={usual.get(`${ownLanguage} ${key}`) ?? ''}
                isNeeded={what === 'label' || what === 'option'}
                onChange={(next) => edit((d) => withTextAt(d, key, next), `text ${name} ${row}`)}
              />
            </td>
            {languages.map((language) => (
              <td key={language}>
                <TextCell
                  label={`${name}, ${said}, ${language}`}
                  text={document.texts?.[language]?.[key]}
                  like={text}
                  usual={usual.get(`${language} ${key}`) ?? ''}
                  onChange={(next) =>
                    edit((d) => withTranslation(d, language, key, next), `text ${language} ${key}`)
                  }
                />
              </td>
            ))}
          </tr>
        );
      })}
    </tbody>
  );
});

const whatInWords: Readonly<Record<CatalogueText['what'], string>> = {
  label: wording.label,
  hint: wording.hint,
  placeholder: wording.placeholder,
  rule: wording.rule,
  option: wording.option,
  title: wording.title,
  section: wording.section,
};

/** Languages offered; a file can have any other. */
const offered = [
  'de-DE',
  'fr-FR',
  'es-ES',
  'it-IT',
  'ja-JP',
  'en-GB',
  'pt-BR',
  'nl-NL',
  'pl-PL',
  'sv-SE',
  'zh-CN',
  'ar-EG',
];

function AddLanguage({ set, languages }: { readonly set: EditedSet; readonly languages: readonly string[] }) {
  const names = new Intl.DisplayNames('en-GB', { type: 'language' });
  const free = offered.filter((tag) => tag !== languageOf({}, set.document) && !languages.includes(tag));
  return (
    <select
      className="entry w-auto"
      aria-label={wording.addLanguage}
      value=""
      onChange={({ target: { value } }) => {
        if (value) set.edit((d) => ({ ...d, texts: { ...d.texts, [value]: {} } }));
      }}
    >
      <option value="">{wording.addLanguageDialog}</option>
      {free.map((tag) => (
        <option key={tag} value={tag}>
          {names.of(tag)}
        </option>
      ))}
    </select>
  );
}

/** Texts that nothing uses any more, each with a button that removes it. */
function Unused({ set }: { readonly set: EditedSet }) {
  const { document } = set;
  const unused = languagesOf(document).flatMap((language) =>
    unusedIn(document, language).map((key) => ({ language, key, text: document.texts?.[language]?.[key] })),
  );
  if (unused.length === 0) return null;
  return (
    <section aria-label={wording.unusedTexts} className="text-sm">
      <h2 className="caption">{wording.unusedTexts}</h2>
      <ul>
        {unused.map(({ language, key, text }) => (
          <li
            key={`${language} ${key}`}
            className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1"
          >
            <span className="value text-xs">{key}</span>
            <span>{language}</span>
            <span className="min-w-0 text-faint">{said(text)}</span>
            <button
              type="button"
              className="word-button ml-auto"
              aria-label={wording.removeFrom(key, language)}
              onClick={() => set.edit((d) => withTranslation(d, language, key, undefined))}
            >
              {wording.remove}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const said = (text: string | Plural | undefined): string =>
  typeof text === 'object' ? text.other : (text ?? '');
