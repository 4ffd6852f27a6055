/**
 * The versions that applications name in their `package.json`. They are those of `e2e/frameworks`, where each
 * application is built, checked and used in a browser.
 */
const versions = {
  '@sveltejs/vite-plugin-svelte': '7.3.1',
  '@types/node': '20.19.43',
  '@types/react': '19.3.0',
  '@types/react-dom': '19.3.0',
  '@vitejs/plugin-react': '6.3.0',
  '@vitejs/plugin-vue': '6.0.11',
  next: '16.4.6',
  react: '19.3.1',
  'react-dom': '19.3.1',
  svelte: '5.57.3',
  'svelte-check': '4.7.8',
  typescript: '6.0.3',
  vite: '8.3.8',
  vue: '3.5.45',
  'vue-tsc': '3.3.14',
} as const;

/** A package that applications use. */
export type Package = keyof typeof versions;

/** The dependencies of an application, as `package.json` lists them. */
export const pinned = (...names: readonly Package[]): Readonly<Record<string, string>> =>
  Object.fromEntries([...names].sort().map((name) => [name, versions[name]]));
