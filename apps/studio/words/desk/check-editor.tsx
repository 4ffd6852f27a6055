// Texts of `screens/desk/check-editor.tsx`.

import type { ReactNode } from 'react';

export const thisRuleComparesTwoFields = 'This rule compares two fields. Edit it on the form.';
export const writtenAsTheFieldWrites = 'Written as in the field';
export const limits = 'limits';
export const storedInTheDocument = (value: string, part: ReactNode) => (
  <>
    {value} Stored in the document as {part}.
  </>
);
export const aDateInTheFields = 'A date in the field’s format, or a date relative to today.';
export const asTheFieldWrites = 'Written as in the field, in its locale.';
