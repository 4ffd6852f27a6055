// Texts of `screens/handoff/code.tsx`.

export { copy } from '../later.ts';
export { copied, theBrowserBlockedCopying } from '../shared.ts';

export const copyWithLabel = (label: string) => `Copy ${label}`;
