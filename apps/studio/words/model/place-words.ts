// Texts of `model/place-words.ts`.

export { condition, initialValue, sharedValue } from './shared.ts';

export const rule = (id: string) => `rule “${id}”`;
export const theSet = 'the set';
export const theOf = (tail: string, whole: string) => `the ${tail} of ${whole}`;
export const theDocument = 'the document';
export const ofJoint = ' of ';
export const message = 'message';
export const attributes = 'attributes';
export const options = 'options';
