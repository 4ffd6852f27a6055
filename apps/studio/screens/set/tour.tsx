'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { setTourStep, tourPaths, tourStep } from '../../model/tour.ts';
import { useCommands } from '../../ui/commands.tsx';
import { later, useLater } from '../../ui/later.tsx';
import * as words from '../../words/set/tour.ts';

const band = later(() => import('./tour-band.tsx'));

/** Tells every tour of the page that it began. */
const began = 'arbeit-tour';

/** Starts the tour on this page. */
export function startTour(): void {
  setTourStep(0);
  window.dispatchEvent(new Event(began));
}

/** The tour, while it is under way in this browser; and the command that starts it. */
export function Tour() {
  const router = useRouter();
  const { it, want } = useLater(band);
  const [isUnderWay, setUnderWay] = useState(false);
  useEffect(() => {
    const look = () => {
      if (tourStep() === null) return;
      setUnderWay(true);
      want();
    };
    const begin = () => {
      look();
      if (location.pathname !== tourPaths[0]) router.push(tourPaths[0]);
    };
    look();
    window.addEventListener(began, begin);
    return () => window.removeEventListener(began, begin);
  }, [want, router]);
  useCommands(words.help, [{ id: 'tour', label: words.tourInFourSteps, run: startTour }]);
  return it && isUnderWay ? <it.TourBand onEnd={() => setUnderWay(false)} /> : null;
}
