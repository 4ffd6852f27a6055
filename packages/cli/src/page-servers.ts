import type { SetDocument } from '@arbeit/engine/document';
import type { Action } from '@arbeit/engine/tape';
import type { Page, Route } from 'playwright-core';

/** Requests of a page while a tape drives it, held back until the tape says what is answered. */
export interface Servers {
  /** Answers the last request the action names. Resolves to a sentence if there was none. */
  answer(action: Extract<Action, { do: 'answer' | 'sent' }>): Promise<string | undefined>;
}

/** How long a page may take to send a request, in milliseconds. */
const patience = 10_000;

/** The paths that rules of a set ask, by rule id. */
export function askedPaths(document: SetDocument | undefined): ReadonlyMap<string, string> {
  const rules = [...(document?.fields ?? []), ...(document?.forms ?? [])].flatMap(
    ({ rules: own = [] }) => own,
  );
  return new Map(
    rules.flatMap(({ id, check }) => (check.type === 'remote' ? [[id, check.ask] as const] : [])),
  );
}

/** Holds back what a page sends to these paths, on any server. `record` is where it sends its forms. */
export async function holdServers(
  page: Page,
  asked: ReadonlyMap<string, string>,
  record: string | undefined,
): Promise<Servers> {
  const waiting = new Map<string, Route[]>();
  for (const path of new Set([...asked.values(), ...(record === undefined ? [] : [record])])) {
    const held: Route[] = [];
    waiting.set(path, held);
    await page.route(
      (url) => url.pathname === path,
      (route) => void held.push(route),
    );
  }
  const latest = async (path: string | undefined): Promise<Route | undefined> => {
    const held = waiting.get(path ?? '');
    for (const end = Date.now() + patience; held && held.length === 0 && Date.now() < end; )
      await page.waitForTimeout(50);
    return held?.pop();
  };
  return {
    async answer(action) {
      const path = action.do === 'sent' ? record : asked.get(action.rule);
      const route = await latest(path);
      if (!route) return `the page asked nothing at ${path}`;
      if (action.do === 'sent') {
        const findings = action.field === undefined ? [] : [{ field: action.field, code: action.code }];
        await route.fulfill({ status: findings.length > 0 ? 422 : 200, json: { findings } });
      } else if (action.verdict === 'unreachable') await route.abort();
      else await route.fulfill({ json: { verdict: action.verdict, code: action.code } });
      return undefined;
    },
  };
}
