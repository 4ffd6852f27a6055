// Texts of `app/sets/[set]/hand-off/live/route.ts`.

export { notInTheStore } from './api.ts';

export const noPreview = 'No preview for this framework.';
export const nothingToShow = 'This set has no fields or forms to show.';
