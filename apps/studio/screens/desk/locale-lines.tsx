'use client';

import { createStore, evaluateOn, type FieldStore, follow, share } from '@arbeit/dom';
import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { Message, useField } from '@arbeit/react';
import { useEffect, useMemo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { Line as TypedLine } from '../../ui/line.tsx';
import * as words from '../../words/desk/locale-lines.ts';

/** Locales that between them group, order and write digits in every way. */
const sheetLocales = [
  'en-GB', 'en-US', 'en-IN', 'de-DE', 'de-CH', 'fr-FR', 'es-ES', 'it-IT', 'nl-NL', 'pl-PL', 'sv-SE', 'pt-BR', 'ar-EG', 'he-IL', 'hi-IN', 'ja-JP',
] as const; // biome-ignore format: a list

/** A line for each of the locales. */
export function LocaleLines({
  definition,
  set,
  own,
  today,
}: {
  readonly definition: FieldDocument;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  readonly own: FieldStore;
  readonly today: string | undefined;
}) {
  const kinds = useKinds();
  const stores = useMemo(
    () =>
      sheetLocales.map((locale) => {
        const { placeholder: _, initial: __, ...rest } = definition;
        const compiled = compileField(
          { ...rest, id: `${definition.id}-${locale}`, locale } as FieldDocument,
          { ...set, locale },
          kinds,
        );
        return { locale, store: createStore(compiled, evaluateOn(today)) };
      }),
    [definition, set, today, kinds],
  );
  useEffect(() => {
    const lines = stores.map(({ store }) => store);
    // The lines share their value with each other, and only follow the field.
    const letGo = [follow(own, lines), share(lines)];
    return () => {
      for (const stop of letGo) stop();
    };
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

/** Shows why a line is invalid, immediately: a line is for trying out. */
const message = { root: 'min-h-5 text-xs text-marigold data-[severity=error]:text-brick' };

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
        <TypedLine field={field} label={words.inLabel(name)} />
        {/* Some of these languages have no messages of their own yet: what is said runs as it is written. */}
        <div dir="auto">
          <Message field={field} classNames={message} />
        </div>
      </div>
    </li>
  );
}
