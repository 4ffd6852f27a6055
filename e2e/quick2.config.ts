import base from './playwright.config.ts';
export default { ...base, timeout: 120_000, expect: { timeout: 20_000 }, workers: 2, retries: 0 };
