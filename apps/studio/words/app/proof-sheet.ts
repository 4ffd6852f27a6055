// Texts of `app/sets/[set]/proof-sheet/route.ts`.

export { documentHasErrors, notInTheStore } from './api.ts';
