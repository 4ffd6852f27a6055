import type { LawExemptions } from '../contract/law-exemptions.ts';

export const lawExemptions: LawExemptions = {};
