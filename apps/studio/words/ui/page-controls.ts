// Texts of `ui/page-controls.ts`.

export { breadcrumb, setPages } from '../shared.ts';
export { commands } from './shared.ts';

export const onThisPage = 'On this page';
export const notAvailableNow = 'Not available now';
