// Texts that several files use.

export const label = 'Label';
export const value = 'Value';
export const ruler = 'Ruler';
export const specimen = 'Specimen';
export const nothing = 'nothing';
export const none = 'none';
export const content = 'content';
export const display = 'display';
export const empty = 'empty';
export const raw = 'raw';
export const tape = 'Tape';
