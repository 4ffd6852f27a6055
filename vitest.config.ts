import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const source = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

// What takes long is run by `npm run hard`.
const ignored = [
  '**/node_modules/**',
  '**/.next/**',
  ...(process.env.ARBEIT_LONG ? [] : ['**/*.long.test.ts']),
];
// A bound for a hang, not a measure of speed: a slow machine fails nothing.
const bounds = { testTimeout: 900_000, hookTimeout: 900_000 };

/**
 * Tests that replace modules, clocks or globals, or open stores and threads: each file has a world of
 * its own.
 */
const apart = [
  'packages/{dom,sandbox,react,native,vue,svelte,element}/**/*.test.{ts,tsx}',
  'packages/cli/src/audit.test.ts',
  'apps/studio/{store,services,workers}/**/*.test.ts',
  'apps/studio/screens/desk/a-new-kind.test.tsx',
];

export default defineConfig({
  // Tests look at the sources; that the packages built from them are the same is a test of its own.
  resolve: {
    alias: [
      {
        find: /^@arbeit\/engine\/document\.schema\.json$/,
        replacement: source('packages/engine/src/document/document.schema.json'),
      },
      { find: /^@arbeit\/engine\/checks$/, replacement: source('packages/engine/src/checks/runs.ts') },
      { find: /^@arbeit\/engine\/check-words$/, replacement: source('packages/engine/src/checks/words.ts') },
      {
        find: /^@arbeit\/engine\/value-types$/,
        replacement: source('packages/engine/src/kinds/value-types.ts'),
      },
      { find: /^@arbeit\/engine\/proof$/, replacement: source('packages/engine/src/prove/without-laws.ts') },
      { find: /^@arbeit\/engine\/runs$/, replacement: source('packages/engine/src/kinds/runs.ts') },
      {
        find: /^@arbeit\/engine\/runs\/([\w-]+)$/,
        replacement: source('packages/engine/src/kinds/$1/run.ts'),
      },
      {
        find: /^@arbeit\/engine\/wording\/(\w+)$/,
        replacement: source('packages/engine/src/rules/wording/$1.ts'),
      },
      { find: /^@arbeit\/engine\/([\w/-]+)$/, replacement: source('packages/engine/src/$1/index.ts') },
      { find: /^@arbeit\/(dom|react)\/stores$/, replacement: source('packages/$1/src/stores.ts') },
      { find: /^@arbeit\/handoff\/([\w-]+)$/, replacement: source('packages/handoff/src/$1/index.ts') },
      { find: /^@arbeit\/sandbox\/at-once$/, replacement: source('packages/sandbox/src/at-once.ts') },
      { find: /^@arbeit\/sandbox\/([\w-]+)$/, replacement: source('packages/sandbox/src/in-$1.ts') },
      {
        find: /^@arbeit\/(engine|dom|react|native|element|vue|svelte|handoff|sandbox|cli)$/,
        replacement: source('packages/$1/src/index.ts'),
      },
    ],
  },
  test: {
    passWithNoTests: false,
    // Two cores, and tests that wait for a process, a page or a disk beside those that compute.
    maxWorkers: 3,
    projects: [
      {
        extends: true,
        test: {
          ...bounds,
          name: 'shared',
          setupFiles: [source('scripts/seed.ts')],
          include: ['{packages,apps}/**/*.test.{ts,tsx}'],
          exclude: [...ignored, ...apart],
          // Nothing these tests do outlives them, so one worker runs many files: what it has compiled once
          // stays compiled.
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          ...bounds,
          name: 'apart',
          include: [...apart, 'scripts/**/*.test.ts'],
          exclude: [...ignored],
        },
      },
    ],
  },
});
