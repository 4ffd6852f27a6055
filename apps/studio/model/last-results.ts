import { localToday } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import { get, set as put } from 'idb-keyval';
import { browserStore } from './browser-store.ts';
import { todayIn } from './clock.ts';
import { targetOf } from './trial-edits.ts';
import { keyOf } from './trial-keys.ts';
import { resultsName } from './were-run.ts';

/**
 * Results of the last runs of trials in this browser. Separate from the trials screen, so that the shelf can
 * show them.
 */

/** By trial: a number for everything its outcome depended on, and whether it passed. */
type Kept = Readonly<Record<string, { readonly of: number; readonly holds: boolean }>>;

/** The last results of a field's own trials. */
export interface LastResult {
  readonly held: number;
  readonly missed: number;
  /** Whether something they depend on has changed since, or some were never run. */
  readonly isOld: boolean;
}

const store = browserStore(resultsName, 'results');

/** A hash of a text (FNV-1a, 32 bits). */
function numberOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** Keeps the outcomes of trials in place of earlier ones: by trial, its key and whether it passed. */
export async function keepResults(
  setId: string,
  outcomes: readonly { readonly id: string; readonly key: string; readonly holds: boolean }[],
): Promise<void> {
  const kept: Kept = Object.fromEntries(
    outcomes.map(({ id, key, holds }) => [id, { of: numberOf(key), holds }]),
  );
  try {
    await put(setId, kept, store);
  } catch {
    // Without storage, the shelf shows no results.
  }
}

/** The last results of a set's trials, by field; without fields that have none. */
export async function lastResults(
  set: SetDocument,
  setId: string,
): Promise<Readonly<Record<string, LastResult>>> {
  const kept = await get<Kept>(setId, store).catch(() => undefined);
  if (!kept) return {};
  const today = todayIn(setId) ?? localToday();
  const found: Record<string, LastResult> = {};
  for (const trial of set.trials ?? []) {
    const target = targetOf(trial);
    if (target?.type !== 'field') continue;
    const last = kept[trial.id];
    const { held = 0, missed = 0, isOld = false } = found[target.id] ?? {};
    found[target.id] = {
      held: held + (last?.holds ? 1 : 0),
      missed: missed + (last && !last.holds ? 1 : 0),
      isOld: isOld || !last || last.of !== numberOf(keyOf(set, trial, today)),
    };
  }
  return Object.fromEntries(Object.entries(found).filter(([, { held, missed }]) => held + missed > 0));
}
