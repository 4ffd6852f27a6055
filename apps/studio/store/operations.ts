/**
 * The changes of a save, as operations on members of a document: members of objects by name; items of lists
 * by id (fields, forms, rules and trials) or by themselves (texts). Operations on different members of one
 * document can be applied in any order, whoever made them.
 */

export type Json = null | boolean | number | string | readonly Json[] | { readonly [name: string]: Json };

/** One step of a path: a name, or the id of an item of a list. */
export type PathStep = string | { readonly id: string };
export type Path = readonly PathStep[];

export type Operation =
  /**
   * A member gets another value. Without `value` it is removed; without `before` it is new and placed in
   * front of `next`, or last.
   */
  | {
      readonly do: 'set';
      readonly at: Path;
      readonly before?: Json;
      readonly value?: Json;
      readonly next?: string;
    }
  /** A list gets another item, after the one with that id, or first. */
  | {
      readonly do: 'insert';
      readonly at: Path;
      readonly id: string;
      readonly after: string | null;
      readonly value: Json;
    }
  | { readonly do: 'move'; readonly at: Path; readonly id: string; readonly after: string | null }
  | { readonly do: 'remove'; readonly at: Path; readonly id: string; readonly before: Json };

type Members = { readonly [name: string]: Json };
type List = readonly Json[];

const isList = (value: Json | undefined): value is List => Array.isArray(value);
const isObject = (value: Json | undefined): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two values are equal, including the order of their members. */
const isSame = (a: Json | undefined, b: Json | undefined): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/** What distinguishes an item of a list from the others; `undefined` if nothing does. */
export function idOf(member: Json | undefined): string | undefined {
  if (typeof member === 'string') return member;
  return isObject(member) && typeof member.id === 'string' ? member.id : undefined;
}

/** The ids of a list if each item has a unique one. */
function idsOf(list: List): readonly string[] | undefined {
  const ids = new Set<string>();
  for (const member of list) {
    const id = idOf(member);
    if (id === undefined || ids.has(id)) return undefined;
    ids.add(id);
  }
  return [...ids];
}

/**
 * Limit of operations. A larger change replaces the whole document, because each operation searches its list.
 */
export const mostOperations = 2_000;

/**
 * The operations that turn the first document into the second. If there would be too many, a single one that
 * replaces everything.
 */
export function operationsBetween(before: Json, after: Json): readonly Operation[] {
  const all: Operation[] = [];
  compare(before, after, [], all);
  return all.length > mostOperations ? [{ do: 'set', at: [], value: after }] : all;
}

function compare(a: Json, b: Json, at: Path, all: Operation[]): void {
  // Unchanged parts are the same objects.
  if (a === b) return;
  const ids = isList(a) && isList(b) ? ([idsOf(a), idsOf(b)] as const) : undefined;
  if (isList(a) && isList(b) && ids?.[0] && ids[1]) compareLists(a, b, ids[0], ids[1], at, all);
  else if (isObject(a) && isObject(b) && isInOneOrder(a, b)) compareMembers(a, b, at, all);
  else if (!isSame(a, b)) all.push({ do: 'set', at, before: a, value: b });
}

/**
 * Whether the names that two objects share are in the same order in both; otherwise only the whole object can
 * express it.
 */
function isInOneOrder(a: Members, b: Members): boolean {
  const shared = Object.keys(b).filter((name) => Object.hasOwn(a, name));
  return Object.keys(a)
    .filter((name) => Object.hasOwn(b, name))
    .every((name, i) => name === shared[i]);
}

function compareMembers(a: Members, b: Members, at: Path, all: Operation[]): void {
  for (const [name, value] of Object.entries(a))
    if (!Object.hasOwn(b, name)) all.push({ do: 'set', at: [...at, name], before: value });
  // From the end, so that the name after a new one already exists.
  const names = Object.keys(b);
  for (let i = names.length - 1; i >= 0; i--) {
    const name = names[i]!;
    const value = b[name]!;
    if (Object.hasOwn(a, name)) compare(a[name]!, value, [...at, name], all);
    else {
      const next = names[i + 1];
      all.push({ do: 'set', at: [...at, name], value, ...(next === undefined ? {} : { next }) });
    }
  }
}

function compareLists(
  a: List,
  b: List,
  idsBefore: readonly string[],
  ids: readonly string[],
  at: Path,
  all: Operation[],
): void {
  const was = new Map(idsBefore.map((id, i) => [id, i]));
  const is = new Set(ids);
  for (const [i, id] of idsBefore.entries())
    if (!is.has(id)) all.push({ do: 'remove', at, id, before: a[i]! });
  const stays = longestRise(ids.filter((id) => was.has(id)).map((id) => was.get(id)!));
  for (const [i, id] of ids.entries()) {
    const after = i === 0 ? null : ids[i - 1]!;
    const from = was.get(id);
    if (from === undefined) all.push({ do: 'insert', at, id, after, value: b[i]! });
    else if (!stays.has(from)) all.push({ do: 'move', at, id, after });
  }
  for (const [i, id] of ids.entries()) {
    const from = was.get(id);
    if (from !== undefined) compare(a[from]!, b[i]!, [...at, { id }], all);
  }
}

/**
 * The longest increasing subsequence of distinct numbers (patience sorting): those items stay, and the others
 * are moved.
 */
function longestRise(numbers: readonly number[]): ReadonlySet<number> {
  const tops: number[] = [];
  const under = new Map<number, number | undefined>();
  for (const number of numbers) {
    let low = 0;
    let high = tops.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (tops[middle]! < number) low = middle + 1;
      else high = middle;
    }
    under.set(number, tops[low - 1]);
    tops[low] = number;
  }
  const rise = new Set<number>();
  for (let one = tops.at(-1); one !== undefined; one = under.get(one)) rise.add(one);
  return rise;
}

/** The document after some operations; `undefined` if one of them does not apply. */
export function carriedOut(document: Json, operations: readonly Operation[]): Json | undefined {
  let now: Json | undefined = document;
  for (const operation of operations) {
    now = carryOut(now, operation, operation.at);
    if (now === undefined) return undefined;
  }
  return now;
}

function carryOut(value: Json, operation: Operation, at: Path): Json | undefined {
  const [step, ...rest] = at;
  if (operation.do === 'set' ? rest.length === 0 : step === undefined) return changed(value, operation, step);
  if (typeof step === 'string') {
    if (!isObject(value) || !Object.hasOwn(value, step)) return undefined;
    const inner = carryOut(value[step]!, operation, rest);
    return inner === undefined ? undefined : { ...value, [step]: inner };
  }
  if (!isList(value) || step === undefined) return undefined;
  const i = value.findIndex((member) => idOf(member) === step.id);
  const inner = i < 0 ? undefined : carryOut(value[i]!, operation, rest);
  return inner === undefined ? undefined : value.with(i, inner);
}

/** The object or list of an operation, after it. */
function changed(value: Json, operation: Operation, step: PathStep | undefined): Json | undefined {
  if (operation.do !== 'set') return isList(value) ? listAfter(value, operation) : undefined;
  if (step === undefined) return operation.value;
  if (typeof step === 'string') return isObject(value) ? membersAfter(value, step, operation) : undefined;
  if (!isList(value) || operation.value === undefined) return undefined;
  const i = value.findIndex((member) => idOf(member) === step.id);
  return i < 0 ? undefined : value.with(i, operation.value);
}

function membersAfter(
  members: Members,
  name: string,
  { value, next }: Extract<Operation, { do: 'set' }>,
): Members {
  if (value !== undefined && Object.hasOwn(members, name)) return { ...members, [name]: value };
  const others = Object.entries(members).filter(([other]) => other !== name);
  if (value === undefined) return Object.fromEntries(others);
  const i = next === undefined ? -1 : others.findIndex(([other]) => other === next);
  return Object.fromEntries(others.toSpliced(i < 0 ? others.length : i, 0, [name, value]));
}

function listAfter(list: List, operation: Exclude<Operation, { do: 'set' }>): List | undefined {
  const { id } = operation;
  const i = list.findIndex((member) => idOf(member) === id);
  // If the item is already removed, or already present with the same content, somebody else did the same.
  if (operation.do === 'remove') return i < 0 ? list : list.toSpliced(i, 1);
  if (operation.do === 'insert' && i >= 0) return isSame(list[i], operation.value) ? list : undefined;
  if (operation.do === 'move' && i < 0) return undefined;
  const member = operation.do === 'insert' ? operation.value : list[i]!;
  const others = i < 0 ? list : list.toSpliced(i, 1);
  // If the item it follows was removed in the meantime, it goes to the end.
  const after =
    operation.after === null ? 0 : others.findIndex((other) => idOf(other) === operation.after) + 1;
  return others.toSpliced(operation.after !== null && after === 0 ? others.length : after, 0, member);
}

/** What an operation is about, as a path. The position of an item is a different subject than its content. */
function subjectOf(operation: Operation): readonly string[] {
  const steps = operation.at.map((step) => (typeof step === 'string' ? `.${step}` : `#${step.id}`));
  if (operation.do === 'set') return steps;
  return [...steps, `#${operation.id}`, ...(operation.do === 'move' ? ['place'] : [])];
}

/** The effect of an operation, independent of the former value and of the position of something new. */
function effectOf(operation: Operation): string {
  const { at } = operation;
  if (operation.do === 'set') return JSON.stringify({ at, value: operation.value });
  const { id } = operation;
  if (operation.do === 'insert') return JSON.stringify({ at, id, value: operation.value });
  return JSON.stringify(operation.do === 'move' ? { at, id, after: operation.after } : { at, id });
}

/** Operations by their subject and its parents. */
function byPlace(operations: readonly Operation[]) {
  const at = new Map<string, Map<string, Operation>>();
  const above = new Map<string, Operation>();
  for (const operation of operations) {
    const places = placesOf(operation);
    const place = places.at(-1)!;
    const there = at.get(place) ?? new Map<string, Operation>();
    at.set(place, there.set(effectOf(operation), operation));
    for (const outer of places.slice(0, -1)) above.set(outer, operation);
  }
  return { at, above };
}

/** The path of an operation's subject as a text, after those of its parents. */
export function placesOf(operation: Operation): readonly string[] {
  const places = [''];
  for (const step of subjectOf(operation)) places.push(`${places.at(-1)}\n${step}`);
  return places;
}

/**
 * The first of my operations whose subject one of theirs changes differently; `undefined` if they can be
 * merged.
 */
export function conflictOf(
  mine: readonly Operation[],
  theirs: readonly Operation[],
): readonly [mine: Operation, theirs: Operation] | undefined {
  return conflictsOf(mine, theirs).next().value ?? undefined;
}

/** Each of my operations whose subject one of theirs changes differently, with that one. */
export function* conflictsOf(
  mine: readonly Operation[],
  theirs: readonly Operation[],
): Generator<readonly [mine: Operation, theirs: Operation], undefined> {
  if (mine.length === 0 || theirs.length === 0) return;
  const { at, above } = byPlace(theirs);
  for (const operation of mine) {
    const places = placesOf(operation);
    const place = places.at(-1)!;
    const effect = effectOf(operation);
    const around = places.slice(0, -1).find((outer) => at.has(outer));
    const other =
      (around !== undefined && at.get(around)!.values().next().value) ||
      above.get(place) ||
      [...(at.get(place) ?? [])].find(([done]) => done !== effect)?.[1];
    if (other) yield [operation, other];
  }
}
