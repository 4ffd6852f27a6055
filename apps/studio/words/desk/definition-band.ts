// Texts of `screens/desk/definition-band.tsx`.

export const editWithInWords = (inWords: string) => `Edit: ${inWords}`;
