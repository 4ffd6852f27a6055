// Texts that several files use.

export const characterClassesInText = 'character classes';
export const theResponseWasCutOff = 'The response was cut off.';
export const arbeitCouldNotBeReached = 'Arbeit could not be reached.';
export const title = 'title';
export const sharedValue = 'shared value';
export const condition = 'condition';
export const rules = 'rules';
export const placeholder = 'placeholder';
export const locale = 'locale';
export const label = 'label';
export const kind = 'kind';
export const initialValue = 'initial value';
export const hint = 'hint';
export const forms = 'forms';
