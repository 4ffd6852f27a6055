import { localToday } from '@arbeit/dom';
import { customBy } from '@arbeit/engine/checks';
import { compile } from '@arbeit/engine/document';
import { type Ask, withFormat } from '@arbeit/engine/field';
import { type CheckedRecord, checkRecord, type HydratedForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import type { Origin } from '@arbeit/sandbox';
import { todayIn } from '../model/clock.ts';
import type { Store } from '../store/database.ts';
import type { SoundSet } from '../store/documents.ts';
import { StoreError } from '../store/store-error.ts';
import * as words from '../words/store/services-records.ts';
import { runnerOnServer } from '../workers/custom-code/on-server.ts';
import { addressIn, services } from './ask.ts';
import { codePath } from './paths.ts';
import { spendCode } from './sender.ts';

/**
 * The server's side of a form: the record is checked with the rules of the page, and its server checks run
 * here. A code that confirms it is used up with it, once, by the browser that entered it. `undefined` if
 * there is no such form.
 */
export async function takeRecord(
  write: Store['write'],
  set: SoundSet,
  formId: string,
  raw: Readonly<Record<string, string>>,
  browser: string,
): Promise<CheckedRecord | undefined> {
  const forms = set.faults.length > 0 ? [] : compile(set.document, kinds).forms;
  const found = forms.find(({ id }) => id === formId);
  if (!found) return undefined;
  const today = todayIn(set.id) ?? localToday();
  const form = await withCodeRun(found, raw, today, { set: set.key, client: browser });
  const used: { readonly field: string; readonly address: string }[] = [];
  const ask = async ({ path, value, values }: Ask, field: string) => {
    const service = services[path];
    if (path === codePath) used.push({ field, address: addressIn(values) });
    return service
      ? service({ value, values }, today, write, browser)
      : ({ verdict: 'unreachable' } as const);
  };
  const checked = await checkRecord(form, raw, today, ask);
  if (!checked.ok) return checked;
  for (const { field, address } of used)
    if (!(await write((db) => spendCode(db, address, browser))))
      return { ok: false, findings: [{ field, code: 'void-code', message: words.thisCodeWasUsedBefore }] };
  return checked;
}

/** Most records whose custom checks wait for a thread. */
const mostWaiting = 200;

/** Most rounds in which custom code leads to further calls of custom code. */
const mostRounds = 5;

/**
 * The form with the results of its custom code for a record. The code runs in a thread, but the engine does
 * not wait: the calls it needs are found first, with every service answering yes.
 */
async function withCodeRun(
  form: HydratedForm,
  raw: Readonly<Record<string, string>>,
  today: string,
  origin: Origin,
): Promise<HydratedForm> {
  const rules = [...form.fields.flatMap((field) => field.rules), ...form.rules];
  const isShaped = form.fields.some(({ kind }) => kind.withFormat);
  if (!isShaped && !rules.some(({ check }) => check.type === 'custom')) return form;
  const runner = runnerOnServer();
  if (runner.waiting() >= mostWaiting) throw new StoreError(words.arbeitIsRunningManyCustom);
  const { check, shape, settled } = runner.session(origin);
  let isKnown = true;
  const noticed = <T>(outcome: T | undefined): T | undefined => {
    isKnown &&= outcome !== undefined;
    return outcome;
  };
  const custom = customBy((code, input) => noticed(check(code, input)));
  const fields = form.fields.map((field) => ({
    ...withFormat(field, (code, content) => noticed(shape(code, content))),
    checks: { ...field.checks, custom },
  }));
  const own: HydratedForm = { ...form, fields };
  for (let round = 0; round < mostRounds; round++) {
    isKnown = true;
    await checkRecord(own, raw, today, async () => ({ verdict: 'pass' }));
    if (isKnown) return own;
    await settled();
  }
  return own;
}
