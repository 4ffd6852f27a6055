// Texts of `screens/set/tour-band.tsx`.

export const tourStep = (step: number, of: number) => `Tour, step ${step} of ${of}`;
export const back = 'Back';
export const nextStep = 'Next';
export const finish = 'Finish';
export const skipTour = 'Skip tour';

/** One per page of `tourPaths`. */
export const tourTexts: readonly string[] = [
  'This is the shelf. Each row is the field itself: type into one. Click the name of a field to open its desk.',
  'This is the desk of one field. Click a part of the large text to define it, and type into the field: each key is a row of the tape. Save the tape as a trial.',
  'Trials run after every change. Mutation tests change the set in one place at a time and show whether a trial fails.',
  'Take the code home: choose a framework, try the running result, and download the folder. Find the tour again under Commands.',
];
/** Instead of a step if somebody deleted the demo set. */
export const tourWithoutDemo =
  'The tour goes through the demo set, which is not in this store. Start Arbeit with an empty data folder to get the set again.';
