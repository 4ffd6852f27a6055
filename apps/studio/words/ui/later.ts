// Texts of `ui/later.tsx`.

export { couldNotLoadThisPart } from '../shared.ts';
