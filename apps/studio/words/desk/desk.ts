// Texts of `screens/desk/desk.tsx`.

export {
  addRule,
  clearTape,
  copyTheTapeAsText,
  desk,
  editPatternText,
  goToField,
  goToSpecimen,
  goToTape,
  saveTapeAsTrial,
} from '../shared.ts';

export const loading = (kind: string) => `Loading ${kind}…`;
export const linkedDisplaysOfThisValue = 'Linked displays of this value';
