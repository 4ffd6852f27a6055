import type { SetDocument } from '@arbeit/engine/document';
import type { Trial } from '@arbeit/engine/tape';

/** The field or form that a trial is played on, from the first line of its tape that names one. */
export function targetOf({
  tape,
}: Pick<Trial, 'tape'>): { readonly type: 'field' | 'form'; readonly id: string } | undefined {
  const [, type, id] = /^[ \t]*(field|form)[ \t]+([^\s"#]+)/m.exec(tape) ?? [];
  return id === undefined ? undefined : { type: type === 'form' ? 'form' : 'field', id };
}

/** The set with other trials; a set without trials has no list of them. */
function withTrials(set: SetDocument, trials: readonly Trial[]): SetDocument {
  const { trials: _, texts, ...rest } = set;
  return { ...rest, ...(trials.length ? { trials } : {}), ...(texts ? { texts } : {}) };
}

/** An id that no other trial has. */
function freeId(trials: readonly Trial[], wanted: string): string {
  let id = wanted;
  for (let n = 2; trials.some((one) => one.id === id); n++) id = `${wanted}-${n}`;
  return id;
}

/** Adds trials at the end, each under a free id. */
export function addTrials(
  set: SetDocument,
  added: readonly Trial[],
): { readonly set: SetDocument; readonly ids: readonly string[] } {
  const all = [...(set.trials ?? [])];
  const ids = added.map((trial) => {
    const id = freeId(all, trial.id);
    all.push({ ...trial, id });
    return id;
  });
  return { set: withTrials(set, all), ids };
}

export const changeTrial = (set: SetDocument, id: string, edit: (trial: Trial) => Trial): SetDocument =>
  withTrials(
    set,
    (set.trials ?? []).map((trial) => (trial.id === id ? edit(trial) : trial)),
  );

export const removeTrial = (set: SetDocument, id: string): SetDocument =>
  withTrials(
    set,
    (set.trials ?? []).filter((trial) => trial.id !== id),
  );

/** Moves a trial to an index; indices outside mean the nearest end. */
export function moveTrial(set: SetDocument, id: string, to: number): SetDocument {
  const all = set.trials ?? [];
  const one = all.find((trial) => trial.id === id);
  if (!one) return set;
  const others = all.filter((trial) => trial.id !== id);
  return withTrials(set, others.toSpliced(Math.max(0, Math.min(others.length, to)), 0, one));
}

/** The tape with its field or form renamed wherever the tape mentions it. */
export function renamedIn(tape: string, type: 'field' | 'form', id: string, to: string): string {
  const word = id.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const target = new RegExp(`^([ \\t]*${type}[ \\t]+)${word}(?=[ \\t]*(?:#|$))`, 'gm');
  const renamed = tape.replace(target, `$1${to}`);
  if (type === 'form') return renamed;
  // A form's tape focuses fields by name, and its expectations name them.
  return renamed
    .replace(
      new RegExp(`^([ \\t]*(?:focus|sent|expect[ \\t]+focus)[ \\t]+)${word}(?=[ \\t]|$)`, 'gm'),
      `$1${to}`,
    )
    .replace(new RegExp(`^([ \\t]*expect[ \\t]+)${word}(?=[ \\t]+[a-z])`, 'gm'), `$1${to}`);
}
