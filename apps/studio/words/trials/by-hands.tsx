// Texts of `screens/trials/by-hands.tsx`.

import type { ReactNode } from 'react';

export const byKeys = 'by keys';
export const imeComposition = 'IME composition';
export const keyboardSuggestions = 'keyboard suggestions';
export const browserAutofill = 'browser autofill';
export const setByCode = 'set by code';
export const insertedAtOnce =
  'Inserted at once: the text is parsed as a whole, while keys are processed one by one.';
export const otherInputMethodsWithName = (name: string) => `Other input methods: ${name}`;
export const otherInputMethods = 'Other input methods';
export const differentResultAtLine = (line: number) => `different result at line ${line}`;
export const theSame = 'the same';
export const withKeys = (other: ReactNode, keys: ReactNode, why: string) => (
  <>
    : {other}, with keys: {keys}. {why}
  </>
);
export const raw = (display: string, raw: string, value: string) => `“${display}” (raw “${raw}”${value})`;
export const insertedAtOnceWord =
  'Inserted at once: characters that do not fit are ignored; typed singly they would be rejected.';
export const autofillReplacesTheWholeValue =
  'Autofill replaces the whole value at once, so it is parsed as one value.';
export const dictated = 'dictated';
