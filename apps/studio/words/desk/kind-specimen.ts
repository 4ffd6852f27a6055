// Texts of `screens/desk/kind-specimen.tsx`.

export { specimen } from './shared.ts';

export const editWithCaptionText = (caption: string, text: string) => `Edit ${caption}: ${text}`;
export const no = (caption: string) => `no ${caption}`;
