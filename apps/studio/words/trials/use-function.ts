// Texts of `screens/trials/use-function.ts`.

export const stoppedLong = 'Stopped: the function ran too long. Check for unbounded loops.';
