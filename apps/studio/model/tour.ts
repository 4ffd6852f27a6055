/** Where the tour of a browser is: an index of `tourPaths`; without it no tour is under way. */
const place = 'arbeit.tour';

/** The id of the demo set. */
export const demoSet = 'ridge-huts';

/** The pages of the tour, in the demo set. */
export const tourPaths = [
  '/',
  '/sets/ridge-huts/fields/member',
  '/sets/ridge-huts/trials',
  '/sets/ridge-huts/hand-off',
] as const;

/** The step of the tour that is under way; `null` if there is none. */
export function tourStep(): number | null {
  try {
    const step = Number(localStorage.getItem(place) ?? Number.NaN);
    return Number.isInteger(step) && step >= 0 && step < tourPaths.length ? step : null;
  } catch {
    return null;
  }
}

/** Goes to a step of the tour, or ends it. */
export function setTourStep(step: number | null): void {
  try {
    if (step === null) localStorage.removeItem(place);
    else localStorage.setItem(place, String(step));
  } catch {
    // Without storage the tour ends with its page.
  }
}
