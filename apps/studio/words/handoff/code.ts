// Texts of `screens/handoff/code.tsx`.

export { copy } from '../later.ts';

export const copyWithLabel = (label: string) => `Copy ${label}`;
