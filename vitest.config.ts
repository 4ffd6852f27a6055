import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{engine,dom,react,cli,studio,scripts}/**/*.test.{ts,tsx}'],
    exclude: ['**/node_modules/**', '**/.next/**'],
    passWithNoTests: false,
  },
});
