// Texts of `screens/handoff/weights.tsx`.

export { forLabel } from './shared.ts';

export const pageWithCustomElements = 'Page with custom elements';
export const plainJavascriptPage = 'Plain JavaScript page';
export const reactPageWithoutReact = 'React page (without React)';
export const vuePageWithoutVue = 'Vue page (without Vue)';
export const sveltePageWithoutSvelte = 'Svelte page (without Svelte)';
export const theServer = 'The server';
export const whatItWeighs = 'What it weighs';
export const bundleSizeOfTheSelection = 'Bundle size of the selection (minified, gzipped)';
export const weight = 'Weight';
export const breakdown = 'Breakdown';
export const partsOf = (use: string) => `Contents of ${use}`;
