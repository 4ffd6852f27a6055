// Texts of `field/custom-code/use-laws.ts`.

export const stoppedLong = 'Stopped: the code ran too long. Check for unbounded loops and searches.';
