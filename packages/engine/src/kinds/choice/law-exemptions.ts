import type { LawExemptions } from '../contract/law-exemptions.ts';

// What is picked is named as a whole, and a key names nothing.
export const lawExemptions: LawExemptions = { alike: /^$/ };
