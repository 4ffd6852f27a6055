// Texts of `screens/handoff/choice.ts`.

export { customElements, plainJavascript, react, reactNative, svelte, vue } from './shared.ts';

export const serverCheck = 'Server check';
export const htmlOnlyNoJavascript = 'HTML only (no JavaScript)';
export const postgresqlDomains = 'PostgreSQL domains';
export const trialsAsTests = 'Trials as tests';
export const applications = 'Example applications';
