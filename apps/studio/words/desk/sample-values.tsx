// Texts of `screens/desk/sample-values.tsx`.

import type { ReactNode } from 'react';

export { remove } from '../later.ts';

export const testValues = 'Test values';
export const cannotBeTypedInto = 'cannot be typed into this field';
export const noAnswerYet = 'no answer yet';
export const asExpected = { pass: 'passes, as expected', fail: 'fails, as expected' };
export const unexpected = { pass: 'fails, but should pass', fail: 'passes, but should fail' };
export const addAsAValue = {
  pass: (value: ReactNode) => <>Add {value} as a value that should pass</>,
  fail: (value: ReactNode) => <>Add {value} as a value that should fail</>,
};
export const theEmptyField = 'the empty field';
export const emptyValue = '(empty)';
export const emptyWord = 'empty';
export const removeTestValue = (value: string) => `Remove test value ${value}`;
