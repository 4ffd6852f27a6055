// Texts of `ui/help.tsx`.

export const helpWithAbout = (about: string) => `Help: ${about}`;
