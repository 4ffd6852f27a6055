'use client';

import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import * as words from '../../words/glossary/glossary.ts';
import { terms } from '../../words/glossary/terms.ts';
import { Masthead } from '../set/masthead.tsx';

/** The words of the studio that have a meaning of their own, one sentence each. */
export function Glossary() {
  return (
    <>
      <Masthead trail={[{ label: words.glossary }]} />
      <main className="max-w-3xl px-6 pb-16">
        <h1 className="pt-6 text-2xl">{words.glossary}</h1>
        <p className="pt-1 text-faint">{words.wordsThatHaveAMeaning}</p>
        <dl className="mt-4 grid grid-cols-[8rem_1fr] gap-x-5 max-md:grid-cols-1">
          {terms.map(({ word, meaning }) => (
            <div key={word} className="contents">
              <dt id={word} className="border-t pt-2 font-semibold">
                {word}
              </dt>
              <dd className="border-t pt-2 pb-2 max-md:border-t-0 max-md:pt-0">{meaning}</dd>
            </div>
          ))}
        </dl>
      </main>
      <HydrationMarker />
    </>
  );
}
