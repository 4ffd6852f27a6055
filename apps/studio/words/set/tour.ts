// Texts of `screens/set/tour.tsx`.

export { tourInFourSteps } from '../shared.ts';

export const help = 'Help';
