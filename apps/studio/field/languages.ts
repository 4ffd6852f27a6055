'use client';

import type { Languages } from '@arbeit/engine/rules';
import { english } from '@arbeit/engine/wording/english';
import { useEffect, useState } from 'react';

/** Languages of messages beside English (BCP 47), fetched when a field needs them. */
const others = ' ar de es fr it ja nl pl pt sv zh ';
export const isOther = (tag: string): boolean => others.includes(` ${tag} `);

/** Fetched languages, one object each, so that nothing is compiled again without need. */
const fetched = new Map<string, Languages>();
const under = new Map<string, Promise<Languages>>();
const usual: Languages = { en: english };

function fetchLanguage(tag: string): Promise<Languages> {
  const known = under.get(tag);
  if (known) return known;
  const promise = isOther(tag)
    ? import('./more-languages.ts')
        .then(({ loaders }) => loaders[tag]!())
        .then(
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
  const isKnown = !isOther(tag) || fetched.has(tag);
  useEffect(() => {
    if (!isKnown) void fetchLanguage(tag).then(() => setCount((count) => count + 1));
  }, [tag, isKnown]);
  if (!isOther(tag)) return usual;
  const known = fetched.get(tag);
  if (known || tag !== first) return known ?? usual;
  // Suspends, so the page stays as drawn. Not with `use`, which React replays during hydration: hooks before
  // it are then called as those of an update (React error 467).
  throw fetchLanguage(tag);
}
