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

interface Followed {
  readonly listeners: Set<Listener>;
  /** What was told last. */
  last?: Change;
}

/** Who wants to hear of which set. Of each change they hear once, and of an older one not after a newer. */
export class Followers {
  readonly #byKey = new Map<string, Followed>();

  /** Answers what ends it. */
  follow(key: string, listener: Listener): () => void {
    const followed = this.#byKey.get(key) ?? { listeners: new Set() };
    this.#byKey.set(key, followed);
    followed.listeners.add(listener);
    return () => {
      followed.listeners.delete(listener);
      if (followed.listeners.size === 0 && this.#byKey.get(key) === followed) this.#byKey.delete(key);
    };
  }

  /** The sets that somebody follows. */
  keys(): string[] {
    return [...this.#byKey.keys()];
  }

  tell(key: string, change: Change): void {
    const followed = this.#byKey.get(key);
    if (!followed) return;
    const { last } = followed;
    // What was read from the tables may come behind what was told since.
    if (last?.generation === change.generation && change.revision <= last.revision) return;
    followed.last = change;
    for (const listener of [...followed.listeners]) listener(change);
  }

  /** Tells what came by the channel. */
  hear(payload: string): void {
    const [key = '', generation = '', revision] = payload.split(' ');
    const change = { generation, revision: Number(revision) };
    for (const one of key === everySet ? this.keys() : [key]) this.tell(one, change);
  }
}
