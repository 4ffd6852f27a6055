/**
 * The versions that applications name in their `package.json`. They are those of `e2e/frameworks`,
 * `e2e/angular` and `e2e/native`, where each application is built, checked and used in a browser.
 */
const versions = {
  '@angular/build': '21.2.27',
  '@angular/cli': '21.2.28',
  '@angular/common': '21.2.26',
  '@angular/compiler': '21.2.26',
  '@angular/compiler-cli': '21.2.26',
  '@angular/core': '21.2.26',
  '@angular/forms': '21.2.26',
  '@angular/platform-browser': '21.2.26',
  '@react-native/babel-preset': '0.84.1',
  '@react-native/metro-config': '0.84.1',
  '@sveltejs/vite-plugin-svelte': '7.3.1',
  '@types/node': '20.19.43',
  '@types/react': '19.3.0',
  '@types/react-dom': '19.3.0',
  '@vitejs/plugin-react': '6.3.0',
  '@vitejs/plugin-vue': '6.0.11',
  metro: '0.83.8',
  next: '16.4.6',
  react: '19.3.1',
  'react-dom': '19.3.1',
  'react-native': '0.84.1',
  'react-native-web': '0.21.2',
  // React Native needs exactly the React it contains the renderer of.
  'react-of-native': '19.2.3',
  'react-dom-of-native': '19.2.3',
  '@types/react-of-native': '19.2.2',
  rxjs: '7.8.2',
  svelte: '5.57.3',
  'svelte-check': '4.7.8',
  tslib: '2.9.1',
  typescript: '6.0.3',
  // Angular wants an older one than the others.
  'typescript-of-angular': '5.9.3',
  vite: '8.3.8',
  vue: '3.5.45',
  'vue-tsc': '3.3.14',
} as const;

/** A package that applications use. */
export type Package = keyof typeof versions;

/** The dependencies of an application, as `package.json` lists them. */
export const pinned = (...names: readonly Package[]): Readonly<Record<string, string>> =>
  Object.fromEntries(
    [...names].sort().map((name) => [name.replace(/-of-(?:angular|native)$/, ''), versions[name]]),
  );
