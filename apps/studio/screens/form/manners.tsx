'use client';

import { useEffect, useState } from 'react';
import { type Manner, mannerCookie, readManner, usualManner } from '../../services/manner.ts';
import { WordSelect } from '../../ui/word-select.tsx';
import * as words from '../../words/form/manners.ts';

/**
 * The behaviour of the simulated services for this browser: how long they take, whether they fail, and the
 * order of responses.
 */
export function Manners() {
  const [manner, setManner] = useState<Manner>(usualManner);
  useEffect(() => setManner(mannerInBrowser()), []);
  const change = (next: Partial<Manner>) => {
    const all = { ...manner, ...next };
    setManner(all);
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store is not in every browser yet
    document.cookie = `${mannerCookie}=${encodeURIComponent(JSON.stringify(all))}; path=/; samesite=strict; max-age=86400`;
  };
  return (
    <section aria-label={words.simulatedServices}>
      <h2 className="caption">{words.simulatedServicesThisBrowserOnly}</h2>
      <p className="sentence">
        <span>{words.theyAnswer}</span>
        <WordSelect
          label={words.delay}
          value={String(manner.delay)}
          choices={delays}
          onChange={(delay) => change({ delay: Number(delay) })}
        />
        <WordSelect
          label={words.orderOfAnswers}
          value={manner.order}
          choices={{ 'as-asked': words.oldestFirst, 'last-first': words.newestFirst }}
          onChange={(order) => change({ order })}
        />
        <span>{words.andFail}</span>
        <WordSelect
          label={words.failures}
          value={manner.fails}
          choices={{ never: words.never, 'every-second': words.everyOtherRequest, always: words.always }}
          onChange={(fails) => change({ fails })}
        />
      </p>
    </section>
  );
}

const delays = {
  '0': words.atOnce,
  '300': words.afterSeconds('0.3'),
  '1500': words.afterSeconds('1.5'),
  '5000': words.afterSeconds('5'),
} as const;

/** The behaviour in this browser's cookie; without one, the browser gets a new id. */
function mannerInBrowser(): Manner {
  const own = document.cookie.split(/;\s*/).find((one) => one.startsWith(`${mannerCookie}=`));
  const read = readManner(own?.slice(mannerCookie.length + 1));
  return own ? read : { ...read, browser: crypto.randomUUID() };
}
