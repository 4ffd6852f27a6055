// Texts of `screens/set/use-comparing.ts`.

export const theComparisonStoppedUnexpectedly = 'The comparison stopped unexpectedly. Run it again.';
