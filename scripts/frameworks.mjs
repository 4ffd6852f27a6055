import { fileURLToPath } from 'node:url';
import { install } from './install.mjs';

// Installs what the applications of a hand-off are built with, in a folder with a lock file of its own: the
// checkers of Next.js, Vue and Svelte want an older TypeScript than ours.
// Angular is built in `npm run hard` alone.
for (const folder of ['frameworks', 'native', ...(process.env.ARBEIT_LONG ? ['angular'] : [])])
  install(fileURLToPath(new URL(`../e2e/${folder}`, import.meta.url)));
