import type { LawExemptions } from '../contract/law-exemptions.ts';

// Options are picked as a whole, and a key picks nothing.
export const lawExemptions: LawExemptions = { alike: /^$/ };
