import { askByFetch, driveFormAsks, type FormStore, type SendRecord } from '@arbeit/dom';
import type { FieldFinding } from '@arbeit/engine/form';
import * as words from '../../words/form/drive.ts';

/**
 * Sends a record to the form's route; errors are returned by field. Throws if the server does not answer
 * properly.
 */
export const sendTo =
  (setKey: string, formId: string): SendRecord =>
  async ({ raw }) => {
    const address = `/api/sets/${encodeURIComponent(setKey)}/forms/${encodeURIComponent(formId)}/records`;
    const response = await fetch(address, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ raw }),
      signal: AbortSignal.timeout(15_000),
    });
    if (response.ok) return [];
    const body = (await response.json().catch(() => null)) as {
      findings?: readonly FieldFinding[];
      error?: string;
    } | null;
    if (response.status === 422 && body?.findings) return body.findings;
    if (response.status < 500 && body?.error) return [{ field: '', code: 'refused', message: body.error }];
    throw new Error(words.requestFailedHttp(response.status));
  };

/** Runs a form's server checks while it is mounted. */
export const driveForm = (store: FormStore): (() => void) => driveFormAsks(store, askByFetch());
