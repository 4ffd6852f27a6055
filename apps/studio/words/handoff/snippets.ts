// Texts of `screens/handoff/snippets.tsx`.

export { livePreview } from '../later.ts';
export { tryAgain } from '../shared.ts';
export { customElements, plainJavascript, react, reactNative, svelte, vue } from './shared.ts';

export const server = 'Server';
export const next = 'Next.js';
export const angular = 'Angular';
export const nodeServer = 'Node.js server';
export const noPreviewOfApplication = 'No preview: download the hand-off and run this application.';
export const howItIsUsed = 'How it is used';
export const framework = 'Framework';
export const noPreview = 'No preview: server code returns the same findings the page would show.';
export const previewFailed = 'Preview failed: unexpected response from the server.';
export const building = 'Building…';
export const atWork = (title: string) => `${title}, at work`;
