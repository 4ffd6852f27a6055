// Texts of `screens/handoff/take-away.tsx`.

export { downloadZip } from '../later.ts';

export const copyCommand = 'Copy command';
export const noCommand = 'The command line builds whole sets. Include everything to see the command.';
