import { type BrowserContext, test as base, type Page } from '@playwright/test';

/**
 * Waits until React has taken the page over. What is clicked or typed before may be lost on a slow machine.
 */
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

/**
 * A page that is alive when it is looked at, and a server that is asked: sets made by asking it are taken
 * away with the test. All of them lie on one shelf, and every look at that would cost a little more.
 *
 * The tests of a worker share a browser context, so that the studio’s scripts are fetched and compiled once
 * instead of for each test. What a test has stored is gone before the next. Options of the context
 * (`test.use`) have no effect: set them on the page, or take `test` of Playwright.
 */
export const test = base.extend<object, { readonly shared: BrowserContext }>({
  shared: [
    async ({ browser }, use, { project }) => {
      const { baseURL, viewport, permissions } = project.use;
      const context = await browser.newContext({
        ...(baseURL ? { baseURL } : {}),
        ...(viewport ? { viewport } : {}),
        ...(permissions ? { permissions } : {}),
      });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ shared }, use) => {
    await use(shared);
    await Promise.all(shared.pages().map((page) => page.close()));
    await shared.unrouteAll();
    await shared.setOffline(false);
    await shared.setStorageState({ cookies: [], origins: [] });
  },
  request: async ({ request }, use) => {
    const made: string[] = [];
    const post = request.post.bind(request);
    request.post = async (url, options) => {
      const answer = await post(url, options);
      if (url === '/api/sets' && answer.status() === 201)
        made.push(((await answer.json()) as { id: string }).id);
      return answer;
    };
    await use(request);
    for (const id of made) await request.delete(`/api/sets/${id}`);
  },
  page: async ({ context }, use) => {
    await use(patient(await context.newPage()));
  },
});
