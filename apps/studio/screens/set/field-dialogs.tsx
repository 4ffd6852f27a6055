'use client';

import { type FieldDocument, fieldIdsOf, languageOf, type SetDocument } from '@arbeit/engine/document';
import { kindIn, kinds } from '@arbeit/engine/kinds';
import { useEffect, useState } from 'react';
import { problemWithId, withRecordName } from '../../model/field-edits.ts';
import { turnedIn, withKind } from '../../model/kind-change.ts';
import { isNewId, keepId } from '../../model/new-ids.ts';
import { listSets } from '../../model/other-sets.ts';
import { problemWithName } from '../../model/record-name.ts';
import { renameField } from '../../model/references.ts';
import { sampleLine, sampleOf } from '../../model/sample.ts';
import type { EditedSet } from '../../model/use-set.ts';
import type { ListedSet } from '../../store/sets.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { localeName, locales, messageLanguages } from '../../ui/locales.ts';
import * as words from '../../words/set/field-dialogs.ts';

interface Props {
  readonly set: EditedSet;
  readonly field: FieldDocument;
  readonly onClose: () => void;
}

/** Changes the id of a field and everything that refers to it. */
export function RenameDialog({
  set,
  field,
  onClose,
  onDone,
}: Props & {
  /** Called with its id once the page has it; it is saved afterwards. */
  readonly onDone: (id: string) => void;
}) {
  const [id, setId] = useState(field.id);
  const [name, setName] = useState(field.name ?? '');
  const problem = problemWithId(set.document, id, field.id);
  const nameProblem = problemWithName(set.document, field, name);
  const uses = (set.document.forms ?? []).filter((form) => fieldIdsOf(form).includes(field.id));
  return (
    <Dialog
      title={words.renameWithLabel(field.label || field.id)}
      about={
        uses.length
          ? words.referencesAreUpdated(uses.map((form) => form.title ?? form.id).join(', '))
          : words.theIdIsTheFields
      }
      onClose={onClose}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (problem || nameProblem) return;
          keepId(set.key, `fields/${field.id}`);
          if (id !== field.id || name !== (field.name ?? ''))
            void set.editAndSave((d) => renamed(d, field, id, name));
          onDone(id);
        }}
      >
        <Named label={words.id} value={id} problem={problem} onChange={setId} />
        {!isNewId(set.key, `fields/${field.id}`) && (
          <p className="mb-3 text-sm text-marigold">{words.codeMayUseTheId(field.id)}</p>
        )}
        <Named
          label={words.nameInRecords}
          value={name}
          placeholder={id}
          problem={nameProblem}
          onChange={setName}
        />
        <button type="submit" className="solid-button" disabled={problem !== null || nameProblem !== null}>
          {words.rename}
        </button>
      </form>
    </Dialog>
  );
}

/** The set with another id and another name of a field. */
function renamed(set: SetDocument, field: FieldDocument, id: string, name: string): SetDocument {
  const next = renameField(set, field.id, id);
  return { ...next, fields: next.fields.map((one) => (one.id === id ? withRecordName(one, name) : one)) };
}

/** An input for a name in code, with what is wrong with it. */
function Named({
  label,
  value,
  placeholder = '',
  problem,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  readonly problem: string | null;
  readonly onChange: (value: string) => void;
}) {
  return (
    <Labelled label={label}>
      {(inputId) => (
        <>
          <input
            id={inputId}
            className="entry value"
            value={value}
            placeholder={placeholder}
            aria-invalid={problem !== null}
            aria-describedby={`${inputId}-said`}
            spellCheck={false}
            autoComplete="off"
            onChange={(event) => onChange(event.target.value)}
          />
          <p id={`${inputId}-said`} aria-live="polite" className="min-h-6 text-sm text-brick">
            {problem}
          </p>
        </>
      )}
    </Labelled>
  );
}

/**
 * Changes the kind of a field: shows for each kind what the field would look like, and what would be lost.
 */
export function KindDialog({ set, field, onClose, onDone }: Props & { readonly onDone: () => void }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const { document } = set;
  const turned = chosen === null ? null : withKind(field, chosen, document, kinds);
  const lost = turned && [...turned.lost, ...turnedIn(document, turned.field, kinds).lost];
  return (
    <Dialog
      title={words.changeKindWithLabel(field.label || field.id)}
      about={words.labelHintAndMessages}
      onClose={onClose}
    >
      <fieldset className="grid grid-cols-1 sm:grid-cols-2">
        <legend className="sr-only">{words.kind}</legend>
        {Object.keys(kinds).map((kind) => (
          <label key={kind} className="flex min-h-7 items-baseline gap-2 hover:bg-wash">
            <input
              type="radio"
              name="kind"
              className="accent-[var(--oxide)]"
              checked={(chosen ?? field.kind) === kind}
              onChange={() => setChosen(kind)}
            />
            {kindIn(kinds, kind).define.name}
            <span className="value ml-auto truncate pl-3 text-xs text-faint">
              {sampleLine(sampleOf(withKind(field, kind, document, kinds).field, document, kinds))}
            </span>
          </label>
        ))}
      </fieldset>
      <p role="status" className="min-h-6 text-sm text-marigold">
        {lost !== null && lost.length > 0 && words.willBeRemoved(lost.join(', '))}
      </p>
      <button
        type="button"
        className="solid-button"
        disabled={turned === null || chosen === field.kind}
        onClick={() => {
          if (!turned) return;
          void set.editAndSave((d) => turnedIn(d, turned.field, kinds).set);
          onDone();
        }}
      >
        {words.change}
      </button>
    </Dialog>
  );
}

/** Copies or moves a field to another set. */
export function SendDialog({
  set,
  field,
  onClose,
  onSend,
}: Props & {
  /** Adds it there; `moves` removes it here. Resolves to an error message, or ''. */
  readonly onSend: (to: ListedSet, moves: boolean) => Promise<string>;
}) {
  const [sets, setSets] = useState<readonly ListedSet[] | null>(null);
  const [moves, setMoves] = useState(false);
  const [said, setSaid] = useState('');
  useEffect(() => {
    void listSets().then(
      (all) => setSets(all.filter(({ id }) => id !== set.id)),
      () => setSaid(words.noResponseFromTheServerClose),
    );
  }, [set.id]);
  return (
    <Dialog title={words.copyOrMove(field.label || field.id)} onClose={onClose}>
      <div className="flex gap-5">
        {[false, true].map((way) => (
          <label key={String(way)} className="flex items-baseline gap-2">
            <input
              type="radio"
              name="way"
              className="accent-[var(--oxide)]"
              checked={moves === way}
              onChange={() => setMoves(way)}
            />
            {way ? words.move : words.copy}
          </label>
        ))}
      </div>
      {sets === null && said === '' && <p className="text-faint">{words.loadingSets}</p>}
      {sets?.length === 0 && <p className="text-faint">{words.noOtherSets}</p>}
      <ul className="max-h-72 overflow-y-auto">
        {sets?.map((one) => (
          <li key={one.id} className="border-b">
            <button
              type="button"
              className="flex min-h-8 w-full items-baseline gap-3 text-left hover:bg-wash"
              onClick={async () => setSaid(await onSend(one, moves))}
            >
              {one.title} <span className="caption">{words.fields(one.fields)}</span>
            </button>
          </li>
        ))}
      </ul>
      <p role="status" className="min-h-6 text-sm text-brick">
        {said}
      </p>
    </Dialog>
  );
}

/** Sets the locale of a field, if it differs from that of its set. */
export function LocaleDialog({ set, field, onClose }: Props) {
  return (
    <Dialog
      title={words.localeOf(field.label || field.id)}
      about={words.setsHowNumbersAndDates}
      onClose={onClose}
    >
      <LocaleList
        value={field.locale ?? ''}
        own={set.document.locale}
        field={field}
        document={set.document}
        onChange={(locale) =>
          set.edit((d) => ({
            ...d,
            fields: d.fields.map((one) => {
              if (one.id !== field.id) return one;
              const { locale: _, ...rest } = one;
              return (locale ? { ...rest, locale } : rest) as FieldDocument;
            }),
          }))
        }
      />
      <LanguageSelect
        value={field.language ?? ''}
        usual={languageOf({ locale: field.locale }, set.document)}
        onChange={(language) =>
          set.edit((d) => ({
            ...d,
            fields: d.fields.map((one) => {
              if (one.id !== field.id) return one;
              const { language: _, ...rest } = one;
              return (language ? { ...rest, language } : rest) as FieldDocument;
            }),
          }))
        }
      />
    </Dialog>
  );
}

/** The language of messages; '' follows the set or the locale. */
export function LanguageSelect({
  value,
  usual,
  onChange,
}: {
  readonly value: string;
  /** The language without a choice (BCP 47). */
  readonly usual: string;
  readonly onChange: (language: string) => void;
}) {
  const known =
    value === '' || messageLanguages.includes(value) ? messageLanguages : [value, ...messageLanguages];
  return (
    <Labelled label={words.languageOfMessages}>
      {(id) => (
        <select id={id} className="entry" value={value} onChange={({ target }) => onChange(target.value)}>
          <option value="">{words.defaultLabel(localeName(usual))}</option>
          {known.map((tag) => (
            <option key={tag} value={tag}>
              {localeName(tag)}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}

/** Locales by name, each with its effect on the field (or on an amount and a date). */
export function LocaleList({
  value,
  own,
  field,
  document,
  onChange,
}: {
  readonly value: string;
  /** The locale of the set, for a field that may follow it. */
  readonly own?: string;
  readonly field?: FieldDocument;
  readonly document: SetDocument;
  readonly onChange: (locale: string) => void;
}) {
  const [search, setSearch] = useState('');
  const sample = (locale: string): string => {
    if (field) return sampleLine(sampleOf({ ...field, locale } as FieldDocument, document, kinds));
    const amount = new Intl.NumberFormat(locale).format(1234.5);
    return `${amount} · ${new Intl.DateTimeFormat(locale, { dateStyle: 'short' }).format(new Date(2027, 1, 14))}`;
  };
  const known = locales.includes(value) || value === '' ? locales : [value, ...locales];
  const wanted = search.trim().toLowerCase();
  const found = known.filter((tag) => `${localeName(tag)} ${tag}`.toLowerCase().includes(wanted));
  const all = own !== undefined && wanted === '' ? ['', ...found] : found;
  return (
    <>
      <input
        className="entry"
        aria-label={words.searchByLanguageCountry}
        placeholder={words.searchByLanguageCountry}
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      <fieldset className="h-64 overflow-y-auto">
        <legend className="sr-only">{words.localeLegend}</legend>
        {all.map((tag) => (
          <label key={tag} className="flex min-h-7 items-baseline gap-2 hover:bg-wash">
            <input
              type="radio"
              name="locale"
              className="accent-[var(--oxide)]"
              checked={value === tag}
              onChange={() => onChange(tag)}
            />
            {tag === '' ? words.setDefault(localeName(own ?? '')) : localeName(tag)}
            <span className="value text-xs text-faint">{tag}</span>
            <span className="value ml-auto text-xs text-faint">{sample(tag || (own ?? 'en-GB'))}</span>
          </label>
        ))}
        {all.length === 0 && <p className="py-2 text-faint">{words.noMatch}</p>}
      </fieldset>
    </>
  );
}
