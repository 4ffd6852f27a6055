// Texts of `screens/desk/kind-band.tsx`.

export const editWithCaption = (caption: string) => `Edit: ${caption}`;
