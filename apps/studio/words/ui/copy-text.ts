// Texts of `ui/copy-text.ts`.

export { copied, theBrowserBlockedCopying } from '../shared.ts';
