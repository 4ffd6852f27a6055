import type { SetDocument } from '@arbeit/engine/document';
import { mergeOf } from '../store/merging.ts';
import { carriedOut, type Json, type Operation } from '../store/operations.ts';
import type { SentSave } from '../store/save-set.ts';
import { type Answer, type Around, createSaver, type SaveState, type Theirs } from './saver.ts';

/** A save on its way, and what its page gets for it. */
export interface Sent {
  readonly save: SentSave;
  readonly resolve: (answer: Answer) => void;
  readonly reject: (why: Error) => void;
}

type Loose = {
  title: string;
  fields: { id: string; kind: string; label: string; hint?: string; entry: object }[];
};

/**
 * What others set and a page that got it does not show: its next save would overwrite it, and nobody was
 * asked.
 */
function hiddenBy(
  document: SetDocument,
  theirs: (document: SetDocument) => SetDocument | undefined,
): string[] {
  const again = theirs(document) as unknown as Loose | undefined;
  if (!again) return [];
  const now = document as unknown as Loose;
  const labels = ({ fields }: Loose) => fields.map(({ id, label, hint }) => [id, label, hint].join()).sort();
  // A field that is moved once more may have another place.
  return again.title === now.title && labels(again).join() === labels(now).join()
    ? []
    : [JSON.stringify(now)];
}

/** What operations overwrite that their page did not know: each says what was there before. */
export function unknownIn(document: SetDocument, operations: readonly Operation[]): string[] {
  const unknown: string[] = [];
  let now = document as unknown as Json;
  for (const operation of operations) {
    const next = carriedOut(now, [operation])!;
    if (operation.do === 'set' && operation.before !== undefined) {
      const same = carriedOut(now, [{ do: 'set', at: operation.at, value: operation.before }]);
      const isKnown = JSON.stringify(same) === JSON.stringify(now);
      const isDone = JSON.stringify(next) === JSON.stringify(now);
      if (!isKnown && !isDone) unknown.push(JSON.stringify(operation));
    }
    now = next;
  }
  return unknown;
}

/** A page with the saver of the browser. Its saves go into a net, which does with them what it likes. */
export function pageOn(
  from: Theirs,
  { net, ...around }: Pick<Around, 'page' | 'changesSince' | 'pause'> & { readonly net: Sent[] },
) {
  let shown = from.document;
  let state: SaveState = { is: 'saved' };
  let refusals = 0;
  let joins = 0;
  const overwritten: string[] = [];
  const saver = createSaver(from, {
    ...around,
    send: (save) =>
      new Promise((resolve, reject) => net.push({ save: structuredClone(save), resolve, reject })),
    tell: (now) => {
      state = now;
      if (now.is === 'refused') refusals++;
    },
    joined: (document, toAnother) => {
      joins++;
      shown = document;
      overwritten.push(...hiddenBy(document, toAnother));
    },
  });
  return {
    name: around.page,
    saver,
    overwritten,
    shown: () => shown,
    state: () => state,
    /** How often somebody had to choose, and how often changes of others were joined in. */
    counts: () => ({ refusals, joins }),
    edit(change: (document: SetDocument) => SetDocument): void {
      shown = change(shown);
      saver.want(shown);
    },
    /** Somebody chooses. */
    choose(isMine: boolean): void {
      if (state.is !== 'refused') return;
      const { theirs, base } = state;
      const [own, other] = [shown, theirs.document].map((one) => one as unknown as Json) as [Json, Json];
      const merge = mergeOf(base as unknown as Json | undefined, own, other);
      saver.goOnFrom(theirs);
      shown = merge.merged(() => isMine) as unknown as SetDocument;
      saver.want(shown);
    },
  };
}

let edits = 0;

/** An edit of one member, unlike any before it: `what` from 0 to 5. */
export function change(what: number, where: number): (document: SetDocument) => SetDocument {
  const mark = `e${edits++}`;
  return (document) => {
    const next = structuredClone(document) as unknown as Loose;
    const at = where % Math.max(1, next.fields.length);
    const field = next.fields[at];
    if (what === 0 || !field) next.title = mark;
    else if (what === 1) field.label = mark;
    else if (what === 2) field.hint = mark;
    else if (what === 3) next.fields.splice(at, 1);
    else if (what === 4) next.fields.splice(at, 0, { id: mark, kind: 'text', label: mark, entry: {} });
    else next.fields.unshift(...next.fields.splice(at, 1));
    return next as unknown as SetDocument;
  };
}
