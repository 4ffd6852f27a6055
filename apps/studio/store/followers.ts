/**
 * A change of a set: the generation of its store, and its new revision. After a restore of the whole store
 * the revision is 0.
 */
export interface Change {
  readonly generation: string;
  readonly revision: number;
}

/** Name of the PostgreSQL channel (NOTIFY) for changes. */
export const channel = 'arbeit_changes';

/** Stands for the keys of all sets in a notification. */
const everySet = '*';

/** The payload of a notification: the key of the set, the generation and the revision. */
export const payloadOf = (key: string, { generation, revision }: Change): string =>
  `${key} ${generation} ${revision}`;

/** The payload after a restore of the whole store. */
export const payloadOfRestore = (generation: string): string =>
  payloadOf(everySet, { generation, revision: 0 });

type Listener = (change: Change) => void;

interface Followed {
  readonly listeners: Set<Listener>;
  /** The last change the listeners were notified of. */
  last?: Change;
}

/**
 * Listeners for changes of sets, by key. They are notified of each change once, and never of an older one
 * after a newer one.
 */
export class Followers {
  readonly #byKey = new Map<string, Followed>();

  /** Calls `listener` after each change of the set `key`. Returns a function that ends this. */
  follow(key: string, listener: Listener): () => void {
    const followed = this.#byKey.get(key) ?? { listeners: new Set() };
    this.#byKey.set(key, followed);
    followed.listeners.add(listener);
    return () => {
      followed.listeners.delete(listener);
      if (followed.listeners.size === 0 && this.#byKey.get(key) === followed) this.#byKey.delete(key);
    };
  }

  /** Keys of the sets that have listeners. */
  keys(): string[] {
    return [...this.#byKey.keys()];
  }

  /** Notifies the listeners of `key`. */
  notify(key: string, change: Change): void {
    const followed = this.#byKey.get(key);
    if (!followed) return;
    const { last } = followed;
    // A change read from the tables may arrive after a newer notification.
    if (last?.generation === change.generation && change.revision <= last.revision) return;
    followed.last = change;
    for (const listener of [...followed.listeners]) listener(change);
  }

  /** Notifies the listeners named in a payload of the channel. */
  receive(payload: string): void {
    const [key = '', generation = '', revision] = payload.split(' ');
    const change = { generation, revision: Number(revision) };
    for (const one of key === everySet ? this.keys() : [key]) this.notify(one, change);
  }
}
