'use client';

import type { Languages, Wording } from '@arbeit/engine/rules';
import { english } from '@arbeit/engine/wording/english';
import { useEffect, useState } from 'react';

/** Languages of messages beside English, fetched when a field needs them. */
const loaders: Readonly<Record<string, () => Promise<Wording>>> = {
  de: () => import('@arbeit/engine/wording/german').then((own) => own.german),
  fr: () => import('@arbeit/engine/wording/french').then((own) => own.french),
  es: () => import('@arbeit/engine/wording/spanish').then((own) => own.spanish),
  it: () => import('@arbeit/engine/wording/italian').then((own) => own.italian),
  ja: () => import('@arbeit/engine/wording/japanese').then((own) => own.japanese),
  pt: () => import('@arbeit/engine/wording/portuguese').then((own) => own.portuguese),
  nl: () => import('@arbeit/engine/wording/dutch').then((own) => own.dutch),
  pl: () => import('@arbeit/engine/wording/polish').then((own) => own.polish),
  sv: () => import('@arbeit/engine/wording/swedish').then((own) => own.swedish),
  zh: () => import('@arbeit/engine/wording/chinese').then((own) => own.chinese),
  ar: () => import('@arbeit/engine/wording/arabic').then((own) => own.arabic),
};

/** Fetched languages, one object each, so that nothing is compiled again without need. */
const fetched = new Map<string, Languages>();
const under = new Map<string, Promise<Languages>>();
const usual: Languages = { en: english };

function fetchLanguage(tag: string): Promise<Languages> {
  const known = under.get(tag);
  if (known) return known;
  const load = loaders[tag];
  const promise = load
    ? load().then(
        (wording) => {
          const all = { en: english, [tag]: wording };
          fetched.set(tag, all);
          return all;
        },
        // It is loaded again at the next visit; until then messages are in English.
        () => {
          under.delete(tag);
          return usual;
        },
      )
    : Promise.resolve(usual);
  under.set(tag, promise);
  return promise;
}

/**
 * The messages for a locale (BCP 47). A locale chosen later has English messages until its language is
 * fetched.
 */
export function useLanguages(locale: string): Languages {
  const tag = locale.split('-')[0] ?? '';
  const [first] = useState(tag);
  const [, setCount] = useState(0);
  const isKnown = !(tag in loaders) || fetched.has(tag);
  useEffect(() => {
    if (!isKnown) void fetchLanguage(tag).then(() => setCount((count) => count + 1));
  }, [tag, isKnown]);
  if (!(tag in loaders)) return usual;
  const known = fetched.get(tag);
  if (known || tag !== first) return known ?? usual;
  // Suspends, so the page stays as drawn. Not with `use`, which React replays during hydration: hooks before
  // it are then called as those of an update (React error 467).
  throw fetchLanguage(tag);
}
