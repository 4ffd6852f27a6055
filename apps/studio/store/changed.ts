import type { SetDocument } from '@arbeit/engine/document';
import type { Operation } from './operations.ts';

/** One thing a revision changed in the document of a set. */
export interface ChangedItem {
  /** `set`: a member of the document itself, such as its title. */
  readonly of: 'field' | 'form' | 'trial' | 'set';
  /** The id of the field, form or trial; for `set` the name of the member, or '' for the whole document. */
  readonly id: string;
  /** The label or title: the current one, or the last one of something that was removed. */
  readonly name: string;
  readonly how: 'added' | 'removed' | 'moved' | 'changed';
  /** Names of the members that changed. Empty: any of them may have changed. */
  readonly parts: readonly string[];
}

/** What a revision changed. Each field, form, trial and member is listed once. */
export interface Changed {
  readonly items: readonly ChangedItem[];
  /** Whether there were more than `mostItems`. */
  readonly more: boolean;
}

export const nothingChanged: Changed = { items: [], more: false };

/** Items listed per revision, and characters kept of a name. */
const mostItems = 12;
const mostName = 80;

const lists: Readonly<Record<string, 'field' | 'form' | 'trial'>> = {
  fields: 'field',
  forms: 'form',
  trials: 'trial',
};

const keyOf = ({ of, id }: ChangedItem): string => `${of} ${id}`;

/** The label or title in `value`, or `id`. */
function nameIn(value: unknown, id: string): string {
  const { label, title } = (value ?? {}) as { label?: unknown; title?: unknown };
  const name = [label, title].find((text) => typeof text === 'string' && text !== '');
  const text = String(name ?? id);
  return text.length > mostName ? `${text.slice(0, mostName - 1).trimEnd()}…` : text;
}

/** Two changes of one thing as a single change. `undefined`: it was added and removed again. */
function merged(before: ChangedItem | undefined, after: ChangedItem): ChangedItem | undefined {
  if (!before) return after;
  if (after.how === 'removed') return before.how === 'added' ? undefined : after;
  if (before.how === 'added') return { ...after, how: 'added', parts: [] };
  // Removed and added again: any member may differ.
  if (before.how === 'removed') return { ...after, how: 'changed', parts: [] };
  if (before.how === 'moved') return after;
  if (after.how === 'moved') return { ...before, name: after.name };
  const isWhole = before.parts.length === 0 || after.parts.length === 0;
  return { ...after, parts: isWhole ? [] : [...new Set([...before.parts, ...after.parts])] };
}

/** Adds the changes `after` to the changes `before`. */
export function mergeChanged(before: Changed, after: Changed): Changed {
  const all = new Map(before.items.map((item) => [keyOf(item), item]));
  let { more } = before;
  for (const item of after.items) {
    const key = keyOf(item);
    const now = merged(all.get(key), item);
    if (!now) all.delete(key);
    else if (all.has(key) || all.size < mostItems) all.set(key, now);
    else more = true;
  }
  return { items: [...all.values()], more: more || after.more };
}

/** What `operations` change. Names come from `document`, which is the document after them. */
export function changedBy(operations: readonly Operation[], document: SetDocument): Changed {
  const names = new Map<string, string>();
  for (const list of ['fields', 'forms', 'trials'] as const)
    for (const one of document[list] ?? []) names.set(`${lists[list]} ${one.id}`, nameIn(one, one.id));
  let all = nothingChanged;
  for (const operation of operations) {
    const item = itemOf(operation);
    const name = names.get(keyOf(item)) ?? item.name;
    all = mergeChanged(all, { items: [{ ...item, name }], more: false });
  }
  return all;
}

const howOf = { insert: 'added', remove: 'removed', move: 'moved' } as const;

function itemOf(operation: Operation): ChangedItem {
  const [first, second, third] = operation.at;
  const of = typeof first === 'string' && Object.hasOwn(lists, first) ? lists[first] : undefined;
  if (of && second === undefined && operation.do !== 'set') {
    const { id } = operation;
    const value = operation.do === 'insert' ? operation.value : undefined;
    const name = nameIn(operation.do === 'remove' ? operation.before : value, id);
    return { of, id, name, how: howOf[operation.do], parts: [] };
  }
  if (of && typeof second === 'object') {
    const { id } = second;
    return { of, id, name: id, how: 'changed', parts: typeof third === 'string' ? [third] : [] };
  }
  const id = typeof first === 'string' ? first.slice(0, mostName) : '';
  return { of: 'set', id, name: id, how: 'changed', parts: [] };
}
