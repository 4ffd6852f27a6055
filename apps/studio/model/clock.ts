/** The day it is in the demo: its dates never grow old. */
const demoToday = '2027-02-10';

/** The clock of a set: frozen for the demo, `undefined` for the device's own. */
export const todayIn = (setId: string): string | undefined =>
  setId === 'ridge-huts' ? demoToday : undefined;
