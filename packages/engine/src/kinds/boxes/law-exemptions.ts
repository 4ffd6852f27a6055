import type { LawExemptions } from '../contract/law-exemptions.ts';

export const pin: LawExemptions = { alike: /^[0-9a-z]{0,3}$/ };
export const oneTimeCode: LawExemptions = { alike: /^[0-9]{0,3}$/ };
