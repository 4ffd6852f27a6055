// Texts of `ui/folded-line.tsx`.

export { close } from '../shared.ts';

export const closeChange = (isOpen: boolean, opens: string) => `${isOpen ? 'Close' : 'Change'} ${opens}`;
export const change = 'Change';
