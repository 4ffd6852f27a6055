'use client';

import { useEffect, useId, useState } from 'react';
import { type Manner, mannerCookie, readManner, usualManner } from '../../services/manner.ts';
import * as words from '../../words/form/manners.ts';

/**
 * The behaviour of the simulated services for this browser: how long they take, whether they fail, and the
 * order of responses.
 */
export function Manners() {
  const id = useId();
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
      <p className="form-choice">
        <label htmlFor={`${id}-delay`}>{words.delay}</label>
        <select
          id={`${id}-delay`}
          className="entry"
          value={manner.delay}
          onChange={({ target }) => change({ delay: Number(target.value) })}
        >
          {[0, 300, 1500, 5000].map((delay) => (
            <option key={delay} value={delay}>
              {delay === 0 ? words.none : `${delay / 1000} s`}
            </option>
          ))}
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-fails`}>{words.failures}</label>
        <select
          id={`${id}-fails`}
          className="entry"
          value={manner.fails}
          onChange={({ target }) => change({ fails: target.value as Manner['fails'] })}
        >
          <option value="never">{words.never}</option>
          <option value="every-second">{words.everyOtherRequest}</option>
          <option value="always">{words.always}</option>
        </select>
      </p>
      <p className="form-choice">
        <label htmlFor={`${id}-order`}>{words.orderOfAnswers}</label>
        <select
          id={`${id}-order`}
          className="entry"
          value={manner.order}
          onChange={({ target }) => change({ order: target.value as Manner['order'] })}
        >
          <option value="as-asked">{words.oldestFirst}</option>
          <option value="last-first">{words.newestFirst}</option>
        </select>
      </p>
    </section>
  );
}

/** The behaviour in this browser's cookie; without one, the browser gets a new id. */
function mannerInBrowser(): Manner {
  const own = document.cookie.split(/;\s*/).find((one) => one.startsWith(`${mannerCookie}=`));
  const read = readManner(own?.slice(mannerCookie.length + 1));
  return own ? read : { ...read, browser: crypto.randomUUID() };
}
