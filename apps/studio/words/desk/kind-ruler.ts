// Texts of `screens/desk/kind-ruler.tsx`.

export { noneYet } from '../shared.ts';
export { content, display, ruler } from './shared.ts';
export const concealed = 'concealed';
export const seen = 'seen';
export const inValue = 'in value';
