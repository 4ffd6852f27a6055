/** What is told of a set that changed: which store it is of, and the revision it has now. Of a store that was put back from a backup, the revision is 0. */
export interface Change {
  readonly generation: string;
  readonly revision: number;
}

/** The channel of PostgreSQL (NOTIFY) on which saves are told. */
export const channel = 'arbeit_changes';

/** The key in place of every set's: the store itself is another one. */
const everySet = '*';

/** A change, as the channel carries it: ids alone. */
export const toldOf = (key: string, { generation, revision }: Change): string =>
  `${key} ${generation} ${revision}`;

/** Of a whole store that was put back. */
export const toldOfAll = (generation: string): string => toldOf(everySet, { generation, revision: 0 });

type Listener = (change: Change) => void;

/** Who wants to hear of which set. */
export class Followers {
  readonly #byKey = new Map<string, Set<Listener>>();

  /** Answers what ends it. */
  follow(key: string, listener: Listener): () => void {
    const all = this.#byKey.get(key) ?? new Set();
    this.#byKey.set(key, all.add(listener));
    return () => {
      all.delete(listener);
      if (all.size === 0 && this.#byKey.get(key) === all) this.#byKey.delete(key);
    };
  }

  /** The sets that somebody follows. */
  keys(): string[] {
    return [...this.#byKey.keys()];
  }

  tell(key: string, change: Change): void {
    for (const listener of [...(this.#byKey.get(key) ?? [])]) listener(change);
  }

  /** Tells what came by the channel. */
  hear(payload: string): void {
    const [key = '', generation = '', revision] = payload.split(' ');
    const change = { generation, revision: Number(revision) };
    for (const one of key === everySet ? this.keys() : [key]) this.tell(one, change);
  }
}
