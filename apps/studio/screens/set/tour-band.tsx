'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { setTourStep, tourPaths, tourStep } from '../../model/tour.ts';
import * as words from '../../words/set/tour-band.ts';

/** A step of the tour at the bottom of the window. The page can be used meanwhile. */
export function TourBand({ onEnd }: { readonly onEnd: () => void }) {
  const router = useRouter();
  const pathname = usePathname();
  const [step, setStep] = useState(() => tourStep() ?? 0);
  const next = useRef<HTMLButtonElement>(null);
  const [isWithoutDemo, setWithoutDemo] = useState(false);
  useEffect(() => {
    void hasDemoSet().then((has) => setWithoutDemo(!has));
  }, []);
  const isLast = isWithoutDemo || step === tourPaths.length - 1;
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step begins at its button
  useEffect(() => next.current?.focus({ preventScroll: true }), [step]);
  const end = () => {
    setTourStep(null);
    onEnd();
  };
  const go = (to: number) => {
    setTourStep(to);
    setStep(to);
    const path = tourPaths[to];
    if (path && path !== pathname) router.push(path);
  };
  return (
    <section aria-label={words.tourStep(step + 1, tourPaths.length)} className="tour">
      <p>
        <b>{words.tourStep(step + 1, tourPaths.length)}</b>{' '}
        {isWithoutDemo ? words.tourWithoutDemo : words.tourTexts[step]}
      </p>
      <div>
        <button
          type="button"
          className="word-button"
          disabled={isWithoutDemo || step === 0}
          onClick={() => go(step - 1)}
        >
          {words.back}
        </button>
        <button
          type="button"
          ref={next}
          className="solid-button"
          onClick={() => (isLast ? end() : go(step + 1))}
        >
          {isLast ? words.finish : words.nextStep}
        </button>
        {!isLast && (
          <button type="button" className="word-button" onClick={end}>
            {words.skipTour}
          </button>
        )}
      </div>
    </section>
  );
}

/** Whether the demo set is in the store. Without an answer it counts as there. */
async function hasDemoSet(): Promise<boolean> {
  const response = await fetch('/api/sets/ridge-huts').catch(() => undefined);
  return response?.status !== 404;
}
