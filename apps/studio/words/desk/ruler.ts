// Texts of `screens/desk/ruler.tsx`.

export { content, display, raw, ruler } from './shared.ts';

export const patternInText = 'pattern';
