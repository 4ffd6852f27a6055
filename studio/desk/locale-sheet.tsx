'use client';

import { useEffect, useMemo, useState } from 'react';
import { readOn } from '../../dom/clock.ts';
import { share } from '../../dom/share.ts';
import { createStore, type FieldStore } from '../../dom/store.ts';
import { compileField } from '../../engine/document/compile.ts';
import type { FieldDocument } from '../../engine/document/document.ts';
import { kinds } from '../../engine/kinds/index.ts';
import { useField } from '../../react/use-field.ts';
import { GhostedInput } from '../sheet/ghosted-input.tsx';

/** Locales that between them group, order and write digits in every way. */
const sheetLocales = [
  'en-GB', 'en-US', 'en-IN', 'de-DE', 'de-CH', 'fr-FR', 'es-ES', 'it-IT', 'nl-NL', 'pl-PL', 'sv-SE', 'pt-BR', 'ar-EG', 'he-IL', 'hi-IN', 'ja-JP',
] as const; // biome-ignore format: a list

/** Kinds that look different from one locale to the next. */
export const differsByLocale = (kind: FieldDocument['kind']): boolean =>
  ['number', 'currency', 'percent', 'date', 'time', 'duration'].includes(kind);

/** The same field in many locales at once: type into any of them, and all show that value in their own way. */
export function LocaleSheet({
  definition,
  own,
  today,
}: {
  readonly definition: FieldDocument;
  readonly own: FieldStore;
  readonly today: string | undefined;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label="Locale sheet" className="mt-6">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1">
        <h2 className="font-semibold">Locale sheet</h2>
        <span className="caption">one value, {sheetLocales.length} locales</span>
        <button
          type="button"
          className="word-button ml-auto"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Put away' : 'Lay out'}
        </button>
      </div>
      {isOpen && <Sheet definition={definition} own={own} today={today} />}
    </section>
  );
}

function Sheet({
  definition,
  own,
  today,
}: {
  readonly definition: FieldDocument;
  readonly own: FieldStore;
  readonly today: string | undefined;
}) {
  const stores = useMemo(
    () =>
      sheetLocales.map((locale) => {
        const { placeholder: _, initial: __, ...rest } = definition;
        const compiled = compileField(
          { ...rest, id: `${definition.id}-${locale}`, locale } as FieldDocument,
          { locale },
          kinds,
        );
        return { locale, store: createStore(compiled, readOn(today)) };
      }),
    [definition, today],
  );
  useEffect(() => {
    // What the field holds already is what the sheet begins with; nothing of that comes back to it.
    const { value } = own.reading();
    if (value !== null) for (const { store } of stores) store.dispatch({ type: 'set', text: value });
    return share([own, ...stores.map(({ store }) => store)]);
  }, [own, stores]);
  const names = new Intl.DisplayNames('en-GB', { type: 'language' });
  return (
    <ul className="grid grid-cols-1 gap-x-6 gap-y-2 pt-3 sm:grid-cols-2 xl:grid-cols-4">
      {stores.map(({ locale, store }) => (
        <Line key={locale} locale={locale} name={names.of(locale) ?? locale} store={store} />
      ))}
    </ul>
  );
}

function Line({
  locale,
  name,
  store,
}: {
  readonly locale: string;
  readonly name: string;
  readonly store: FieldStore;
}) {
  const field = useField(store.field, { store });
  const isRightToLeft = /^(ar|he|fa|ur)\b/.test(locale);
  return (
    <li lang={locale}>
      <span className="caption" lang="en-GB">
        {name} · {locale}
      </span>
      <div dir={isRightToLeft ? 'rtl' : 'ltr'}>
        <GhostedInput field={field} label={`In ${name}`} />
      </div>
    </li>
  );
}
