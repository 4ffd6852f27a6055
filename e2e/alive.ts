import { test as base, type Page } from '@playwright/test';

/** Waits until React has taken the page over. What is clicked or typed before may be lost on a slow machine. */
const alive = (page: Page): Promise<unknown> =>
  page.locator('html[data-alive]').waitFor({ state: 'attached' });

/** `goto` and `reload` that come back once the page answers to keys and clicks. */
export function patient(page: Page): Page {
  const goto = page.goto.bind(page);
  const reload = page.reload.bind(page);
  page.goto = async (url, options) => {
    const answer = await goto(url, options);
    if (options?.waitUntil !== 'commit') await alive(page);
    return answer;
  };
  page.reload = async (options) => {
    const answer = await reload(options);
    await alive(page);
    return answer;
  };
  return page;
}

export const test = base.extend({
  page: async ({ page }, use) => {
    await use(patient(page));
  },
});
