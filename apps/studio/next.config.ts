import { fileURLToPath } from 'node:url';
import type { NextConfig } from 'next';

const config: NextConfig = {
  // PGlite loads its WebAssembly from its own folder, so it must not be bundled. Packages that build and
  // compile hand-offs run programs and read files of their own.
  serverExternalPackages: ['@electric-sql/pglite', 'pg', 'esbuild', 'svelte', '@vue/compiler-sfc'],
  turbopack: { root: fileURLToPath(new URL('../..', import.meta.url)) },
  // `npm test` checks types, over all packages at once.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
