import base from './playwright.config.ts';
export default {
  ...base,
  projects: [{ name: 'all', testMatch: '*.spec.ts' }],
  workers: 3,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
};
