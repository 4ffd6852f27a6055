import { fileURLToPath } from 'node:url';
import type { NextConfig } from 'next';

const config: NextConfig = {
  // PGlite loads its WebAssembly from beside itself, so it must not be bundled.
  // Those that build and compile what is handed off run programs and read files of their own.
  serverExternalPackages: ['@electric-sql/pglite', 'pg', 'esbuild', 'svelte', '@vue/compiler-sfc'],
  turbopack: { root: fileURLToPath(new URL('../..', import.meta.url)) },
  // Types are checked by `npm test`, over all rooms at once.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
