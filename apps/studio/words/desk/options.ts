// Texts of `screens/desk/options.ts`.

export { nothing } from './shared.ts';

export const atMost = (label: string) => `${label}, at most`;
export const atLeast = (label: string) => `${label}, at least`;
