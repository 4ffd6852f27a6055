// Texts of `screens/revisions/looked-at.tsx`.

export const asItWas = (title: string) => `${title}, as it was`;
export const thisRevisionHasNoFields = 'This revision has no fields.';
