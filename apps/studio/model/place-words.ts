import * as words from '../words/model/place-words.ts';

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Names of members whose own name would not be understood. */
const names: Readonly<Record<string, string>> = {
  entry: words.options,
  html: words.attributes,
  initial: words.initialValue,
  sameValueAs: words.sharedValue,
  say: words.message,
  when: words.condition,
};

/** An item of a list in words. */
function itemInWords(list: string, value: unknown, at: number): string {
  const { label, title, id } = isObject(value) ? value : {};
  const own = [label, title, list === 'rules' && typeof id === 'string' ? words.rule(id) : id];
  return (
    own.find((name): name is string => typeof name === 'string' && name !== '') ??
    `${list.replace(/s$/, '')} ${at + 1}`
  );
}

/** A place in a document in words: `$.fields[2].label` is "the label of Deposit". */
export function placeInWords(path: string, root: object): string {
  const steps = [...path.matchAll(/\.([\w-]+)|\[(\d+)\]|\["((?:[^"\\]|\\.)*)"\]/g)];
  const owners: string[] = [];
  let tail = '';
  let list = '';
  let value: unknown = root;
  for (const [, name, index, quoted] of steps) {
    const key = name ?? quoted ?? index ?? '';
    value = isObject(value) || Array.isArray(value) ? (value as Json)[key] : undefined;
    if (index === undefined) {
      tail = names[key] ?? key;
      list = key;
    } else {
      owners.unshift(itemInWords(list, value, Number(index)));
      tail = '';
    }
  }
  const whole = owners.join(words.ofJoint) || words.theSet;
  return tail ? words.theOf(tail, whole) : steps.length ? whole : words.theDocument;
}
