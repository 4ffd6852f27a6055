import {
  carriedOut,
  conflictsOf,
  idOf,
  type Json,
  type Operation,
  operationsBetween,
  type Path,
  type PathStep,
  placesOf,
} from './operations.ts';

/** A member of a document that two versions have changed differently. */
export interface MemberConflict {
  /** Where it is. The whole document is `[]`. */
  readonly at: Path;
  /** What differs: the member, or the position of an item in its list. */
  readonly what: 'content' | 'position';
  /**
   * The member in each version; `undefined` where it is missing or was removed. Of a position, the id of the
   * item in front; `null` if it is the first.
   */
  readonly theirs: Json | undefined;
  readonly mine: Json | undefined;
}

/** Two versions of a document, merged except where both changed the same. */
export interface Merge {
  /** In the order of the document of `mine`; empty if the two can be merged. */
  readonly conflicts: readonly MemberConflict[];
  /**
   * The merged document, with `mine` for the conflicts that the function chooses, and `theirs` for the
   * others.
   */
  merged(takesMine: (conflict: MemberConflict) => boolean): Json;
}

/** The place of an operation: its path, and the same as a text. */
interface Place {
  readonly at: Path;
  readonly text: string;
  readonly operation: Operation;
}

const placeOf = (operation: Operation): Place => ({
  at: operation.do === 'set' ? operation.at : [...operation.at, { id: operation.id }],
  text: placesOf(operation).at(-1)!,
  operation,
});

/**
 * Merges two versions of a document that have a common `base`. Without a base it is not known who changed
 * what, so every difference is a conflict.
 *
 * @example
 * const { conflicts, merged } = mergeOf({ a: 1, b: 1 }, { a: 2, b: 2 }, { a: 3, b: 1 });
 * conflicts; // [{ at: ['a'], what: 'content', theirs: 3, mine: 2 }]
 * merged(() => false); // { a: 3, b: 2 }
 */
export function mergeOf(base: Json | undefined, mine: Json, theirs: Json): Merge {
  const changes = operationsBetween(base ?? theirs, mine);
  const places =
    base === undefined ? changes.map(placeOf) : placesBoth(changes, operationsBetween(base, theirs));
  const isIn = (text: string) => places.some((place) => isWithin(text, place.text));
  const free = carriedOut(
    theirs,
    changes.filter((change) => !isIn(placeOf(change).text)),
  );
  const conflicts = inOrder(
    places.map((place) => conflictAt(place, mine, theirs)),
    mine,
  );
  // Changes that fit neither version in their place: only a whole version can be chosen.
  if (free === undefined || takenOver(free, mine, conflicts) === undefined) return wholeMerge(mine, theirs);
  return {
    conflicts,
    merged: (takesMine) => takenOver(free, mine, conflicts.filter(takesMine)) ?? theirs,
  };
}

/** A merge with a single conflict: the whole document. */
export function wholeMerge(mine: Json, theirs: Json): Merge {
  const whole: MemberConflict = { at: [], what: 'content', theirs, mine };
  return { conflicts: [whole], merged: (takesMine) => (takesMine(whole) ? mine : theirs) };
}

const isWithin = (text: string, outer: string): boolean => text === outer || text.startsWith(`${outer}\n`);

/** Where both versions changed something: the outer places only. */
function placesBoth(mine: readonly Operation[], theirs: readonly Operation[]): readonly Place[] {
  const found = new Map<string, Place>();
  for (const pair of conflictsOf(mine, theirs)) {
    const [first, second] = pair.map(placeOf) as [Place, Place];
    // Of two moves of one item, mine.
    const outer = first.text !== second.text && isWithin(first.text, second.text) ? second : first;
    if (!found.has(outer.text)) found.set(outer.text, outer);
  }
  return [...found.values()].filter(
    ({ text }) => ![...found.keys()].some((outer) => outer !== text && isWithin(text, outer)),
  );
}

function conflictAt({ at, operation }: Place, mine: Json, theirs: Json): MemberConflict {
  if (operation.do !== 'move')
    return { at, what: 'content', theirs: valueAt(theirs, at), mine: valueAt(mine, at) };
  return { at, what: 'position', theirs: inFront(theirs, at), mine: inFront(mine, at) };
}

/** Conflicts in the order of a document; what is missing there comes last in its list or object. */
function inOrder(conflicts: readonly MemberConflict[], document: Json): readonly MemberConflict[] {
  const orders = new Map(
    conflicts.map((one) => [
      one,
      one.at.map((step, i) => indexIn(valueAt(document, one.at.slice(0, i)), step)),
    ]),
  );
  return conflicts.toSorted((a, b) => {
    const [first, second] = [orders.get(a)!, orders.get(b)!];
    const i = first.findIndex((index, depth) => index !== second[depth]);
    return i < 0 ? 0 : first[i]! - (second[i] ?? -1);
  });
}

function indexIn(owner: Json | undefined, step: PathStep): number {
  if (typeof owner !== 'object' || owner === null) return 0;
  const i =
    typeof step === 'string'
      ? Object.keys(owner).indexOf(step)
      : (owner as readonly Json[]).findIndex((item) => idOf(item) === step.id);
  return i < 0 ? Number.MAX_SAFE_INTEGER : i;
}

/** The member at a path; `undefined` if there is none. */
export function valueAt(document: Json, at: Path): Json | undefined {
  let value: Json | undefined = document;
  for (const step of at) {
    if (typeof value !== 'object' || value === null) return undefined;
    if (typeof step === 'string')
      value =
        !Array.isArray(value) && Object.hasOwn(value, step)
          ? (value as { readonly [name: string]: Json })[step]
          : undefined;
    else
      value = Array.isArray(value)
        ? (value as readonly Json[]).find((item) => idOf(item) === step.id)
        : undefined;
  }
  return value;
}

/** The id of the item in front of one; `null` if it is the first. */
function inFront(document: Json, at: Path): string | null {
  const last = at.at(-1);
  const list = valueAt(document, at.slice(0, -1));
  if (!Array.isArray(list) || typeof last !== 'object') return null;
  const i = (list as readonly Json[]).findIndex((item) => idOf(item) === last.id);
  return i > 0 ? (idOf(list[i - 1]) ?? null) : null;
}

/** A document with the members of another in some places; `undefined` if one has no room for them. */
function takenOver(document: Json, from: Json, conflicts: readonly MemberConflict[]): Json | undefined {
  let now: Json | undefined = document;
  for (const conflict of conflicts) {
    const operation = operationFor(now, from, conflict);
    now = operation ? carriedOut(now, [operation]) : now;
    if (now === undefined) return undefined;
  }
  return now;
}

/** What makes a member of the document the one of another; `undefined` if nothing has to be done. */
function operationFor(document: Json, from: Json, { at, what, mine }: MemberConflict): Operation | undefined {
  const last = at.at(-1);
  if (typeof last === 'object') {
    const [list, { id }] = [at.slice(0, -1), last];
    const here = valueAt(document, at);
    if (what === 'position')
      return here === undefined ? undefined : { do: 'move', at: list, id, after: inFront(from, at) };
    if (mine === undefined)
      return here === undefined ? undefined : { do: 'remove', at: list, id, before: here };
    if (here === undefined) return { do: 'insert', at: list, id, after: inFront(from, at), value: mine };
    return { do: 'set', at, value: mine };
  }
  if (mine === undefined) return { do: 'set', at };
  const owner = valueAt(from, at.slice(0, -1));
  const names = typeof owner === 'object' && owner !== null ? Object.keys(owner) : [];
  const next = last === undefined ? undefined : names[names.indexOf(last) + 1];
  return { do: 'set', at, value: mine, ...(next === undefined ? {} : { next }) };
}
