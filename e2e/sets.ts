import { type APIRequestContext, expect, type Page } from '@playwright/test';

/** Saves a set of one's own and answers its id; `more`: what its document has beside a title unlike any other. */
export async function newSet(request: APIRequestContext, more: object): Promise<string> {
  const document = { arbeit: 1, title: `Own ${Math.random()}`, locale: 'en-GB', fields: [], ...more };
  const answer = await request.post('/api/sets', { data: { document } });
  expect(answer.status(), await answer.text()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

/** The document of a set as the server has it. */
export const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;

/** Waits until the page says that its set is saved. */
export const saved = (page: Page) => expect(page.getByText('Saved', { exact: true }).first()).toBeVisible();
