import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{engine,dom,react,cli,studio,scripts}/**/*.test.{ts,tsx}'],
    exclude: ['**/node_modules/**', '**/.next/**'],
    passWithNoTests: false,
    // Left to itself it keeps one of two cores free.
    maxWorkers: 2,
    // A bound for a hang, not a measure of speed: a slow machine fails nothing.
    testTimeout: 180_000,
    hookTimeout: 180_000,
  },
});
