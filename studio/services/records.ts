import { localToday } from '@arbeit/dom';
import { compile, readDocument } from '@arbeit/engine/document';
import type { Ask } from '@arbeit/engine/field';
import { type CheckedRecord, checkRecord } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { todayIn } from '../definition/clock.ts';
import type { Database } from '../store/database.ts';
import type { StoredSet } from '../store/sets.ts';
import { addressIn, services } from './ask.ts';
import { codePath } from './paths.ts';
import { spendCode } from './sender.ts';

/**
 * The server's side of a form of a set: what was sent is checked with the rules of the page, its questions put to the services here. A code
 * that confirms it is spent with it, once. `undefined` where there is no such form.
 */
export async function takeRecord(
  db: Database,
  set: StoredSet,
  formId: string,
  raw: Readonly<Record<string, string>>,
): Promise<CheckedRecord | undefined> {
  const read = readDocument(set.document, kinds);
  const form = read.ok ? compile(read.document, kinds).forms.find(({ id }) => id === formId) : undefined;
  if (!form) return undefined;
  const today = todayIn(set.id) ?? localToday();
  const used: { readonly field: string; readonly address: string }[] = [];
  const ask = async ({ path, value, values }: Ask, field: string) => {
    const service = services[path];
    if (path === codePath) used.push({ field, address: addressIn(values) });
    return service ? service({ value, values }, db, today) : ({ verdict: 'unreachable' } as const);
  };
  const checked = await checkRecord(form, raw, today, ask);
  if (!checked.ok) return checked;
  for (const { field, address } of used)
    if (!(await spendCode(db, address)))
      return { ok: false, findings: [{ field, code: 'void-code', message: 'This code was used before.' }] };
  return checked;
}
