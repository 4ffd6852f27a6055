import { type APIRequestContext, type APIResponse, expect, type Page } from '@playwright/test';
import { operationsBetween } from '../apps/studio/store/operations.ts';
import * as words from '../apps/studio/words/index.ts';

/**
 * Saves a set of one's own and answers its id; `more`: what its document has beside a title unlike any other.
 */
export async function newSet(request: APIRequestContext, more: object): Promise<string> {
  const document = { arbeit: 2, title: `Own ${Math.random()}`, locale: 'en-GB', fields: [], ...more };
  const answer = await request.post('/api/sets', { data: { document } });
  expect(answer.status(), await answer.text()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

/** The document of a set as the server has it. */
export const documentOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`/api/sets/${id}`)).json()).document;

/** Waits until the page says that its set is saved. */
export const saved = (page: Page) =>
  expect(page.getByText(words.set.saved, { exact: true }).first()).toBeVisible();

/** A set as the store answers it. */
export interface Stored {
  readonly key: string;
  readonly id: string;
  readonly generation: string;
  readonly revision: number;
  // biome-ignore lint/suspicious/noExplicitAny: whatever a test has put there
  readonly document: any;
}

export const stored = async (request: APIRequestContext, id: string): Promise<Stored> =>
  (await request.get(`/api/sets/${id}`)).json();

/** Saves a document in place of the one a set had when it was asked for, as the first save of a page. */
export const save = (
  request: APIRequestContext,
  { key, generation, revision: base, document }: Stored,
  next: object,
  page = 'somebody',
): Promise<APIResponse> => {
  const operations = operationsBetween(document, next as never);
  return request.put(`/api/sets/${key}`, { data: { generation, page, counter: 1, base, operations } });
};
